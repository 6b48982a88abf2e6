import { noNumber } from '../fields/columns/column'
import type { AutomaticFact } from './contract'

/** The number in an item's key; none until the server has given one. */
export const key: AutomaticFact = {
  name: 'key',
  label: 'key',
  kind: 'number',
  source: ({ table }) => ({ kind: 'number', at: (row) => table.number.a[row]! || noNumber }),
}
