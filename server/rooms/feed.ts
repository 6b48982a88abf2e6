import type { ServerResponse } from 'node:http'
import { accountOf } from '#core/access/access'
import type { PersonId } from '#core/base/ids'
import type { Reader } from '#core/model/reader'
import type { FeedMessage, LogMessage } from '#core/wire/feed'
import { concerns, seenBy, type Scoped } from '#core/wire/seen'

interface Listener {
  readonly person: PersonId
  readonly session: string
  readonly response: ServerResponse
}

/** A client that does not read is cut here; it comes back and catches up. */
const mostWaiting = 4 << 20

/** Where much is told, what is told within so many ms goes out together: a write to each of many costs more than its text. */
const gatherMs = 15

/** The open event streams of this server. */
export class Feed {
  readonly #listeners = new Set<Listener>()
  /** What is told and has not gone out yet. */
  readonly #told = new Map<PersonId, string>()
  #wentOut = -Infinity
  #goingOut: NodeJS.Timeout | undefined
  #beat: NodeJS.Timeout

  constructor() {
    this.#beat = setInterval(() => {
      for (const one of this.#listeners) one.response.write(':\n\n')
    }, 15_000)
    this.#beat.unref()
  }

  get size(): number {
    return this.#listeners.size
  }

  /** Whose pages are open here. */
  get people(): ReadonlySet<PersonId> {
    return new Set([...this.#listeners].map((listener) => listener.person))
  }

  get sessions(): string[] {
    return [...new Set([...this.#listeners].map((listener) => listener.session))]
  }

  add(listener: Listener, hello: FeedMessage): void {
    // What was told before is in what it is told of now.
    this.#goOut()
    listener.response.write(`retry: 1000\n\n${frame(hello)}`)
    this.#listeners.add(listener)
    listener.response.once('close', () => this.#listeners.delete(listener))
  }

  /** Tells everyone a message of their own, as JSON. */
  publish(textFor: (person: PersonId) => string): void {
    for (const person of new Set([...this.#listeners].map((listener) => listener.person)))
      this.#told.set(person, (this.#told.get(person) ?? '') + framed(textFor(person)))
    const since = performance.now() - this.#wentOut
    // At the earliest in a turn to come: whoever did it is answered first.
    this.#goingOut ??= setTimeout(() => this.#goOut(), Math.max(0, gatherMs - since))
  }

  #goOut(): void {
    clearTimeout(this.#goingOut)
    this.#goingOut = undefined
    if (!this.#told.size) return
    const texts = new Map([...this.#told].map(([person, text]) => [person, Buffer.from(text)]))
    this.#told.clear()
    for (const { person, response } of this.#listeners) {
      const text = texts.get(person)
      if (!text) continue
      if (response.writableLength > mostWaiting) response.destroy()
      else response.write(text)
    }
    this.#wentOut = performance.now()
  }

  /** Tells one person, wherever they are signed in. */
  tell(person: PersonId, message: FeedMessage): void {
    this.#goOut()
    for (const one of this.#listeners) if (one.person === person) one.response.write(frame(message))
  }

  end(session: string): void {
    this.#endThose((listener) => listener.session === session, 'signed-out')
  }

  /** Ends the feeds of those who have no account any more. */
  endRemoved(reader: Reader): void {
    this.#endThose((listener) => !accountOf(reader, listener.person), 'removed')
  }

  close(): void {
    clearInterval(this.#beat)
    this.#endThose(() => true, 'closing')
  }

  #endThose(isMeant: (listener: Listener) => boolean, why: 'signed-out' | 'removed' | 'closing'): void {
    this.#goOut()
    for (const one of this.#listeners) if (isMeant(one)) one.response.end(frame({ tell: 'ended', why }))
  }
}

/** What a person is sent of an entry. */
export function messageFor(reader: Reader, done: Scoped, parts: number, person: PersonId): LogMessage {
  const { sequence } = done.entry
  // Of a large entry the parts tell what may be seen of it.
  if (parts && concerns(reader, done.scopes, person)) return { tell: 'large', sequence, parts }
  const seen = parts ? undefined : seenBy(reader, done, person)
  return seen ? { tell: 'entry', entry: seen } : { tell: 'sequence', n: sequence }
}

const framed = (text: string): string => `data: ${text}\n\n`
const frame = (message: FeedMessage): string => framed(JSON.stringify(message))
