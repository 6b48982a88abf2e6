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

/** From the deepest level up: whatever is inside stands after what it is inside of, and what is in nothing first. */
function addUp(parentAt: Int32Array, sums: Float64Array): void {
  let k = parentAt.length - 1
  for (; k >= 3 && parentAt[k - 3]! >= 0; k -= 4) {
    sums[parentAt[k]!]! += sums[k]!
    sums[parentAt[k - 1]!]! += sums[k - 1]!
    sums[parentAt[k - 2]!]! += sums[k - 2]!
    sums[parentAt[k - 3]!]! += sums[k - 3]!
  }
  for (; k >= 0 && parentAt[k]! >= 0; k--) sums[parentAt[k]!]! += sums[k]!
}
function spread(order: Int32Array, sums: Float64Array, byRow: Float64Array): void {
  const n = order.length
  let k = 0
  for (const fours = n & ~3; k < fours; k += 4) {
    byRow[order[k]!] = sums[k]!
    byRow[order[k + 1]!] = sums[k + 1]!
    byRow[order[k + 2]!] = sums[k + 2]!
    byRow[order[k + 3]!] = sums[k + 3]!
  }
  for (; k < n; k++) byRow[order[k]!] = sums[k]!
}
