import { firstInPieces, type Pieces } from '#core/base/pieces'
import { isSetChange, itemsOfChange, type Change, type Patch } from '#core/change/patch'
import { entityOf } from '#core/model/entities'
import type { Reader } from '#core/model/reader'
import type { Item } from '#core/model/records'

/** What no judgement stands on: how things are shown, and the next number, which is given away apart. */
const isAside = ({ entity, field }: Change): boolean =>
  entity === 'view' || entity === 'look' || entity === 'preference' || (entity === 'project' && field === 'nextNumber')

/** The item that a change puts another inside of. */
function parentIn(change: Change): string | null {
  if (change.entity !== 'item' || isSetChange(change)) return null
  if (change.field === '*') return (change.after as Item | null)?.parent ?? null
  return change.field === 'parent' ? (change.after as string | null) : null
}

/** The item that a change makes. */
export const madeIn = (change: Change): Item | null =>
  change.entity === 'item' && change.field === '*' && !isSetChange(change) ? (change.after as Item | null) : null

/** What others change while a large command is judged: whether the outcome still stands afterwards. */
export class Meanwhile {
  readonly #items = new Set<string>()
  /** Numbers that items were given, by project. */
  readonly #numbers = new Map<string, Set<number>>()
  #isSetUp = false

  get isQuiet(): boolean {
    return !this.#isSetUp && !this.#items.size
  }

  /** Others have done this. */
  add(patch: Patch): void {
    for (const change of patch) {
      for (const id of itemsOfChange(change)) this.#items.add(id)
      const made = madeIn(change)
      if (made) this.#numbers.set(made.project, (this.#numbers.get(made.project) ?? new Set()).add(made.number))
      const parent = parentIn(change)
      if (parent) this.#items.add(parent)
      this.#isSetUp ||= entityOf(change.entity).held === 'directory' && !isAside(change)
    }
  }

  /** Whether an item was given the number of this one: another server does not know which are set aside. */
  hasTaken({ project, number }: Item): boolean {
    return !!this.#numbers.get(project)?.has(number)
  }

  /** Whether anything was changed that this patch may stand on. */
  *clashesWith(patch: Patch, reader: Reader): Pieces<boolean> {
    if (this.#isSetUp) return true
    if (!this.#items.size) return false
    // A column that stops, a value that nobody else may have, a status that waits for what is inside, and a thing that
    // nothing may speak of: any item may stand against them.
    for (const { stops } of reader.all('limit')) if (stops) return true
    for (const { settings } of reader.all('field')) if (settings.unique) return true
    for (const { asks } of reader.all('step')) if (asks?.some((one) => one.asks === 'children')) return true
    const clash = yield* firstInPieces(patch, (change) => {
      if (itemsOfChange(change).some((id) => this.#items.has(id)) || this.#items.has(parentIn(change) ?? ''))
        return true
      return (entityOf(change.entity).held === 'directory' && change.field === '*' && !isSetChange(change) && !change.after) || undefined // prettier-ignore
    })
    return !!clash
  }
}
