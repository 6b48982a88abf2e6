import { setResponseHeader, type H3Event } from 'h3'
import { maySee } from '#core/access/access'
import { definitionOf, mostBytesOf, parseCommand } from '#core/commands/registry'
import type { Answer } from '#core/wire/feed'
import { seenBy } from '#core/wire/seen'
import { jsonBody, Refusal, refuse, sameOrigin, signedIn } from './request'
import type { House } from '../services/house'

/** Reads a command of a type, has the room do it, answers with its entry or its problem. */
export async function takeCommand(event: H3Event, house: House, type: string): Promise<Answer> {
  sameOrigin(event)
  const { me, room } = await signedIn(event, house)
  const body = await jsonBody(event, mostBytesOf(type))
  const read = performance.now()
  const command = parseCommand(body)
  if (!command.ok) throw new Refusal(command.problem)
  if (command.value.type !== type) return refuse('unreadable', { where: 'the type is not that of the address' })
  // Whoever may not read a project is not told whether its items exist.
  const projects = definitionOf(command.value.type)?.projects(room.state, command.value) ?? []
  if (projects.some((id) => room.state.maybe('project', id) && !maySee(room.state, me, id)))
    return { problem: { code: 'gone' } }
  const answer = await room.submit(command.value, me)
  setResponseHeader(event, 'server-timing', `command;dur=${(performance.now() - read).toFixed(2)}`)
  return 'entry' in answer ? { entry: seenBy(room.state, answer.entry, me) ?? { ...answer.entry, patch: [] } } : answer
}
