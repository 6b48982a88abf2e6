import { itemColumns, type Item, type ItemColumn } from '../model/records'
import type { Value } from '../fields/contract'

/**
 * A project's items by columns: one list per column, ids of people, kinds and statuses once in `words` with their
 * place in the lists, values per field with null where they are empty. Short facts only.
 */
export interface Payload {
  readonly sequence: number
  readonly ids: readonly string[]
  readonly words: readonly string[]
  readonly columns: Readonly<Record<ItemColumn, readonly (string | number | null)[]>>
  readonly values: Readonly<Record<string, readonly Value[]>>
}

/** Columns that hold few different texts, sent as places in `words`. */
const indexed: ReadonlySet<ItemColumn> = new Set(['project', 'kind', 'status', 'createdBy', 'changedBy'])

export function toPayload(items: Iterable<Item>, sequence: number): Payload {
  const list = [...items]
  const words = new Map<string, number>()
  const place = (word: string) => words.get(word) ?? (words.set(word, words.size), words.size - 1)
  const columns = Object.fromEntries(
    itemColumns.map((name) => [name, list.map((item) => (indexed.has(name) ? place(String(item[name])) : item[name]))]),
  ) as unknown as Payload['columns']
  const values: Record<string, Value[]> = {}
  list.forEach((item, i) => {
    for (const [field, value] of Object.entries(item.values))
      (values[field] ??= new Array<Value>(list.length).fill(null))[i] = value
  })
  return { sequence, ids: list.map((item) => item.id), words: [...words.keys()], columns, values }
}

export function fromPayload(payload: Payload): Item[] {
  const fields = Object.entries(payload.values)
  return payload.ids.map((id, i) => {
    const record: Record<string, unknown> = { id }
    for (const name of itemColumns) {
      const value = payload.columns[name][i]
      record[name] = indexed.has(name) ? payload.words[Number(value)] : value
    }
    const values: Record<string, Value> = {}
    for (const [field, column] of fields) {
      const value = column[i]
      if (value !== null && value !== undefined) values[field] = value
    }
    record.values = values
    return record as unknown as Item
  })
}
