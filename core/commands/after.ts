import { isSetChange, type Change } from '../change/patch'
import type { Lookup } from '../model/entities'
import type { Reader } from '../model/reader'
import { isItemColumn, type EntityName, type Item, type Records } from '../model/records'

/** A record that a patch touches. */
interface Touched {
  readonly entity: EntityName
  readonly id: string
  /** Undefined: the record was there before, and is. */
  made?: unknown
  unmade?: unknown
  isMadeTwice?: boolean
  /** Fields set, by name. */
  set: Map<string, unknown>
}
/** Of what is made or unmade: most of what a large patch touches. */
const nothing: Map<string, unknown> = new Map()

/** The state as it is after a patch, for as much of it as the patch touches. */
export class After implements Lookup {
  readonly touched: Touched[] = []
  readonly #byEntity = new Map<EntityName, { readonly all: Touched[]; readonly byId: Map<string, Touched> }>()

  constructor(readonly reader: Reader) {}

  add(change: Change): void {
    const one = this.#touch(change.entity, change.id)
    if (isSetChange(change) || change.field !== '*') {
      if (one.set === nothing) one.set = new Map()
      one.set.set(change.field, isSetChange(change) ? undefined : change.after)
    } else if (change.after) {
      one.isMadeTwice ||= one.made !== undefined || (change.before === null && one.set.size > 0)
      one.made = change.after
      if (change.before !== null) one.unmade = change.before
    } else one.unmade = change.before
  }

  #touch(entity: EntityName, id: string): Touched {
    const known = this.#maybe(entity, id)
    if (known) return known
    const one: Touched = { entity, id, set: nothing }
    this.touched.push(one)
    const others = this.#byEntity.get(entity) ?? { all: [], byId: new Map<string, Touched>() }
    this.#byEntity.set(entity, others)
    others.all.push(one)
    others.byId.set(id, one)
    return one
  }

  #maybe(entity: EntityName, id: string): Touched | undefined {
    return this.#byEntity.get(entity)?.byId.get(id)
  }

  of(entity: EntityName): readonly Touched[] {
    return this.#byEntity.get(entity)?.all ?? []
  }

  isGone(entity: EntityName, id: string): boolean {
    const one = this.#maybe(entity, id)
    return !!one && one.unmade !== undefined && one.made === undefined
  }

  maybe<E extends EntityName>(entity: E, id: string): Records[E] | undefined {
    const one = this.#maybe(entity, id)
    if (!one) return this.reader.maybe(entity, id)
    if (this.isGone(entity, id)) return undefined
    const base = (one.made ?? this.reader.maybe(entity, id)) as Records[E] | undefined
    return base && one.set.size ? { ...base, ...Object.fromEntries(one.set) } : base
  }

  /** One column of an item, without a copy of the item. */
  column<C extends 'parent' | 'kind' | 'status' | 'project' | 'stay'>(item: string, column: C): Item[C] | undefined {
    const one = this.#maybe('item', item)
    if (one?.set.has(column)) return one.set.get(column) as Item[C]
    if (one?.made) return (one.made as Item)[column]
    const place = this.reader.placeOf(item)
    return place && (place.table.read(place.row, column) as Item[C])
  }

  /** An item as it is after the patch, its values too. */
  item(id: string): Item | undefined {
    const item = this.maybe('item', id)
    const one = this.#maybe('item', id)
    if (!item || !one?.set.size) return item
    const values = [...one.set].filter(([field]) => !isItemColumn(field)) as [string, Item['values'][string]][]
    return values.length ? { ...item, values: { ...item.values, ...Object.fromEntries(values) } } : item
  }

  hasItem(id: string): boolean {
    if (this.isGone('item', id)) return false
    return !!this.#maybe('item', id)?.made || !!this.reader.placeOf(id)
  }
}
