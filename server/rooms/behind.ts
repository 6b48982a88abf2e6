import type { Entry } from '#core/change/command'
import { recordKey, type Change, type Patch } from '#core/change/patch'
import { entityOf } from '#core/model/entities'
import { changesInPart } from '#core/wire/feed'
import { itemRowsOf } from '../db/batch'
import type { Some } from '../db/commit'

/** So many changes are written at once, in some tens of ms. */
const mostAtOnce = 1000

/** Of what the state does not hold, the changes have to be written in their order. */
export const isApart = ({ entity }: Change): boolean => entityOf(entity).held === 'server only'

/** A large entry that is in the log and whose records are still being written, some at a time. */
export class Behind {
  #at = 0
  /** Items whose history has it. */
  readonly #items = new Set<string>()
  /** Records that were written before their turn. */
  readonly #written = new Set<string>()

  constructor(
    readonly workspace: string,
    readonly entry: Entry,
  ) {}

  /** How many changes are still to be written. */
  get left(): number {
    return this.entry.patch.length - this.#at
  }

  get #next(): number {
    return Math.min(this.#at + mostAtOnce, this.entry.patch.length)
  }

  /** The next ones; the same again until `wrote` is called. */
  next(): Some {
    const { patch, sequence } = this.entry
    const from = this.#at
    const some = patch.slice(from, this.#next)
    return {
      patch: this.#written.size ? some.filter((change) => !this.#written.has(recordKey(change))) : some,
      items: itemRowsOf(this.workspace, sequence, some, (i) => Math.floor((from + i) / changesInPart), this.#items),
      isLast: this.#next === patch.length,
    }
  }

  wrote({ items }: Some): void {
    this.#at = this.#next
    for (const { item } of items) this.#items.add(String(item))
  }

  /** What is to be written before changes of the same records are. */
  before(patch: Patch): Change[] {
    const keys = new Set(patch.filter(isApart).map(recordKey))
    if (!keys.size) return []
    const rest = this.entry.patch.slice(this.#at)
    return rest.filter(
      (change) => isApart(change) && keys.has(recordKey(change)) && !this.#written.has(recordKey(change)),
    )
  }

  /** That this was written before its turn. */
  wroteBefore(changes: readonly Change[]): void {
    for (const change of changes) this.#written.add(recordKey(change))
  }
}
