import { changeIds } from '../base/sorted-ids'
import type { EntityName, Link, Records } from '../model/records'
import { idsOf } from '../fields/value'

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

/** Whether a change adds to and removes from a field of several. */
export const isSetChange = (change: Change): change is Extract<Change, { added: readonly string[] }> =>
  'added' in change

/** Names the record that a change is of; those of the same record have the same. */
export const recordKey = ({ entity, id }: Pick<Change, 'entity' | 'id'>): string =>
  entity === 'item' ? id : `${entity} ${id}`

/** The change that makes a record. */
export const makes = <E extends EntityName>(entity: E, record: Records[E] & { readonly id: string }): Change => ({
  entity, id: record.id, field: '*', before: null, after: record,
}) // prettier-ignore

/** The change that takes a change back. */
export function invertChange(change: Change): Change {
  return isSetChange(change)
    ? { ...change, added: change.removed, removed: change.added }
    : { ...change, before: change.after, after: change.before }
}

/** The patch that takes this one back. `apply(invert(p))` after `apply(p)` is where it began. */
export const invert = (patch: Patch): Patch => typesFirst(patch.map(invertChange).reverse())

const isOfType = ({ entity, field }: Change): boolean => entity === 'field' && field === 'type'
/** The same changes, those of a field's type first: what is held then belongs in a column of that type. */
export const typesFirst = (patch: Patch): Patch =>
  patch.some(isOfType) ? [...patch.filter(isOfType), ...patch.filter((change) => !isOfType(change))] : patch

/** Where a patch is applied. A record that was read before is never changed in place. */
export interface PatchTarget {
  /** What a record holds in a field, an item's values by field id. */
  read(entity: EntityName, id: string, field: string): unknown
  /** Writes one field; nothing where there is no such record. */
  set(entity: EntityName, id: string, field: string, value: unknown): void
  put<E extends EntityName>(entity: E, id: string, record: Records[E] | undefined): void
  /** False: this state does not hold such things (stays, long texts). */
  holds(entity: EntityName): boolean
}

/** Applies every change that the target holds. A change of a thing that is not there is passed over. */
export function applyPatch(target: PatchTarget, patch: Patch): void {
  for (const change of patch) applyChange(target, change)
}

/** Applies a change, where the target holds such things. */
export function applyChange(target: PatchTarget, change: Change): void {
  const { entity, id, field } = change
  if (!target.holds(entity)) return
  if (isSetChange(change)) {
    const held = idsOf(target.read(entity, id, field))
    target.set(entity, id, field, changeIds(held, change.added, change.removed))
  } else if (field === '*') target.put(entity, id, (change.after ?? undefined) as Records[EntityName] | undefined)
  else target.set(entity, id, field, change.after)
}

/** A patch with more changes than this is large: it goes in parts, and is not applied beforehand in the browser. */
export const mostChangesAtOnce = 10_000

/** The things that a patch touches, each once. */
export function touchedBy(patch: Patch): { entity: EntityName; id: string }[] {
  const touched = new Map<string, { entity: EntityName; id: string }>()
  for (const { entity, id } of patch) touched.set(`${entity} ${id}`, { entity, id })
  return [...touched.values()]
}

/** The items that a patch touches, each once. */
export function itemsTouchedBy(patch: Patch): Set<string> {
  const items = new Set<string>()
  for (const change of patch) for (const id of itemsOfChange(change)) items.add(id)
  return items
}

/** The items that a change is about: itself, or both ends of a link. */
export function itemsOfChange(change: Change): readonly string[] {
  if (change.entity === 'item') return [change.id]
  const link =
    change.entity === 'link' && !isSetChange(change) ? ((change.after ?? change.before) as Link | null) : null
  return link ? [link.from, link.to] : []
}
