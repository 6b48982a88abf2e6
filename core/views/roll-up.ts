import type { NumberColumn } from '../fields/columns/column'
import type { ItemTable, Levels } from '../model/item-table'

/** A column in the order of the hierarchy's levels, for as long as neither has changed. */
interface ByLevel {
  readonly levels: Levels
  readonly version: number
  readonly values: Float64Array
}
const known = new WeakMap<NumberColumn, ByLevel>()

/** By row, what a number adds up to over the item and all that is inside it, at every level. */
export function rollUp(table: ItemTable, column: NumberColumn): Float64Array {
  const { levels } = table
  const { values } = byLevel(levels, column)
  const sums = table.scratch.float64('sums by level', values.length)
  sums.set(values)
  addUp(levels.parentAt, sums)
  const byRow = new Float64Array(table.n)
  spread(levels.order, sums, byRow)
  return byRow
}

function byLevel(levels: Levels, column: NumberColumn): ByLevel {
  const before = known.get(column)
  if (before?.levels === levels && before.version === column.version) return before
  const values = Float64Array.from(levels.order, (row) => column.a[row]! || 0)
  const now = { levels, version: column.version, values }
  known.set(column, now)
  return now
}

/** From the deepest level up: whatever is inside stands after what it is inside of. */
function addUp(parentAt: Int32Array, sums: Float64Array): void {
  for (let k = parentAt.length - 1; k >= 0; k--) {
    const parent = parentAt[k]!
    if (parent >= 0) sums[parent]! += sums[k]!
  }
}
function spread(order: Int32Array, sums: Float64Array, byRow: Float64Array): void {
  for (let k = 0; k < order.length; k++) byRow[order[k]!] = sums[k]!
}
