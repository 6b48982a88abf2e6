import type { CommandId, PersonId } from '#core/base/ids'
import { dateIn } from '#core/base/dates'
import { judge, mostBytesOf, needsOf, type Command } from '#core/commands/registry'
import { isSameActor, personActor } from '#core/change/actor'
import { problem } from '#core/base/result'
import { isSameValue } from '#core/base/sorted-ids'
import { usualBytes, type Context, type Entry, type Need } from '#core/change/command'
import { applyPatch, invert, isSetChange } from '#core/change/patch'
import { scoping } from '#core/change/scopes'
import { modelVersion } from '#core/change/upgrade'
import type { LongText } from '#core/model/records'
import type { State } from '#core/model/state'
import type { Answer } from '#core/wire/feed'
import type { Scoped } from '#core/wire/seen'
import type { Clock } from '../clock'
import { partsOf, type Done } from '../db/batch'
import { commit, DoneBefore, Overtaken, type CommitTo } from '../db/commit'
import { loadState } from '../db/load'
import { entriesAfter, entryOfCommand, storedLongText, wholeEntry, type StoredEntry } from '../db/log'
import type { OpenDatabase } from '../db/open'

/** An answer to a command, before it is cut to what whoever sent it may see. */
export type RoomAnswer = Exclude<Answer, { entry: Entry }> | { readonly done: Scoped }

/** Hears every entry in order, with the parts it is stored in (0: none). */
export type Hear = (done: Scoped, parts: number) => void

interface Waiting {
  readonly command: Command
  readonly by: PersonId
  readonly at: string | undefined
  resolve(answer: RoomAnswer): void
  reject(error: unknown): void
}

/** The most commands that go into one transaction. */
const mostInBatch = 50
/** The channel on which servers that share a database hasten each other. */
export const channel = 'wrenleaf'

/**
 * One open workspace: its state, the queue of commands, and who hears what was done. Commands are taken one after
 * another, several per transaction when they queue.
 */
export class Room {
  readonly #waiting: Waiting[] = []
  readonly #hearing = new Set<Hear>()
  #isBusy = false
  #turn: Promise<void> = Promise.resolve()

  private constructor(
    readonly database: OpenDatabase,
    readonly workspace: string,
    readonly state: State,
    readonly clock: Clock,
    private at: number,
  ) {}

  static async open(database: OpenDatabase, workspace: string, clock: Clock): Promise<Room> {
    const { state, sequence } = await loadState(database.db, workspace)
    return new Room(database, workspace, state, clock, sequence)
  }

  get sequence(): number {
    return this.at
  }

  hear(hear: Hear): () => void {
    this.#hearing.add(hear)
    return () => this.#hearing.delete(hear)
  }

  /** The last entries, in order, as far back as it was kept whom they are for. */
  async remember(most: number, hear: Hear): Promise<void> {
    // None beyond where this room is: another server may have written since.
    const n = Math.min(most, this.at)
    const stored = await entriesAfter(this.database.db, this.workspace, this.at - n, n)
    const from = stored.findLastIndex(({ scopes }) => !scopes) + 1
    for (const { entry, scopes = [], parts } of stored.slice(from)) hear({ entry, scopes }, parts)
  }

  /** Does a command, or says why not. Rejects only where something unexpected happened; then nothing was changed. */
  submit(command: Command, by: PersonId, at?: string): Promise<RoomAnswer> {
    return new Promise((resolve, reject) => {
      this.#waiting.push({ command, by, at, resolve, reject })
      void this.#drain()
    })
  }

  /** Looks whether other servers have written, and takes in what they have. */
  catchUp(): Promise<void> {
    return this.#alone(() => this.#takeIn())
  }

  async #drain(): Promise<void> {
    if (this.#isBusy) return
    this.#isBusy = true
    while (this.#waiting.length) {
      const batch = this.#waiting.splice(0, this.#nextBatch())
      await this.#alone(() => this.#doBatch(batch))
    }
    this.#isBusy = false
  }

