import { CodeColumn } from '../fields/columns/codes'
import type { Value } from '../fields/contract'
import { linkOf } from '../model/links'
import type { Reader } from '../model/reader'
import { itemColumns, type FieldId, type Item, type ItemColumn, type ItemId, type ProjectId } from '../model/records'
import { State } from '../model/state'

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
  /** The field of each link and its ends, as places in `ids`. */
  readonly links: readonly (readonly [field: string, from: number, to: number])[]
}

/** The items of a project as they cross, as of a sequence number. */
export function toPayload(reader: Reader, project: ProjectId, sequence: number): Payload {
  const table = reader.table(project)
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
    project,
    ids: rows.map((row) => table.ids[row]!),
    words: [...words.keys()],
    columns,
    values: Object.fromEntries(filled.map(([field, column]) => [field, rows.map(column.get)])),
    links: linksIn(reader, project, new Map(rows.map((row, i) => [table.ids[row]!, i]))),
  }
}

function linksIn(reader: Reader, project: ProjectId, places: ReadonlyMap<string, number>): Payload['links'] {
  const links: [string, number, number][] = []
  for (const { field, from, to } of reader.all('link'))
    if (reader.maybe('field', field)?.project === project) links.push([field, places.get(from)!, places.get(to)!])
  return links
}

/** Puts a payload's items and their links into a state, which has the project and none of them yet. */
export function readPayload(state: State, { project, ids, words, columns, values, links }: Payload): void {
  const table = state.table(project)
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
  for (const [field, at, to] of links) {
    const link = linkOf(field as FieldId, ids[at] as ItemId, ids[to] as ItemId)
    state.put('link', link.id, link)
  }
}

/** The items themselves, values as they crossed. */
export function itemsIn(payload: Payload): Item[] {
  const state = new State()
  readPayload(state, payload)
  const table = state.table(payload.project)
  return Array.from(table.rows(), (row) => table.at(row))
}
