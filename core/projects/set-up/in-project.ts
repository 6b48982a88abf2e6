import type { Context } from '../../change/command'
import type { Change } from '../../change/patch'
import { changeOf, stamp } from '../../items/changes'
import type { Reader } from '../../model/reader'
import type { Value } from '../../fields/value'
import type { EntityName, Item, ProjectId } from '../../model/records'

/** Takes a record out of use: history, and what is undone later, still find it. */
export const archivedNow = (entity: EntityName, record: { readonly id: string }): Change => ({
  entity, id: record.id, field: 'archived', before: false, after: true,
}) // prettier-ignore

/** Every item of a project that has something, archived ones among them. */
export const itemsWith = (reader: Reader, project: ProjectId, has: (item: Item) => boolean): Item[] =>
  [...reader.itemsOf(project)].filter(has)

/** Another value in a field of each item, stamped; nothing where it is the same. */
export const revalued = (items: readonly Item[], field: string, to: (item: Item) => Value, context: Context) =>
  items.flatMap((item): Change[] => {
    const change = changeOf(item, field, item.values[field], to(item))
    return change.length ? [...change, ...stamp(item, context)] : []
  })