  /** How many of those waiting go together: what may be large goes alone. */
  #nextBatch(): number {
    const large = this.#waiting.findIndex((waiting) => mostBytesOf(waiting.command.type) > usualBytes)
    return large < 0 ? mostInBatch : Math.min(mostInBatch, Math.max(1, large))
  }

  /** One thing at a time touches the state. */
  #alone(work: () => Promise<void>): Promise<void> {
    this.#turn = this.#turn.then(work, work)
    return this.#turn
  }

  async #doBatch(batch: readonly Waiting[]): Promise<void> {
    try {
      await this.#tryBatch(batch)
    } catch (error) {
      if (batch.length > 1) {
        // One of them is at fault: each on its own, so that only that one is refused.
        for (const one of batch) await this.#doBatch([one])
        return
      }
      const [one] = batch
      if (!one) return
      const before = error instanceof DoneBefore ? await this.#answerOf(one).catch(() => undefined) : undefined
      if (before) one.resolve(before)
      else one.reject(error)
    }
  }

  async #tryBatch(batch: readonly Waiting[]): Promise<void> {
    for (;;) {
      const fetched = await this.#fetchFor(batch)
      const from = this.at
      const { done, answers } = this.#judgeAll(batch, fetched)
      try {
        if (done.length) await commit(this.database.db, this.#commitTo(from), done, this.state)
      } catch (error) {
        for (const one of [...done].reverse()) applyPatch(this.state, invert(one.entry.patch))
        this.at = from
        if (!(error instanceof Overtaken)) throw error
        await this.#takeIn()
        continue
      }
      for (const one of done) this.#tell(one, partsOf(one))
      await this.#answerAll(batch, answers)
      return
    }
  }

  #commitTo(from: number): CommitTo {
    return { workspace: this.workspace, from, notify: this.database.isShared ? channel : undefined }
  }

  async #answerAll(batch: readonly Waiting[], answers: readonly RoomAnswer[]): Promise<void> {
    for (const [i, one] of batch.entries()) {
      const answer = answers[i]
      if (!answer) continue
      // What is refused may have been done before, and its answer lost on the way.
      one.resolve('problem' in answer ? ((await this.#answerOf(one)) ?? answer) : answer)
    }
  }

  /** Judges each on the state that the one before has left, and leaves the state after the last. */
  #judgeAll(batch: readonly Waiting[], fetched: Fetched): { done: Done[]; answers: RoomAnswer[] } {
    const done: Done[] = []
    const answers = batch.map((waiting): RoomAnswer => {
      const now = waiting.at ?? this.clock.now()
      const context = this.#contextOf(waiting, now, fetched, done)
      const judged = judge(this.state, waiting.command, context)
      if (!judged.ok) return { problem: judged.problem }
      const { id, type, v, ...body } = waiting.command
      const by = personActor(waiting.by)
      const entry: Entry = {
        sequence: ++this.at,
        command: id,
        type,
        v,
        model: modelVersion,
        by,
        at: now,
        ...judged.value,
      }
      const scopesOf = scoping(this.state, entry.patch)
      applyPatch(this.state, entry.patch)
      const finished = { entry, scopes: scopesOf(), body }
      fetched.keep(entry)
      done.push(finished)
      const parts = partsOf(finished)
      return parts ? { large: { sequence: entry.sequence, parts } } : { done: finished }
    })
    return { done, answers }
  }

  #contextOf(one: Waiting, now: string, fetched: Fetched, done: readonly Done[]): Context {
    return {
      command: one.command.id,
      by: personActor(one.by),
      now,
      today: dateIn(this.state.workspace().timeZone, now),
      isRoom: true,
      entryOf: (id) => done.find((other) => other.entry.command === id)?.entry ?? fetched.entries.get(id),
      longText: (id) => fetched.texts.get(id),
    }
  }

  /** What the state does not hold and these commands speak of. */
  async #fetchFor(batch: readonly Waiting[]): Promise<Fetched> {
    const fetched = new Fetched()
    for (const { command } of batch) for (const need of needsOf(command)) await this.#fetch(need, fetched)
    return fetched
  }

  async #fetch(need: Need, fetched: Fetched): Promise<void> {
    const { db } = this.database
    switch (need.what) {
      case 'entry': {
        const stored = await entryOfCommand(db, this.workspace, need.command)
        if (stored) fetched.entries.set(need.command, await wholeEntry(db, this.workspace, stored))
        return
      }
      case 'long text': {
        const text = await storedLongText(db, this.workspace, need.id)
        if (text) fetched.texts.set(need.id, text)
      }
    }
  }

  /** The answer to a command that was done before; refused where its id was another command's. Undefined: it was not. */
  async #answerOf({ command, by }: Waiting): Promise<RoomAnswer | undefined> {
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

  async #takeIn(): Promise<void> {
    for (;;) {
      const stored = await entriesAfter(this.database.db, this.workspace, this.at, 200)
      for (const one of stored) await this.#takeOne(one)
      if (stored.length < 200) return
    }
  }

  async #takeOne(stored: StoredEntry): Promise<void> {
    const entry = await wholeEntry(this.database.db, this.workspace, stored)
    const scopesOf = scoping(this.state, entry.patch)
    applyPatch(this.state, entry.patch)
    this.at = entry.sequence
    this.#tell({ entry, scopes: scopesOf() }, stored.parts)
  }

  #tell(done: Scoped, parts: number): void {
    for (const hear of this.#hearing) hear(done, parts)
  }
}

class Fetched {
  readonly entries = new Map<CommandId, Entry>()
  readonly texts = new Map<string, LongText>()

  /** The words that a command of this batch wrote, for the next one. */
  keep(entry: Entry): void {
    for (const change of entry.patch)
      if (change.entity === 'longText' && !isSetChange(change)) {
        if (change.after) this.texts.set(change.id, change.after as LongText)
        else this.texts.delete(change.id)
      }
  }
}
