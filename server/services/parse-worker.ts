/** Runs in a thread of its own: reads large commands, and hands them over in pieces. */
import { parentPort } from 'node:worker_threads'
import type { Piece } from './parse-beside'
import { readCommand } from './read-command'

const port = parentPort
if (!port) throw new TypeError('this file runs in a worker thread')
/** So many elements of a list go at once: taking them over holds the other thread for some ms. */
const atOnce = 500
const say = (piece: Piece) => port.postMessage(piece)

port.on('message', ({ id, bytes }: { id: number; bytes: Uint8Array }) => {
  const command = readCommand(bytes)
  if (!command.ok) return say({ id, tell: 'problem', problem: command.problem })
  const lists = Object.entries(command.value).filter((entry): entry is [string, unknown[]] => Array.isArray(entry[1]))
  say({ id, tell: 'head', head: { ...command.value, ...Object.fromEntries(lists.map(([key]) => [key, []])) } })
  for (const [key, list] of lists)
    for (let at = 0; at < list.length; at += atOnce)
      say({ id, tell: 'some', of: key, some: list.slice(at, at + atOnce) })
  say({ id, tell: 'end' })
})
