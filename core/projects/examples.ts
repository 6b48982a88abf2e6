import { must } from '../base/result'
import type { NewId } from '../base/ids'
import { fieldTypes, isInItem } from '../fields/registry'
import type { Value } from '../fields/value'
import type { NewItem } from '../items/add'
import { compareSiblings } from '../model/reader'
import type { Field, Item, ItemId } from '../model/records'
import type { Alike } from './like-another'

/** So many items go along with a project at most. */
export const mostExamples = 1000

/** Whether an example keeps what an item holds in a field: not who, when and what for, nor what stands elsewhere. */
function isKept(field: Field): boolean {
  const { kind, isApart, isOwn, choices } = fieldTypes[field.type]
  return isInItem(field) && !isApart && choices !== 'people' && !isOwn && kind !== 'day' && kind !== 'instant' // prettier-ignore
}

/**
 * Items of a project as they begin in one that is set up alike: with their titles, kinds, what is inside what, and values
 * that are neither people nor days; each in the first status of its kind. `items`: parents before what is inside them.
 */
export function examplesFor(
  { body, map }: Alike,
  fields: readonly Field[],
  items: readonly Item[],
  newId: NewId,
): NewItem[] {
  const kept = fields.filter(isKept).map(({ id }) => id as string)
  const ids = new Map<string, ItemId>(items.map(({ id }) => [id, newId() as ItemId]))
  const mapValue = (value: Value): Value =>
    typeof value === 'string' ? map(value) : Array.isArray(value) ? (value as string[]).map((one) => map(one)) : value
  return items.slice(0, mostExamples).flatMap((item) => {
    const kind = body.kinds.find(({ id }) => id === map(item.kind))
    const start = kind && body.workflows.find(({ id }) => id === kind.workflow)?.start
    if (!kind || !start) return []
    return {
      item: must(ids.get(item.id), 'item'),
      project: body.project.id,
      kind: kind.id,
      title: item.title,
      status: start,
      parent: (item.parent && ids.get(item.parent)) ?? null,
      values: Object.fromEntries(Object.entries(item.values).filter(([field]) => kept.includes(field)).map(([field, value]) => [map(field), mapValue(value)])), // prettier-ignore
    }
  })
}

/** Some items with all that is inside them, parents first and siblings in their order. */
export function withInside(all: readonly Item[], chosen: ReadonlySet<string>): Item[] {
  const inside = new Map<string | null, Item[]>()
  for (const item of all) {
    if (item.archived) continue
    const others = inside.get(item.parent)
    if (others) others.push(item)
    else inside.set(item.parent, [item])
  }
  const below = (parent: string | null, isIn: boolean): [Item, boolean][] =>
    [...(inside.get(parent) ?? [])]
      .sort((a, b) => compareSiblings(b, a))
      .map((item) => [item, isIn || chosen.has(item.id)])
  const found: Item[] = []
  // The first of them last, so that it is taken first.
  const left = below(null, false)
  for (let next = left.pop(); next; next = left.pop()) {
    const [item, isIn] = next
    if (isIn) found.push(item)
    left.push(...below(item.id, isIn))
  }
  return found
}
