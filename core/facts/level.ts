import { noRow, type ItemTable } from '../model/item-table'
import type { AutomaticFact } from './contract'

/** How many parents are above the row: 0 at the top. Stops at a loop, which stored data does not have. */
export function levelAt({ parent, n }: ItemTable, row: number): number {
  let level = 0
  for (let at = parent[row]!; at !== noRow && level < n; at = parent[at]!) level++
  return level
}

/** How deep in the hierarchy the item is; 0 at the top. */
export const level: AutomaticFact = {
  name: 'level',
  label: 'level',
  kind: 'number',
  source: ({ table }) => ({ kind: 'number', at: (row) => levelAt(table, row) }),
  kin: { above: true },
}
