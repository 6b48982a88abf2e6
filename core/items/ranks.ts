/** Keys of places: in the team's order, and among the items inside the same one. */
import { longestRank, rankBetween, ranksBetween } from '../base/ranks'
import { must } from '../base/result'
import type { Change } from '../change/patch'
import { noRow, type ItemTable } from '../model/item-table'
import type { Reader } from '../model/reader'
import type { ItemId, ProjectId } from '../model/records'
import { changeOf } from './changes'
import type { Place } from './place'

/** Keys for items that come to stand somewhere, and the changes that make room there. */
export interface Placed {
  readonly ranks: readonly string[]
  /** Where keys have grown past 40 characters the 100 neighbours on either side are respaced. */
  readonly spread: readonly Change[]
}
/** Rows in an order that keys say. */
interface Line {
  readonly table: ItemTable
  readonly key: 'rank' | 'siblingRank'
  readonly rows: Int32Array
  /** Where a row stands in it; -1: nowhere. */
  placeOf(row: number): number
}

/** Keys for `n` items at a place in the project's order. */
export function ranksAt(
  reader: Reader,
  project: ProjectId,
  place: Place | undefined,
  n: number,
  moving: ReadonlySet<string>,
): Placed {
  const table = reader.table(project)
  const { order, n: count } = table.rank.ordering
  const placeOf = (row: number) => table.rank.ordering.placeOf(row)
  return placedIn({ table, key: 'rank', rows: order.subarray(0, count), placeOf }, place, n, moving)
}

/** Keys for `n` items at a place among those inside the same one; null: at the top. */
export function siblingRanksAt(
  reader: Reader,
  project: ProjectId,
  parent: ItemId | null,
  place: Place | undefined,
  n: number,
  moving: ReadonlySet<string>,
): Placed {
  const table = reader.table(project)
  const { ordering } = table.siblingRank
  const rows = Int32Array.from(childrenOf(table, parent)).sort(ordering.compare)
  return placedIn({ table, key: 'siblingRank', rows, placeOf: (row) => rows.indexOf(row) }, place, n, moving)
}

/** The last key inside an item, or at the top. */
export function lastSiblingRank(reader: Reader, project: ProjectId, parent: ItemId | null): string | undefined {
  const table = reader.table(project)
  let last: string | undefined
  for (const row of childrenOf(table, parent)) {
    const rank = table.siblingRank.a[row]!
    if (last === undefined || rank > last) last = rank
  }
  return last
}

function* childrenOf(table: ItemTable, parent: ItemId | null): Iterable<number> {
  const at = parent ? table.maybeRow(parent) : noRow
  if (at === undefined) return
  if (at !== noRow) return yield* table.childrenOf(at)
  for (const row of table.rows()) if (table.parent[row] === noRow) yield row
}

function placedIn(line: Line, place: Place | undefined, n: number, moving: ReadonlySet<string>): Placed {
  const { before, after, at } = neighbours(line, place, moving)
  const ranks = n === 1 ? [rankBetween(before, after)] : ranksBetween(before, after, n)
  return ranks.every((rank) => rank.length <= longestRank) ? { ranks, spread: [] } : spreadAround(line, at, n, moving)
}

const keyAt = ({ table, key, rows }: Line, at: number): string => table[key].a[rows[at]!]!

/** The keys between which a place lies. No place, or its item not there: the end. */
function neighbours(line: Line, place: Place | undefined, moving: ReadonlySet<string>) {
  const { table, rows } = line
  const n = rows.length
  const anchorId = place && ('before' in place ? place.before : place.after)
  const anchor = anchorId ? table.maybeRow(anchorId) : undefined
  const step = (from: number, way: 1 | -1, isIn: (at: number) => boolean): number => {
    let at = from
    while (at >= 0 && at < n && !isIn(at)) at += way
    return at
  }
  const stays = (at: number) => !moving.has(table.ids[rows[at]!]!)
  const found = anchor === undefined ? -1 : line.placeOf(anchor)
  // The place of what will stand after; the end where there is no anchor.
  const anchorAt = found < 0 ? n : found
  const isBefore = !!place && 'before' in place && found >= 0
  const beforeAt = isBefore || found < 0 ? step(anchorAt - 1, -1, stays) : anchorAt
  const before = beforeAt >= 0 ? keyAt(line, beforeAt) : undefined
  let afterAt = isBefore || found < 0 ? anchorAt : step(anchorAt + 1, 1, stays)
  // Two items that two people put at the same place at once share a key: there is none between them.
  if (before !== undefined)
    afterAt = step(afterAt, 1, (at) => keyAt(line, at) > before && (at === anchorAt || stays(at)))
  return { before, after: afterAt < n ? keyAt(line, afterAt) : undefined, at: beforeAt + 1 }
}

function spreadAround(line: Line, at: number, n: number, moving: ReadonlySet<string>): Placed {
  const { table, key, rows } = line
  const stays = (row: number) => !moving.has(table.ids[row]!)
  const [before, after] = [rows.subarray(0, at).filter(stays), rows.subarray(at).filter(stays)]
  const [left, right] = [before.subarray(-100), after.subarray(0, 100)]
  const outer = [before[before.length - left.length - 1], after[right.length]]
  const [from, to] = outer.map((row) => (row === undefined ? undefined : table[key].a[row]!))
  const fresh = ranksBetween(from, to, left.length + n + right.length)
  const spread = [...left, ...right].flatMap((row, i) => {
    const rank = must(fresh[i < left.length ? i : i + n], 'rank')
    return changeOf({ id: table.ids[row] as ItemId }, key, table[key].a[row], rank)
  })
  return { ranks: fresh.slice(left.length, left.length + n), spread }
}
