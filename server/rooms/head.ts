import { dateIn } from '#core/base/dates'
import type { PersonId } from '#core/base/ids'
import { oneByOne } from '#core/base/one-by-one'
import { inPieces } from '#core/base/pieces'
import { problem } from '#core/base/result'
import { isSameValue } from '#core/base/sorted-ids'
import { isSameActor, personActor } from '#core/change/actor'
import type { Applied, Context, Entry } from '#core/change/command'
import { applyChange, applyPatch, invert } from '#core/change/patch'
import { scoping } from '#core/change/scopes'
import { modelVersion } from '#core/change/upgrade'
import type { Command } from '#core/commands/registry'
import type { State } from '#core/model/state'
import type { Answer } from '#core/wire/feed'
import type { Scoped } from '#core/wire/seen'
import type { Clock } from '../clock'
import { partsOf, type Done } from '../db/batch'
import { commit, Overtaken, Unwritten, writeBehind, type CommitTo, type Some } from '../db/commit'
import { entriesAfter, entryOfCommand, wholeEntry, type StoredEntry } from '../db/log'
import { unwrittenOf } from '../db/load'
import type { Db, OpenDatabase, Tx } from '../db/open'
import { Behind, isApart } from './behind'
import type { Fetched } from './fetched'
import { inTurns } from './in-turns'
import type { Meanwhile } from './meanwhile'

/** An answer to a command, before it is cut to what whoever sent it may see. */
export type RoomAnswer = Exclude<Answer, { entry: Entry }> | { readonly done: Scoped }

/** Hears every entry in order, with the parts it is stored in (0: none). */
export type Hear = (done: Scoped, parts: number) => void

/** A command as it was asked for. */
export interface Asked {
  readonly command: Command
  readonly by: PersonId
  /** When it is done; undefined: now. */
  readonly at: string | undefined
  /** Says that nobody waits for it any more; a large one heeds it until it is in the log. */
  readonly signal: AbortSignal | undefined
  /** Hears how much of a large one is done, 0 to 1. */
  readonly progress: ((share: number) => void) | undefined
}

/** The channel on which servers that share a database hasten each other. */
export const channel = 'wrenleaf'
/** So long another server has for writing the records of a large entry, in ms; then this one writes them. */
const mostWait = 30_000
/** After so long it is tried again what failed while nobody waited for it, in ms. */
const tryAgainAfter = 1000

/** The head of a workspace's log: the state after its last entry, and what moves both on, one thing at a time. */
export class Head {
  /** One thing at a time touches the state. */
  readonly alone = oneByOne()
  readonly hearing = new Set<Hear>()
  /** Hears what is done while a large command is judged. */
  meanwhile: Meanwhile | undefined
  /** The first number that is free after those that a large command has taken, by project. */
  readonly taken = new Map<string, number>()
  #behind: Behind | undefined
  /** A large entry of another server, which may still be writing its records. */
  #others: Behind | undefined
  #writing = Promise.resolve()
  #isClosed = false

  constructor(
    readonly database: OpenDatabase,
    readonly workspace: string,
    readonly state: State,
    readonly clock: Clock,
    public at: number,
  ) {}

  now(asked: Asked): string {
    return asked.at ?? this.clock.now()
  }

  /** What a command is judged by. `done`: what was done just before and is not stored yet. */
  contextOf(asked: Asked, now: string, fetched: Fetched, done: readonly Done[]): Context {
    return {
      command: asked.command.id,
      by: personActor(asked.by),
      now,
      today: dateIn(this.state.workspace().timeZone, now),
      isRoom: true,
      firstNumber: (project) => this.#freeNumber(project),
      entryOf: (id) => done.find((other) => other.entry.command === id)?.entry ?? fetched.entries.get(id),
      longText: (id) => fetched.texts.get(id),
    }
  }

