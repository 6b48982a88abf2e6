import { farEnd, shownIn } from '../model/links'
import type { Reader } from '../model/reader'
import type { Field, Item } from '../model/records'

/** What an item is linked to by a field, found by looking at every link there is. */
export function plainLinks(reader: Reader, item: Item, field: Field): string[] {
  const ids: string[] = []
  for (const link of reader.all('link')) {
    const by = reader.maybe('field', link.field)!
    if (shownIn(link, by, item.id) === field.id) ids.push(farEnd(link, item.id))
  }
  return ids.sort()
}
