import { setResponseHeader, type H3Event } from 'h3'
import { maySee } from '#core/access/access'
import { definitionOf, mostBytesOf } from '#core/commands/registry'
import type { PersonId } from '#core/base/ids'
import { personActor } from '#core/change/actor'
import { usualBytes } from '#core/change/command'
import type { Answer } from '#core/wire/feed'
import type { Room } from '../rooms/room'
import { seenBy } from '#core/wire/seen'
import { bodyBytes, Refusal, refuse, sameOrigin, signedIn } from './request'
import type { House } from '../services/house'

/** Large commands take memory and time: one at a time for a person, two in all. */
class LargeOnes {
  readonly #people = new Set<PersonId>()

  async of<T>(person: PersonId, isLarge: boolean, work: () => Promise<T>): Promise<T> {
    if (!isLarge) return work()
    if (this.#people.has(person) || this.#people.size >= 2) return refuse('too-often', { seconds: 20 })
    this.#people.add(person)
    try {
      return await work()
    } finally {
      this.#people.delete(person)
    }
  }
}
const largeOnes = new LargeOnes()

/** Reads a command of a type, has the room do it, answers with its entry or its problem. */
export async function takeCommand(event: H3Event, house: House, type: string): Promise<Answer> {
  sameOrigin(event)
  const { me, room } = await signedIn(event, house)
  const nowhere = definitionOf(type)?.refusedAnywhere?.(room.state, personActor(me))
  if (nowhere) return { problem: nowhere }
  return largeOnes.of(me, mayBeLarge(event, type), () => readAndDo(event, house, room, me, type))
}

/** Whether it may be a large command: of those that are not always so, one whose body is or may be larger than usual. */
function mayBeLarge(event: H3Event, type: string): boolean {
  if (mostBytesOf(type) <= usualBytes) return false
  const isAlways = !definitionOf(type)?.isLarge
  return isAlways || !(Number(event.node.req.headers['content-length']) <= usualBytes)
}

/** The progress of a large command is told in so many steps. */
const steps = 20

/** Aborted when whoever asked is there no longer, or has been answered. */
function untilGone(event: H3Event): AbortSignal {
  const gone = new AbortController()
  event.node.res.once('close', () => gone.abort())
  return gone.signal
}

async function readAndDo(event: H3Event, house: House, room: Room, me: PersonId, type: string): Promise<Answer> {
  const bytes = await bodyBytes(event, mostBytesOf(type))
  const read = performance.now()
  const command = await house.parser.read(bytes)
  if (!command.ok) throw new Refusal(command.problem)
  if (command.value.type !== type) return refuse('unreadable', { where: 'the type is not that of the address' })
  // Whoever may not read a project is not told whether its items exist.
  const projects = definitionOf(command.value.type)?.projects(room.state, command.value) ?? []
  if (projects.some((id) => room.state.maybe('project', id) && !maySee(room.state, me, id)))
    return { problem: { code: 'gone' } }
  const { id } = command.value
  let told = -1
  const progress = (share: number) => {
    const step = Math.floor(share * steps) / steps
    if (step > told) house.feed.tell(me, { tell: 'progress', command: id, share: (told = step) })
  }
  const answer = await room.submit(command.value, me, { signal: untilGone(event), progress })
  setResponseHeader(event, 'server-timing', `command;dur=${(performance.now() - read).toFixed(2)}`)
  if (!('done' in answer)) return answer
  return { entry: seenBy(room.state, answer.done, me) ?? { ...answer.done.entry, patch: [] } }
}
