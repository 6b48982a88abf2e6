import { defineEventHandler, getRouterParam } from 'h3'
import { answering } from '../../http/request'
import { takeCommand } from '../../http/take-command'

/** A command: the address names its type, which says how large its body may be. */
export default defineEventHandler((event) =>
  answering(event, (house) => takeCommand(event, house, getRouterParam(event, 'type') ?? '')),
)
