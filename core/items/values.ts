import { problem, type Problem } from '../base/result'
import { isEmptyValue, type Value } from '../fields/contract'
import { makes, type Change } from '../change/patch'
import { fieldTypes } from '../fields/registry'
import { idsOf } from '../fields/value'
import { fieldContext, type Reader } from '../model/reader'
import { linkBetween } from '../model/links'
import type { Field, Item, ItemId, ProjectId } from '../model/records'

/** Undefined where the value may stand in the field. Empty is always allowed. */
export function checkValue(
  reader: Reader,
  field: Field | undefined,
  value: Value,
  project: ProjectId,
): Problem | undefined {
  if (!field || field.archived || field.project !== project) return problem('unknown-field')
  if (isEmptyValue(value)) return undefined
  const wrong = fieldTypes[field.type].check(value, fieldContext(reader, field))
  return wrong && { ...wrong, said: { ...wrong.said, field: field.name } }
}

/** Undefined where no other item of the project holds the value in a field that must be unique. */
export function checkUnique(reader: Reader, field: Field, value: Value, item: ItemId): Problem | undefined {
  if (!field.settings.unique || isEmptyValue(value)) return undefined
  const table = reader.table(field.project)
  const column = table.column(field.id)
  for (const row of table.rows())
    if (!column.isEmpty(row) && table.ids[row] !== item && column.get(row) === value)
      return problem('not-unique', { field: field.name, value: String(value) }, [
        { item: table.ids[row]!, field: field.id },
      ])
  return undefined
}

/** The value as it is stored: lists sorted and without doubles, emptiness as null. */
export function normalised(value: Value): Value {
  if (Array.isArray(value)) return value.length ? [...new Set(value)].sort() : null
  return isEmptyValue(value) || value === false ? null : value
}

/** What an item holds in a field of several: what it is linked to, where the values are links. */
export function severalIn(
  reader: Reader,
  item: Pick<Item, 'id' | 'project' | 'values'>,
  field: Field,
): readonly string[] {
  if (!fieldTypes[field.type].isLinked) return idsOf(item.values[field.id])
  const place = reader.placeOf(item.id)
  return idsOf(place?.table.linkColumn(field.id).get(place.row))
}

/** The links that make an item hold others in a field, and no longer hold some. */
export const linkChanges = (
  field: Field,
  item: ItemId,
  added: readonly string[],
  removed: readonly string[] = [],
): Change[] => [
  ...removed.map((id): Change => {
    const link = linkBetween(field, item, id as ItemId)
    return { entity: 'link', id: link.id, field: '*', before: link, after: null }
  }),
  ...added.map((id) => makes('link', linkBetween(field, item, id as ItemId))),
]
