import type { Result } from '../base/result'
import type { CommandId } from '../base/ids'
import { State } from '../model/state'
import type { Envelope, Entry } from './command'
import { applyPatch, invert, type Patch } from './patch'

/** How a pending command becomes a patch; given from outside, so that this file knows no concrete command. */
export type Judge<Command extends Envelope> = (state: State, command: Command, entries: EntryBook) => Result<Patch>

/** The entries of one's own commands, which `revert` needs. */
export interface EntryBook {
  entryOf(command: CommandId): Entry | undefined
}

interface Pending<Command> {
  readonly command: Command
  /** What it changes on top of the confirmed state; empty where it cannot be applied beforehand. */
  patch: Patch
}

/**
 * Confirmed state and pending commands, in one set of maps. On every entry the pending ones are undone, the
 * confirmed state moves forward, and they are reapplied (client-side prediction with server reconciliation).
 */
export class ReplicaState<Command extends Envelope> implements EntryBook {
  readonly state = new State()
  readonly #judge: Judge<Command>
  readonly #touched: (patch: Patch) => void
  #pending: Pending<Command>[] = []
  readonly #own = new Map<CommandId, Entry>()

  constructor(judge: Judge<Command>, touched: (patch: Patch) => void = () => {}) {
    this.#judge = judge
    this.#touched = touched
  }

  get pending(): readonly Command[] {
    return this.#pending.map((pending) => pending.command)
  }

  entryOf(command: CommandId): Entry | undefined {
    return this.#own.get(command)
  }

  /** Applies a command beforehand and keeps it. A problem: it cannot be done, and is not kept. */
  add(command: Command): Result<Patch> {
    const patch = this.#judge(this.state, command, this)
    if (!patch.ok) return patch
    this.#apply(patch.value)
    this.#pending.push({ command, patch: patch.value })
    return patch
  }

  /** Keeps a command that was stored before a reload: whether it can be done is the server's word. */
  restore(command: Command): void {
    const patch = this.#judge(this.state, command, this)
    this.#pending.push({ command, patch: patch.ok ? patch.value : [] })
    if (patch.ok) this.#apply(patch.value)
  }

  /** Moves the confirmed state forward by one entry, one's own or another's. `keepEntry`: it may be undone here. */
  confirm(entry: Entry, keepEntry = false, patch: Patch = entry.patch): void {
    this.rebase(() => {
      if (keepEntry || this.#isPending(entry.command)) this.#own.set(entry.command, entry)
      this.#pending = this.#pending.filter((pending) => pending.command.id !== entry.command)
      this.#apply(patch)
    })
  }

  /** The server refused a command. */
  refuse(command: CommandId): void {
    this.rebase(() => {
      this.#pending = this.#pending.filter((pending) => pending.command.id !== command)
    })
  }

  /** Changes the confirmed state itself, with the pending commands out of the way. */
  rebase(change: () => void): void {
    for (const one of [...this.#pending].reverse()) this.#apply(invert(one.patch))
    change()
    for (const one of this.#pending) {
      const patch = this.#judge(this.state, one.command, this)
      one.patch = patch.ok ? patch.value : []
      this.#apply(one.patch)
    }
  }

  #isPending(command: CommandId): boolean {
    return this.#pending.some((pending) => pending.command.id === command)
  }

  #apply(patch: Patch): void {
    if (!patch.length) return
    applyPatch(this.state, patch)
    this.#touched(patch)
  }
}