  #freeNumber(project: string): number {
    return Math.max(this.state.maybe('project', project)?.nextNumber ?? 1, this.taken.get(project) ?? 1)
  }

  /** Gives numbers away to a command that goes on while others take theirs. */
  takeNumbers(project: string, n: number): number {
    const first = this.#freeNumber(project)
    this.taken.set(project, first + n)
    return first
  }

  /** What was judged, as the next entry. */
  entryOf({ command, by }: Asked, applied: Applied, now: string): Entry {
    const { id, type, v } = command
    return { sequence: this.at + 1, command: id, type, v, model: modelVersion, by: personActor(by), at: now, ...applied } // prettier-ignore
  }

  /** Moves the state on by what was judged, before it is stored. */
  apply(asked: Asked, applied: Applied, now: string): Done {
    const entry = this.entryOf(asked, applied, now)
    const scopesOf = scoping(this.state, entry.patch)
    applyPatch(this.state, entry.patch)
    this.at = entry.sequence
    const { id: _id, type: _type, v: _v, ...body } = asked.command
    return { entry, scopes: scopesOf(), body }
  }

  /** Stores what was applied. Where that fails, the state is as it was before. */
  async store(done: readonly Done[]): Promise<void> {
    const [first] = done
    if (!first) return
    const patch = done.flatMap((one) => [...one.entry.patch])
    const unwritten = this.#behind ?? this.#others
    const beforehand = unwritten?.before(patch) ?? []
    const from = first.entry.sequence - 1
    let areWritten: boolean
    try {
      areWritten = await commit(this.database.db, this.commitTo(from), done, this.state, beforehand)
    } catch (error) {
      for (const one of [...done].reverse()) applyPatch(this.state, invert(one.entry.patch))
      this.at = from
      throw error
    }
    unwritten?.wroteBefore(beforehand)
    if (areWritten) this.#others = undefined
    this.meanwhile?.add(patch)
    for (const one of done) this.tell(one, partsOf(one))
  }

  /** Moves the state on by an entry that is stored, in turn with those who read. */
  async moveTo(entry: Entry): Promise<void> {
    await inTurns(inPieces(entry.patch, (change) => applyChange(this.state, change)))
    this.at = entry.sequence
  }

  commitTo(from: number): CommitTo {
    return {
      workspace: this.workspace,
      from,
      unwritten: (this.#behind ?? this.#others)?.entry.sequence,
      notify: this.database.isShared ? channel : undefined,
    }
  }

  tell(done: Scoped, parts: number): void {
    for (const hear of this.hearing) hear(done, parts)
  }

  /** Does work on the state as it is, and again where another server was first. */
  async settled<T>(work: () => Promise<T>): Promise<T> {
    const began = performance.now()
    for (;;)
      try {
        return await work()
      } catch (error) {
        if (error instanceof Unwritten) await this.#waitForWritten(began)
        else if (!(error instanceof Overtaken)) throw error
        await this.takeIn()
      }
  }

  /** Takes in what other servers have written. */
  async takeIn(db: Db | Tx = this.database.db): Promise<void> {
    for (;;) {
      const stored = await entriesAfter(db, this.workspace, this.at, 200)
      for (const one of stored) await this.#takeOne(one, db)
      if (stored.length < 200) return
    }
  }

  async #takeOne(stored: StoredEntry, db: Db | Tx): Promise<void> {
    const entry = await wholeEntry(db, this.workspace, stored)
    // Of a large one it was told with it whom it is for.
    const scopesOf = stored.parts && stored.scopes ? () => stored.scopes ?? [] : scoping(this.state, entry.patch)
    await this.moveTo(entry)
    // The other server has written what it changed of them.
    this.#behind?.wroteBefore(entry.patch.filter(isApart))
    if (stored.parts) this.#minds(entry)
    this.meanwhile?.add(entry.patch)
    this.tell({ entry, scopes: scopesOf() }, stored.parts)
  }

  /** The answer to a command that was done before; refused where its id was another command's. Undefined: it was not. */
  async answerOf({ command, by }: Asked): Promise<RoomAnswer | undefined> {
    const stored = await entryOfCommand(this.database.db, this.workspace, command.id)
    if (!stored) return undefined
    const { id: _id, type, v: _v, ...body } = command
    const isSame =
      stored.entry.type === type &&
      isSameActor(stored.entry.by, personActor(by)) &&
      (stored.parts > 0 || isSameValue(stored.body, JSON.parse(JSON.stringify(body))))
    if (!isSame) return { problem: problem('id-used') }
    const { entry, scopes = [], parts } = stored
    return parts ? { large: { sequence: entry.sequence, parts } } : { done: { entry, scopes } }
  }

  /** Writes the records of a large entry that is in the log and in the state, in turn with whatever else is asked. */
  startBehind(entry: Entry): void {
    this.#behind = new Behind(this.workspace, entry)
    this.#writing = this.#writeAll()
  }

  /** How many changes of a large entry are in the log and not in the records yet. */
  get unwritten(): number {
    return this.#behind?.left ?? 0
  }

  /** Resolves when every record is written, while others go on. */
  written(): Promise<void> {
    return this.#writing
  }

  async #writeAll(): Promise<void> {
    while (this.#behind && !this.#isClosed)
      try {
        await this.alone(() => this.#writeSome())
      } catch (error) {
        console.error('writing the records of a large command:', error)
        await new Promise((resolve) => setTimeout(resolve, tryAgainAfter).unref())
      }
  }

  async #writeSome(): Promise<void> {
    const behind = this.#behind
    if (!behind) return
    const some = behind.next()
    try {
      await writeBehind(this.database.db, this.commitTo(this.at), [some], this.state)
    } catch (error) {
      if (error instanceof Overtaken) return this.takeIn()
      if (!(error instanceof Unwritten)) throw error
      // Another server thought this one gone, and has written them.
      this.#behind = undefined
      return
    }
    behind.wrote(some)
    if (some.isLast) this.#behind = undefined
  }

  /** For whoever is alone and needs every record to be written. */
  async finishBehind(): Promise<void> {
    while (this.#behind) await this.#writeSome()
  }

  /** Moves a state on that was loaded while not every record was written. */
  async catchUpFrom(unwritten: number): Promise<void> {
    const entries = await this.#entriesFrom(unwritten)
    for (const entry of entries) await this.moveTo(entry)
    if (entries[0]) this.#minds(entries[0])
  }

  /** Another server writes its records, or did when it was last heard of. */
  #minds(entry: Entry): void {
    this.#others = new Behind(this.workspace, entry)
    setTimeout(() => {
      if (this.#others?.entry !== entry || this.#isClosed) return
      this.alone(() => this.settled(() => this.writeUnwritten())).catch((error: unknown) =>
        console.error('writing the records of another server:', error),
      )
    }, mostWait).unref()
  }

  /** Nothing more is written. */
  close(): void {
    this.#isClosed = true
  }

  async #waitForWritten(began: number): Promise<void> {
    if (performance.now() - began < mostWait) return new Promise((resolve) => setTimeout(resolve, 100))
    await this.takeIn()
    await this.writeUnwritten()
  }

  /** Writes every record that a server has left unwritten which is gone. */
  async writeUnwritten(): Promise<void> {
    const { db } = this.database
    const unwritten = await unwrittenOf(db, this.workspace)
    this.#others = undefined
    if (unwritten === undefined) return
    const some: Some[] = []
    for (const entry of await this.#entriesFrom(unwritten)) {
      const behind = new Behind(this.workspace, entry)
      for (let isLast = false; !isLast;) {
        const next = behind.next()
        behind.wrote(next)
        some.push({ ...next, isLast: false, items: partsOf({ entry }) ? next.items : [] })
        isLast = next.isLast
      }
    }
    const last = some.pop()
    if (last) some.push({ ...last, isLast: true })
    await writeBehind(db, { ...this.commitTo(this.at), unwritten }, some, this.state)
  }

  async #entriesFrom(sequence: number): Promise<Entry[]> {
    const { db } = this.database
    const entries: Entry[] = []
    for (const one of await entriesAfter(db, this.workspace, sequence - 1, this.at - sequence + 1))
      entries.push(await wholeEntry(db, this.workspace, one))
    return entries
  }
}
