/** An item again, alone or with all that is inside it. */
import type { NewId } from '../base/ids'
import { fieldTypes, isInItem } from '../fields/registry'
import { must } from '../base/result'
import type { NewItem } from '../items/add'
import { compareSiblings, fieldsOf, startOfKind, type Reader } from '../model/reader'
import type { Field, FieldId, Item, ItemId } from '../model/records'

/** What a duplicate is made of. */
export interface Duplicate {
  /** Parents before what is inside them. */
  readonly items: readonly NewItem[]
  /** Long texts that the new items have, each by the item that it stands at. */
  readonly texts: readonly { readonly item: ItemId; readonly of: ItemId; readonly field: FieldId }[]
}

/** Whether another item can hold the same: not what must be unlike any other's, nor what each gives for oneself. */
const isKept = (field: Field): boolean => {
  const type = fieldTypes[field.type]
  return isInItem(field) && !type.isOwn && !field.settings.unique
}

/**
 * The item again, right after it: with its kind and values, in the first status of its kind. Archived items inside stay
 * behind. `called`: the title of the new one.
 */
export function duplicateOf(
  reader: Reader,
  of: Item,
  withInside: boolean,
  called: (title: string) => string,
  newId: NewId,
): Duplicate {
  const kept = fieldsOf(reader, of.project).filter(isKept)
  const [items, texts]: [NewItem[], { item: ItemId; of: ItemId; field: FieldId }[]] = [[], []]
  const add = (one: Item, parent: ItemId | null): void => {
    const item = newId() as ItemId
    const values: Record<string, Item['values'][string]> = {}
    for (const { id, type } of kept) {
      if (one.values[id] === undefined) continue
      if (fieldTypes[type].isApart) texts.push({ item, of: one.id, field: id })
      else values[id] = one.values[id]
    }
    const after = one === of ? { place: { after: of.id }, beside: { after: of.id } } : {}
    const status = must(startOfKind(reader, one.kind), 'status').id
    const title = one === of ? called(one.title) : one.title
    items.push({ item, project: one.project, kind: one.kind, title, status, parent, values, ...after })
    if (!withInside) return
    const inside = [...reader.childrenOf(one.id)].filter((child) => !child.archived)
    for (const child of inside.sort(compareSiblings)) add(child, item)
  }
  add(of, of.parent)
  return { items, texts }
}
