import type { CommandId, PersonId } from '#core/base/ids'
import { dateIn } from '#core/base/dates'
import { definitionOf, isLargeCommand, judge, type Command } from '#core/commands/registry'
import { revertOf } from '#core/commands/revert'
import type { Context, Entry } from '#core/change/command'
import { applyPatch, invert, isSetChange } from '#core/change/patch'
import { longTextId, type LongText } from '#core/model/records'
import type { State } from '#core/model/state'
import type { Answer } from '#core/wire/feed'
import type { Clock } from '../services/clock'
import { commit, DoneBefore, Overtaken, partsOf, type Done } from '../db/commit'
import { loadState } from '../db/load'
import { entriesAfter, entryOfCommand, storedLongText, wholeEntry, type StoredEntry } from '../db/log'
import type { OpenDatabase } from '../db/open'

/** Hears every entry in order, with the parts it stands in (0: none). */
export type Hear = (entry: Entry, parts: number) => void

interface Waiting {
  readonly command: Command
  readonly by: PersonId
  readonly at: string | undefined
  resolve(answer: Answer): void
  reject(error: unknown): void
}

/** At most so many commands go into one transaction. */
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

  /** Does a command, or says why not. Rejects only where something unexpected happened; then nothing was changed. */
  submit(command: Command, by: PersonId, at?: string): Promise<Answer> {
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
      const first = this.#waiting[0]
      const n = first && isLargeCommand(first.command) ? 1 : mostInBatch
      const batch = this.#waiting.splice(0, n)
      const large = batch.findIndex((one, i) => i > 0 && isLargeCommand(one.command))
      if (large > 0) this.#waiting.unshift(...batch.splice(large))
      await this.#alone(() => this.#doBatch(batch))
    }
    this.#isBusy = false
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
      const before =
        error instanceof DoneBefore ? await this.#answerOf(one.command.id).catch(() => undefined) : undefined
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
        if (done.length)
          await commit(
            this.database.db,
            this.workspace,
            from,
            done,
            this.state,
            this.database.isShared ? channel : undefined,
          )
      } catch (error) {
        for (const one of [...done].reverse()) applyPatch(this.state, invert(one.entry.patch))
        this.at = from
        if (!(error instanceof Overtaken)) throw error
        await this.#takeIn()
        continue
      }
      for (const one of done) this.#tell(one.entry, partsOf(one))
      await this.#answerAll(batch, answers)
      return
    }
  }

  async #answerAll(batch: readonly Waiting[], answers: readonly Answer[]): Promise<void> {
    for (const [i, one] of batch.entries()) {
      const answer = answers[i]
      if (!answer) continue
      // What is refused may have been done before, and its answer lost on the way.
      one.resolve('problem' in answer ? ((await this.#answerOf(one.command.id)) ?? answer) : answer)
    }
  }

  /** Judges each on the state that the one before has left, and leaves the state after the last. */
  #judgeAll(batch: readonly Waiting[], fetched: Fetched): { done: Done[]; answers: Answer[] } {
    const done: Done[] = []
    const answers = batch.map((one): Answer => {
      const now = one.at ?? this.clock.now()
      const context = this.#contextOf(one, now, fetched, done)
      const patch = judge(this.state, one.command, context)
      if (!patch.ok) return { problem: patch.problem }
      const { id, type, v, ...body } = one.command
      const isRevert = one.command.type === 'revert'
      const reverted = isRevert ? context.entryOf(one.command.of) : undefined
      const leftAlone = reverted ? revertOf(this.state, reverted, context).leftAlone : []
      const entry: Entry = {
        sequence: ++this.at, command: id, type, v, by: one.by, at: now, patch: patch.value,
        ...(reverted && { of: reverted.command }), ...(leftAlone.length && { leftAlone }),
      } // prettier-ignore
      const finished = { entry, body, isLarge: definitionOf(type)?.large === true }
      applyPatch(this.state, entry.patch)
      fetched.keep(entry)
      done.push(finished)
      const parts = partsOf(finished)
      return parts ? { large: { sequence: entry.sequence, parts } } : { entry }
    })
    return { done, answers }
  }

  #contextOf(one: Waiting, now: string, fetched: Fetched, done: readonly Done[]): Context {
    return {
      command: one.command.id,
      by: one.by,
      now,
      today: dateIn(this.state.workspace().timeZone, now),
      givesNumbers: true,
      entryOf: (id) => done.find((other) => other.entry.command === id)?.entry ?? fetched.entries.get(id),
      longText: (id) => fetched.texts.get(id),
    }
  }

  /** What the state does not hold and these commands speak of. */
  async #fetchFor(batch: readonly Waiting[]): Promise<Fetched> {
    const fetched = new Fetched()
    for (const { command } of batch) {
      if (command.type === 'revert') {
        const stored = await entryOfCommand(this.database.db, this.workspace, command.of)
        if (stored) fetched.entries.set(command.of, await wholeEntry(this.database.db, this.workspace, stored))
      } else if (command.type === 'items.text') {
        const id = longTextId(command.item, command.field)
        const text = await storedLongText(this.database.db, this.workspace, id)
        if (text) fetched.texts.set(id, text)
      }
    }
    return fetched
  }

  async #answerOf(command: CommandId): Promise<Answer | undefined> {
    const stored = await entryOfCommand(this.database.db, this.workspace, command)
    if (!stored) return undefined
    return stored.parts ? { large: { sequence: stored.entry.sequence, parts: stored.parts } } : { entry: stored.entry }
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
    applyPatch(this.state, entry.patch)
    this.at = entry.sequence
    this.#tell(entry, stored.parts)
  }

  #tell(entry: Entry, parts: number): void {
    for (const hear of this.#hearing) hear(entry, parts)
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
