/** A view's items as they stand inside one another. */
import { noRow, type ItemTable } from '../model/item-table'
import { tallyInto } from './evaluate'
import type { LiveView } from './live'
import { compareBy, mergedRows } from './sort'
import { Tally, totalsOf, type TotalValues } from './totals'

/** Rows with what is inside each right after it; siblings are in the view's order. */
export interface Tree {
  readonly table: ItemTable
  readonly order: Int32Array
  /** By place in `order`: how deep the row stands; 0: at the top. */
  readonly level: Uint8Array
  /** By place in `order`: the place after the last of what is inside the row. */
  readonly end: Int32Array
  /** By row: 1, where it is in the view; else it stands there because of what is inside it. */
  readonly isIn: Uint8Array
  /** By place in `order`, and by row: the sibling before it, and the one after it; `noRow`: there is none. */
  readonly previous: Int32Array
  readonly next: Int32Array
}

/** What is deeper counts as so deep. */
const deepest = 255
const known = new WeakMap<object, Tree>()

/** The tree of a view that is not grouped, for as long as nothing in it has changed. */
export function treeOf(live: LiveView): Tree {
  // Groups are handed out anew whenever anything has changed.
  const { groups } = live
  const before = known.get(groups)
  if (before) return before
  const tree = madeOf(live)
  known.set(groups, tree)
  return tree
}

/** The same, worked out whatever is known already. */
export function madeOf(live: LiveView): Tree {
  const { table } = live.plan.context
  const { n } = table
  const rows = live.inOrder()
  const isWhole = rows.length === table.listedCount
  const isIn = isWhole ? table.listed.slice(0, n) : new Uint8Array(n)
  if (!isWhole) for (const row of rows) isIn[row] = 1
  // Where all are in the view, all that is around them is.
  const above = isWhole ? rows.subarray(0, 0) : aboveOf(table, rows, isIn)
  const { order } = live.plan
  const all = above.length
    ? mergedRows(
        order,
        rows,
        above.sort((a, b) => compareBy(order, a, b)),
      )
    : rows
  const { first, next, roots } = inside(table, all)
  return { table, isIn, next, ...walked(table, all.length, first, next, roots) }
}

/** The nearest that is there and around a row: what is archived holds nothing together. */
function around(table: ItemTable, row: number): number {
  let at = table.parent[row]!
  while (at !== noRow && !table.listed[at]) at = table.parent[at]!
  return at
}

/** Those around the rows that are not among them. */
function aboveOf(table: ItemTable, rows: Int32Array, isIn: Uint8Array): Int32Array {
  const found: number[] = []
  const seen = new Uint8Array(table.n)
  for (const row of rows)
    for (let at = around(table, row); at !== noRow && !isIn[at] && !seen[at]; at = around(table, at)) {
      seen[at] = 1
      found.push(at)
    }
  return Int32Array.from(found)
}

/** Linked lists of what is inside each row and at the top, in the order of `all`. */
function inside(table: ItemTable, all: Int32Array) {
  const { parent, listed } = table
  const isAllListed = table.listedCount === table.size
  const first = table.scratch.int32('first inside', table.n).fill(noRow)
  // Of rows that are not among these nothing is read.
  const next = new Int32Array(table.n)
  let roots = noRow
  for (let k = all.length - 1; k >= 0; k--) {
    const row = all[k]!
    const direct = parent[row]!
    const above = isAllListed || direct === noRow || listed[direct] ? direct : around(table, row)
    if (above === noRow) {
      next[row] = roots
      roots = row
    } else {
      next[row] = first[above]!
      first[above] = row
    }
  }
  return { first, next, roots }
}

function walked(table: ItemTable, n: number, first: Int32Array, next: Int32Array, roots: number) {
  const order = new Int32Array(n)
  const previous = new Int32Array(n)
  const level = new Uint8Array(n)
  const end = new Int32Array(n)
  // The places of what a row stands in, outermost first.
  const open = table.scratch.int32('open places', n)
  let [k, depth, before] = [0, 0, noRow]
  for (let row = roots; row !== noRow;) {
    order[k] = row
    previous[k] = before
    level[k] = depth < deepest ? depth : deepest
    end[k] = ++k
    const child = first[row]!
    if (child !== noRow) {
      open[depth++] = k - 1
      before = noRow
      row = child
      continue
    }
    before = row
    while (next[before] === noRow && depth) {
      const place = open[--depth]!
      end[place] = k
      before = order[place]!
    }
    row = next[before]!
  }
  return { order, level, end, previous }
}

/** Where in the tree the lines are that are seen, when what is inside a row is seen where `isOpen` says so. */
export function seen(
  { order, level, end, isIn }: Tree,
  isOpen: (row: number, level: number, isIn: boolean) => boolean,
): Int32Array {
  const n = order.length
  const places = new Int32Array(n)
  let m = 0
  for (let k = 0; k < n;) {
    places[m++] = k
    const after = end[k]!
    k = after === k + 1 || isOpen(order[k]!, level[k]!, !!isIn[order[k]!]) ? k + 1 : after
  }
  return places.slice(0, m)
}

/** What a row and all that is inside it come to, as far as they are in the view. */
export interface Inside {
  readonly items: number
  /** Of the view's totals in turn. */
  readonly totals: TotalValues
}
/** By tree, what has been asked of places in it: a page that scrolls asks the same again. */
const asked = new WeakMap<Tree, Map<number, Inside>>()

/** What the row at a place and all that is inside it come to. */
export function insideOf(live: LiveView, tree: Tree, place: number): Inside {
  const all = asked.get(tree) ?? new Map<number, Inside>()
  asked.set(tree, all)
  const before = all.get(place)
  if (before) return before
  const { totals } = live.plan
  const rows = tree.order.subarray(place, tree.end[place]).filter((row) => tree.isIn[row])
  const tally = new Tally(totals.facts.length)
  tallyInto(totals, rows, tally)
  const now = { items: rows.length, totals: totalsOf(totals, tally, live.overall, () => rows) }
  all.set(place, now)
  return now
}
