import { defineEventHandler } from 'h3'
import { answering } from '../http/request'
import { takeCommand } from '../http/take-command'

export default defineEventHandler((event) => answering(event, (house) => takeCommand(event, house, 1 << 20, false)))
