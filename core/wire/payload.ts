import { CodeColumn } from '../fields/columns/codes'
import type { Value } from '../fields/contract'
import { ItemTable } from '../model/item-table'
import { itemColumns, type Item, type ItemColumn, type ProjectId } from '../model/records'

type PayloadColumn = Exclude<ItemColumn, 'project'>
const payloadColumns = itemColumns.filter((name): name is PayloadColumn => name !== 'project')

/**
 * A project's items by columns, in the team's order: one list per column, ids of people, kinds and statuses once in
 * `words` with their place in the lists, instants in milliseconds, values per field with null where they are empty.
 * Short facts only.
 */
export interface Payload {
  readonly sequence: number
  readonly project: ProjectId
  readonly ids: readonly string[]
  readonly words: readonly string[]
  readonly columns: Readonly<Record<PayloadColumn, readonly Value[]>>
  readonly values: Readonly<Record<string, readonly Value[]>>
}

/** The items of a project as they cross, as of a sequence number. */
export function toPayload(table: ItemTable, sequence: number): Payload {
  // In their order, so that whoever reads them has little to sort.
  const rows = Array.from(table.rank.ordering.order.subarray(0, table.rank.ordering.n))
  const words = new Map<string, number>()
  const place = (word: string) => words.get(word) ?? (words.set(word, words.size), words.size - 1)
  const columns = Object.fromEntries(
    payloadColumns.map((name): [string, Value[]] => {
      if (name === 'parent') return [name, rows.map((row) => table.parentOf(row))]
      const column = table.fixed(name)
      return [
        name,
        rows.map(
          column instanceof CodeColumn ? (row) => place(String(column.get(row))) : (column.compact ?? column.get),
        ),
      ]
    }),
  ) as unknown as Payload['columns']
  const filled = [...table.values].filter(([, column]) => rows.some((row) => !column.isEmpty(row)))
  return {
    sequence,
    project: table.project,
    ids: rows.map((row) => table.ids[row]!),
    words: [...words.keys()],
    columns,
    values: Object.fromEntries(filled.map(([field, column]) => [field, rows.map(column.get)])),
  }
}

/** Puts a payload's items into the table of their project, which has none of them yet. */
export function readPayload(table: ItemTable, { ids, words, columns, values }: Payload): void {
  const from = table.n
  table.reserve(ids.length)
  const rows = ids.map((id) => table.add(id))
  for (const name of payloadColumns) {
    const column = name === 'parent' ? undefined : table.fixed(name)
    const list = columns[name]
    if (column instanceof CodeColumn) rows.forEach((row, i) => column.set(row, words[Number(list[i])] ?? null))
    else if (column) rows.forEach((row, i) => column.set(row, list[i] ?? null))
    else rows.forEach((row, i) => table.setParent(row, list[i] as string | null))
  }
  for (const [field, list] of Object.entries(values)) {
    const column = table.column(field)
    rows.forEach((row, i) => column.set(row, list[i] ?? null))
  }
  table.settle(from)
}

/** The items themselves, values as they crossed. */
export function itemsIn(payload: Payload): Item[] {
  const table = new ItemTable(payload.project, () => undefined)
  readPayload(table, payload)
  return Array.from(table.rows(), (row) => table.at(row))
}
