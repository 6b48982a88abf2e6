import { foldText } from '../base/collation'
import { wentWith } from '../items/archive'
import { itemKey, type Reader } from '../model/reader'
import { noRow, type ItemTable } from '../model/item-table'
import type { Item, ItemId, KindId, PersonId, ProjectId } from '../model/records'
import { askedQuery, compared, watchedQuery } from './contract'

/** Of which project; only what has these words in its key or title, and no more than so many. */
export interface BinInput {
  readonly project: ProjectId
  readonly words: string
  readonly most: number
}
/** An item in the bin; what went there with it is not listed by itself. */
export interface BinnedItem {
  readonly id: ItemId
  readonly key: string
  readonly title: string
  readonly kind: KindId
  readonly archived: string
  /** Whoever changed it last; mostly who archived it. */
  readonly by: PersonId
  /** What it stood in. */
  readonly parent?: string
  /** How many items went with it that stand inside it. */
  readonly inside: number
}
/** The latest first. */
export interface BinAnswer {
  readonly items: readonly BinnedItem[]
  /** How many fit, listed here or not. */
  readonly fitting: number
  /** How many items are in the bin in all. */
  readonly held: number
}

/** The archived items of a project. */
export const bin = watchedQuery<BinInput, BinAnswer>(({ state }, input) => compared(() => binOf(state, input)))

/** These items, and what is in the bin with them; without any, all that is in it. */
export const binned = askedQuery<{ readonly project: ProjectId; readonly items?: readonly ItemId[] }, ItemId[]>(
  ({ state }, { project, items }) => {
    if (!items) return rowsIn(state.table(project)).map((row) => state.table(project).ids[row] as ItemId)
    const all = new Set(items)
    for (const id of items) {
      const item = state.maybe('item', id)
      if (item) for (const one of wentWith(state, item)) all.add(one.id)
    }
    return [...all]
  },
)

function rowsIn(table: ItemTable): number[] {
  const rows: number[] = []
  for (const row of table.rows()) if (!table.archived.isEmpty(row)) rows.push(row)
  return rows
}

function binOf(reader: Reader, { project, words, most }: BinInput): BinAnswer {
  const table = reader.table(project)
  const rows = rowsIn(table)
  const when = (row: number) => table.archived.get(row)
  const inside = new Map<number, number>()
  const heads = rows.filter((row) => {
    const parent = table.parent[row]!
    return parent === noRow || when(parent) !== when(row)
  })
  for (const row of rows) {
    let head = row
    for (let up = table.parent[head]!; up !== noRow && when(up) === when(row); up = table.parent[head]!) head = up
    if (head !== row) inside.set(head, (inside.get(head) ?? 0) + 1)
  }
  const asked = foldText(words).split(' ').filter(Boolean)
  const items = heads.map((row) => reader.maybe('item', table.ids[row]!)!)
  const fitting = asked.length ? items.filter((item) => hasAll(reader, item, asked)) : items
  fitting.sort((a, b) => (a.archived! < b.archived! ? 1 : a.archived! > b.archived! ? -1 : a.number - b.number))
  return {
    items: fitting.slice(0, most).map((item) => {
      const parent = item.parent && reader.maybe('item', item.parent)
      return {
        id: item.id, key: itemKey(reader, item), title: item.title, kind: item.kind, archived: item.archived!, by: item.changedBy,
        ...(parent && { parent: `${itemKey(reader, parent)} ${parent.title}` }), inside: inside.get(reader.placeOf(item.id)!.row) ?? 0,
      } // prettier-ignore
    }),
    fitting: fitting.length,
    held: rows.length,
  }
}

function hasAll(reader: Reader, item: Item, words: readonly string[]): boolean {
  const text = foldText(`${itemKey(reader, item)} ${item.title}`)
  return words.every((word) => text.includes(word))
}
