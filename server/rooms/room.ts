import type { PersonId } from '#core/base/ids'
import { isLarge, type Command } from '#core/commands/registry'
import type { State } from '#core/model/state'
import type { Clock } from '../clock'
import { clearLeftovers } from '../db/commit'
import { loadState } from '../db/load'
import { entriesAfter, type StoredEntry } from '../db/log'
import type { OpenDatabase } from '../db/open'
import { Batches } from './batches'
import { Head, type Asked, type Hear, type RoomAnswer } from './head'
import { LargeCommands } from './large-commands'

export { channel } from './head'
export type { Hear, RoomAnswer } from './head'

/** One open workspace: its state, the commands that change it, and who hears what was done. */
export class Room {
  readonly #large: LargeCommands
  readonly #batches: Batches

  private constructor(readonly head: Head) {
    this.#large = new LargeCommands(head)
    this.#batches = new Batches(head, (asked) => this.#large.submit(asked))
  }

  static async open(database: OpenDatabase, workspace: string, clock: Clock): Promise<Room> {
    const { state, sequence, unwritten } = await loadState(database.db, workspace)
    const head = new Head(database, workspace, state, clock, sequence)
    if (unwritten !== undefined) await head.catchUpFrom(unwritten)
    // Whoever is in the midst of writing them on another server begins anew.
    await clearLeftovers(database.db)
    // Where others write too, they may be at it.
    if (!database.isShared) await head.alone(() => head.writeUnwritten())
    return new Room(head)
  }

  get database(): OpenDatabase {
    return this.head.database
  }
  get workspace(): string {
    return this.head.workspace
  }
  get state(): State {
    return this.head.state
  }
  get sequence(): number {
    return this.head.at
  }

  hear(hear: Hear): () => void {
    this.head.hearing.add(hear)
    return () => this.head.hearing.delete(hear)
  }

  /** The entries after a sequence number, so many. */
  entriesAfter(after: number, most: number): Promise<StoredEntry[]> {
    return entriesAfter(this.database.db, this.workspace, after, most)
  }

  /** Does a command, or says why not. Rejects only where something unexpected happened; then nothing was changed. */
  submit(command: Command, by: PersonId, more: Partial<Asked> = {}): Promise<RoomAnswer> {
    const asked = { at: undefined, signal: undefined, progress: undefined, ...more, command, by }
    return isLarge(command) ? this.#large.submit(asked) : this.#batches.submit(asked)
  }

  /** Stops a large command of one’s own that is not in the log yet. False: there is none. */
  stop(command: string, by: PersonId): boolean {
    return this.#large.stop(command, by)
  }

  /** Nothing more is written; what is unwritten is so when the room is opened again. */
  close(): void {
    this.head.close()
  }

  /** Looks whether other servers have written, and takes in what they have. */
  catchUp(): Promise<void> {
    return this.head.alone(() => this.head.takeIn())
  }
}
