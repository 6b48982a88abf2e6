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

/** The open event streams of this server. */
export class Feed {
  readonly #listeners = new Set<Listener>()
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

  get sessions(): string[] {
    return [...new Set([...this.#listeners].map((listener) => listener.session))]
  }

  add(listener: Listener, hello: FeedMessage): void {
    listener.response.write(`retry: 1000\n\n${frame(hello)}`)
    this.#listeners.add(listener)
    listener.response.once('close', () => this.#listeners.delete(listener))
  }

  /** Tells everyone a message of their own, as JSON. */
  publish(textFor: (person: PersonId) => string): void {
    for (const one of this.#listeners) {
      if (one.response.writableLength > mostWaiting) one.response.destroy()
      else one.response.write(framed(textFor(one.person)))
    }
  }

  /** Tells one person, wherever they are signed in. */
  tell(person: PersonId, message: FeedMessage): void {
    for (const one of this.#listeners) if (one.person === person) one.response.write(frame(message))
  }

  end(session: string): void {
    for (const one of this.#listeners) if (one.session === session) finish(one, 'signed-out')
  }

  /** Ends the feeds of those who have no account any more. */
  endRemoved(reader: Reader): void {
    for (const one of this.#listeners) if (!accountOf(reader, one.person)) finish(one, 'removed')
  }

  close(): void {
    clearInterval(this.#beat)
    for (const one of this.#listeners) finish(one, 'closing')
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

function finish(listener: Listener, why: 'signed-out' | 'removed' | 'closing'): void {
  listener.response.end(frame({ tell: 'ended', why }))
}
