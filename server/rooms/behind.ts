import { inPieces, type Pieces } from '#core/base/pieces'
import type { Entry } from '#core/change/command'
import type { Change, Patch } from '#core/change/patch'
import { entityOf } from '#core/model/entities'
import { changesInPart } from '#core/wire/feed'
import { itemRowsOf, keyOf } from '../db/batch'
import type { Some } from '../db/commit'

/** So many changes are written at once, in some tens of ms. */
const mostAtOnce = 1000

/** A large entry that is in the log and whose records are still being written, some at a time. */
export class Behind {
  #at = 0
  readonly #seen = new Set<string>()
  /** What the state does not hold, by its record: changes that are not written yet, which have to be in their order. */
  readonly #apart = new Map<string, Change[]>()
  /** Records of these that were written before their turn. */
  readonly #written = new Set<string>()

  private constructor(
    readonly workspace: string,
    readonly entry: Entry,
  ) {}

  static *of(workspace: string, entry: Entry): Pieces<Behind> {
    const behind = new Behind(workspace, entry)
    yield* inPieces(entry.patch, (change) => {
      if (entityOf(change.entity).held !== 'server only') return
      const key = keyOf(change)
      const changes = behind.#apart.get(key)
      if (changes) changes.push(change)
      else behind.#apart.set(key, [change])
    })
    return behind
  }

  /** How many changes are still to be written. */
  get left(): number {
    return this.entry.patch.length - this.#at
  }

  /** The next ones. The same again until `wrote` is called. */
  next(): Some {
    const { patch, sequence } = this.entry
    const to = Math.min(this.#at + mostAtOnce, patch.length)
    const some = patch.slice(this.#at, to)
    const from = this.#at
    return {
      patch: some.filter((change) => !this.#written.has(keyOf(change))),
      items: itemRowsOf(this.workspace, sequence, some, (i) => Math.floor((from + i) / changesInPart), new Set(this.#seen)), // prettier-ignore
      isLast: to === patch.length,
    }
  }

  wrote({ items }: Some): void {
    const to = Math.min(this.#at + mostAtOnce, this.entry.patch.length)
    for (; this.#at < to; this.#at++) this.#apart.get(keyOf(this.entry.patch[this.#at]!))?.shift()
    for (const { item } of items) this.#seen.add(String(item))
  }

  /** What is to be written before changes of the same records are. */
  before(patch: Patch): Change[] {
    const keys = new Set(patch.filter((change) => entityOf(change.entity).held === 'server only').map(keyOf))
    return [...keys].flatMap((key) => this.#apart.get(key) ?? [])
  }

  /** That this was written before its turn. */
  wroteBefore(changes: readonly Change[]): void {
    for (const change of changes) {
      this.#written.add(keyOf(change))
      this.#apart.delete(keyOf(change))
    }
  }
}
