import { changeIds } from '../base/sorted-ids'
import { isItemColumn, type EntityName, type Item, type Records } from '../model/records'

/**
 * One change of one thing. `*` makes (before is null) or unmakes (after is null) a whole record; a field of several
 * values changes by what came in and what went out; every other field by its value before and after. Speaks of ids,
 * never of names.
 */
export type Change =
  | {
      readonly entity: EntityName
      readonly id: string
      readonly field: '*'
      readonly before: unknown
      readonly after: unknown
    }
  | {
      readonly entity: EntityName
      readonly id: string
      readonly field: string
      readonly before: unknown
      readonly after: unknown
    }
  | {
      readonly entity: EntityName
      readonly id: string
      readonly field: string
      readonly added: readonly string[]
      readonly removed: readonly string[]
    }

/** A change of the workspace as a value: it can be applied, inverted, merged, sent and stored. */
export type Patch = readonly Change[]

export const isSetChange = (change: Change): change is Extract<Change, { added: readonly string[] }> =>
  'added' in change

export const makes = <E extends EntityName>(entity: E, record: Records[E] & { readonly id: string }): Change => ({
  entity, id: record.id, field: '*', before: null, after: record,
}) // prettier-ignore

export function invertChange(change: Change): Change {
  return isSetChange(change)
    ? { ...change, added: change.removed, removed: change.added }
    : { ...change, before: change.after, after: change.before }
}

/** The patch that takes this one back. `apply(invert(p))` after `apply(p)` is where it began. */
export const invert = (patch: Patch): Patch => patch.map(invertChange).reverse()

/** Where a patch is applied. A record is replaced, never changed in place. */
export interface PatchTarget {
  maybe<E extends EntityName>(entity: E, id: string): Records[E] | undefined
  put<E extends EntityName>(entity: E, id: string, record: Records[E] | undefined): void
  /** False: this state does not hold such things (stays, long texts). */
  holds(entity: EntityName): boolean
}

/** Applies every change that the target holds. A change of a thing that is not there is passed over. */
export function applyPatch(target: PatchTarget, patch: Patch): void {
  for (const change of patch) if (target.holds(change.entity)) applyChange(target, change)
}

function applyChange(target: PatchTarget, change: Change): void {
  if (change.field === '*' && !isSetChange(change)) {
    target.put(change.entity, change.id, (change.after ?? undefined) as Records[EntityName] | undefined)
    return
  }
  const record = target.maybe(change.entity, change.id)
  if (record) target.put(change.entity, change.id, withChange(change.entity, record, change))
}

/** The record with one field changed; an item's values stand by field id, all else in the record itself. */
function withChange<R extends Records[EntityName]>(entity: EntityName, record: R, change: Change): R {
  if (entity === 'item' && !isItemColumn(change.field)) {
    const item = record as Item
    const value = isSetChange(change)
      ? changeIds(item.values[change.field] as readonly string[] | undefined, change.added, change.removed)
      : change.after
    const { [change.field]: _old, ...rest } = item.values
    const values =
      value === null || value === undefined ? rest : { ...rest, [change.field]: value as Item['values'][string] }
    return { ...item, values } as R
  }
  if (isSetChange(change)) throw new TypeError(`${entity}.${change.field} is not a set`)
  return { ...record, [change.field]: change.after }
}

/** The things that a patch touches, each once. */
export function touchedBy(patch: Patch): { entity: EntityName; id: string }[] {
  const touched = new Map<string, { entity: EntityName; id: string }>()
  for (const { entity, id } of patch) touched.set(`${entity} ${id}`, { entity, id })
  return [...touched.values()]
}

/** The items that a patch touches, each once, also by their stays and long texts. */
export function itemsTouchedBy(patch: Patch): Set<string> {
  const items = new Set<string>()
  for (const change of patch) if (change.entity === 'item') items.add(change.id)
  return items
}
