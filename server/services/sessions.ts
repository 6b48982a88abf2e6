import { createHash, randomBytes } from 'node:crypto'
import type { PersonId } from '#core/base/ids'
import type { Clock } from '../clock'
import { endSessionsOf } from '../db/accounts'
import type { Db } from '../db/open'
import {
  addSession,
  endedOf,
  endSession,
  liveSession,
  liveSessionsOf,
  personOfSession,
  seeSession,
} from '../db/sessions'

export interface Session {
  readonly id: string
  readonly person: PersonId
}

/** How long an answer of the database is trusted where other servers may end a session. */
const trustedMs = 1000
const seenEveryMs = 600_000

export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('base64url')

/** Who is signed in. The cookie holds a random secret; the table holds its hash, so that a session can be ended. */
export class Sessions {
  readonly #known = new Map<string, { session: Session; at: number; seen: number }>()

  constructor(
    readonly db: Db,
    readonly clock: Clock,
    readonly isShared: boolean,
  ) {}

  /** Starts a session and gives the secret for its cookie. */
  async start(workspaceId: string, person: PersonId): Promise<string> {
    const secret = randomBytes(32).toString('base64url')
    const now = this.clock.now()
    await addSession(this.db, { id: hashOf(secret), workspaceId, person, made: now, lastSeen: now, ended: null })
    return secret
  }

  async find(secret: string): Promise<Session | undefined> {
    const id = hashOf(secret)
    const known = this.#known.get(id)
    const now = Date.now()
    if (known && (!this.isShared || now - known.at < trustedMs) && now - known.seen < seenEveryMs) return known.session
    const row = await liveSession(this.db, id, this.clock.now())
    if (!row) {
      this.#known.delete(id)
      return undefined
    }
    const session = { id, person: row.person as PersonId }
    if (!known || now - known.seen >= seenEveryMs) await seeSession(this.db, id, this.clock.now())
    this.#known.set(id, { session, at: now, seen: known && now - known.seen < seenEveryMs ? known.seen : now })
    return session
  }

  async end(id: string): Promise<void> {
    this.#known.delete(id)
    await endSession(this.db, id, this.clock.now())
  }

  /** The sessions of a person that are not over, those used last first. */
  of(person: PersonId): Promise<{ id: string; made: string; lastSeen: string }[]> {
    return liveSessionsOf(this.db, person, this.clock.now())
  }

  /** Ends a person's sessions but one, and gives those that it ended. */
  async endAllOf(person: PersonId, but?: string): Promise<string[]> {
    const ended = await endSessionsOf(this.db, person, but, this.clock.now())
    for (const id of ended) this.#known.delete(id)
    return ended
  }

  /** Whose session a secret was, whether it is over or not. */
  wasOf(secret: string): Promise<string | undefined> {
    return personOfSession(this.db, hashOf(secret))
  }

  endedAmong(ids: readonly string[]): Promise<string[]> {
    return endedOf(this.db, ids)
  }
}
