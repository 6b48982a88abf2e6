import { randomInt } from 'node:crypto'
import type { PersonId } from '#core/base/ids'
import type { Clock } from '../clock'
import { FirstAnswers } from './first-answers'
import type { OpenDatabase } from '../db/open'
import { theWorkspace } from '../db/load'
import { channel, Room } from '../rooms/room'
import { Feed } from '../rooms/feed'
import { Recent } from '../rooms/recent'
import type { Letters } from './letters'
import { LoopWatch } from './loop-watch'
import type { Parser } from './parse-beside'
import { Sessions } from './sessions'

/** So many entries are read at the start: after it many come back at once. */
const mostRemembered = 500

/** Everything that a running server has: its database, the open room, the feeds, the sessions. */
export class House {
  readonly feed = new Feed()
  readonly loop = new LoopWatch()
  readonly sessions: Sessions
  /** Lets whoever started the server make the owner's account; letters that cannot be mistaken. */
  readonly ownerCode: string
  #room: Room | undefined
  #firstAnswers: FirstAnswers | undefined
  #recent: Recent | undefined
  #look: NodeJS.Timeout | undefined

  constructor(
    readonly database: OpenDatabase,
    readonly clock: Clock,
    readonly build: string,
    readonly parser: Parser,
    readonly letters: Letters,
  ) {
    this.sessions = new Sessions(database.db, clock, database.isShared)
    const alphabet = 'abcdefghkmnpqrstuvwxyz23456789'
    this.ownerCode = Array.from({ length: 10 }, () => alphabet[randomInt(alphabet.length)]).join('')
  }

  /** Opens the workspace, where there is one. */
  async openRoom(): Promise<Room | undefined> {
    const found = await theWorkspace(this.database.db)
    if (!found) return undefined
    const room = await Room.open(this.database, found.id, this.clock)
    const recent = new Recent(room.sequence, (after, most) => room.entriesAfter(after, most))
    await recent.reachBack(Math.max(0, room.sequence - mostRemembered))
    this.#recent = recent
    room.hear((done, parts) => {
      recent.add(done, parts)
      this.feed.publish((person) => recent.last(room.state, person))
      if (done.entry.patch.some(({ entity }) => entity === 'person')) this.feed.endRemoved(room.state)
    })
    this.#firstAnswers = new FirstAnswers(room, this.clock)
    this.#room = room
    if (this.database.isShared) await this.#shareRoom(room)
    return room
  }

  /** A shared database may hold a workspace that another server founded. */
  async room(): Promise<Room | undefined> {
    return this.#room ?? (this.database.isShared ? this.openRoom() : undefined)
  }

  /** What was done last in the open room. */
  get recent(): Recent | undefined {
    return this.#recent
  }

  /** What pages of the open room ask first. */
  get firstAnswers(): FirstAnswers | undefined {
    return this.#firstAnswers
  }

  /** Other servers write too: their notices hasten, a look once a second makes sure. */
  async #shareRoom(room: Room): Promise<void> {
    const look = () => void room.catchUp().catch((error: unknown) => console.error('catching up:', error))
    await this.database.listen(channel, look)
    this.#look = setInterval(() => {
      look()
      void this.sessions
        .endedAmong(this.feed.sessions)
        .then((ended) => ended.forEach((one) => this.feed.end(one)), console.error)
    }, 1000)
    this.#look.unref()
  }

  /** Ends every session of a person but one, and their feeds. */
  async endSessionsOf(person: PersonId, but?: string): Promise<void> {
    for (const id of await this.sessions.endAllOf(person, but)) this.feed.end(id)
  }

  /** Ends a session, and the feeds that it has here. */
  async endSession(id: string): Promise<void> {
    await this.sessions.end(id)
    this.feed.end(id)
  }

  async close(): Promise<void> {
    clearInterval(this.#look)
    this.loop.end()
    this.feed.close()
    this.#room?.close()
    await this.database.close()
  }
}

let opening: Promise<House> | undefined
export const setHouse = (house: Promise<House>): void => {
  opening = house
}
/** The one house of this process; requests that come early wait for it. */
export function theHouse(): Promise<House> {
  if (!opening) throw new TypeError('the house is not being opened')
  return opening
}
