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
    addAbove(k, parentAt, sums)
    addAbove(k - 1, parentAt, sums)
    addAbove(k - 2, parentAt, sums)
    addAbove(k - 3, parentAt, sums)
  }
  for (; k >= 0 && parentAt[k]! >= 0; k--) addAbove(k, parentAt, sums)
}
function addAbove(k: number, parentAt: Int32Array, sums: Float64Array): void {
  sums[parentAt[k]!]! += sums[k]!
}
function spread(order: Int32Array, sums: Float64Array, byRow: Float64Array): void {
  const n = order.length
  let k = 0
  for (const fours = n & ~3; k < fours; k += 4) {
    spreadAt(k, order, sums, byRow)
    spreadAt(k + 1, order, sums, byRow)
    spreadAt(k + 2, order, sums, byRow)
    spreadAt(k + 3, order, sums, byRow)
  }
  for (; k < n; k++) spreadAt(k, order, sums, byRow)
}
function spreadAt(k: number, order: Int32Array, sums: Float64Array, byRow: Float64Array): void {
  byRow[order[k]!] = sums[k]!
}
