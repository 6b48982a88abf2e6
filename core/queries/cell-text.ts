import { fieldTypes, shownType } from '../fields/registry'
import { fieldContext, itemKey, type Reader } from '../model/reader'
import type { FieldContext } from '../fields/contract'
import type { Field, Item } from '../model/records'

/** What every item has, by the name of its column. */
export const ownCell = (reader: Reader, item: Item, column: string): string | undefined => {
  if (column === 'key') return itemKey(reader, item)
  if (column === 'title') return item.title
  return column === 'kind' || column === 'status' ? (reader.maybe(column, item[column])?.name ?? '') : undefined
}

/** What an item has in a field, so that it is read back as the same; of long texts nothing: their words are the server's. */
export function fieldCell(
  reader: Reader,
  item: Item,
  field: Field,
  context: FieldContext = fieldContext(reader, field),
): string {
  const value = item.values[field.id]
  const type = fieldTypes[shownType(field)]
  return value === undefined || value === null || type.isApart ? '' : type.print(value, context)
}
