/** Totals over items: exact sums of whole numbers, and honest about what is empty. */
import { noDay } from '../fields/columns/column'
import type { Total } from '../model/records'
import type { ViewContext } from '../facts/contract'
import { factKey, maybeFact } from '../facts/registry'
import type { Source } from '../fields/source'
import type { Scratch } from '../model/scratch'

/** What a group adds up to, in the order of the view's totals; null: there is nothing to total. */
export type TotalValues = readonly (number | null)[]

/** What is added up of one fact. */
export interface Summed {
  /** The number that a row adds, NaN where it has none; 1 for what is filled and no number. */
  at(row: number): number
  /** A column of whole numbers: a loop of its own. */
  readonly column?: { readonly a: Float64Array }
}

/** The totals of a view, compiled. */
export interface TotalsPlan {
  readonly totals: readonly Total[]
  /** Each fact that is totalled, once. */
  readonly facts: readonly Summed[]
  /** By total: its fact in `facts`; -1 for a count, or for a fact that is not there (any more). */
  readonly factOf: readonly number[]
  /** Told apart by these, where distinct values are counted. */
  readonly apart: readonly ((row: number) => readonly (string | number)[])[]
}

/** Items and what they add up to, fact by fact. */
export class Tally {
  n = 0
  readonly filled: number[] = []
  readonly sum: number[] = []
  constructor(facts: number) {
    for (let f = 0; f < facts; f++) {
      this.filled.push(0)
      this.sum.push(0)
    }
  }
  /** Takes `x` of a fact in or, with `times` -1, out. */
  add(fact: number, x: number, times: 1 | -1): void {
    if (x !== x) return
    this.filled[fact]! += times
    this.sum[fact]! += times * x
  }
  addAll(other: Tally): void {
    this.n += other.n
    for (let f = 0; f < this.sum.length; f++) {
      this.filled[f]! += other.filled[f]!
      this.sum[f]! += other.sum[f]!
    }
  }
}

/** Totals made ready to be added up. */
export function planTotals(context: ViewContext, totals: readonly Total[]): TotalsPlan {
  const facts: Summed[] = []
  const apart: TotalsPlan['apart'][number][] = []
  const known = new Map<string, number>()
  const factOf = totals.map(({ of }) => {
    if (of === undefined) return -1
    const key = factKey(of)
    const source = known.has(key) ? undefined : maybeFact(context.reader, context.project, of)?.source(context)
    if (source) {
      known.set(key, facts.push(summed(source)) - 1)
      apart.push(valuesOf(source))
    }
    return known.get(key) ?? -1
  })
  return { totals, facts, factOf, apart }
}

function summed(source: Source): Summed {
  switch (source.kind) {
    case 'number':
      return { at: source.at, ...(source.column && { column: source.column }) }
    case 'day':
      return { at: (row) => (source.column.a[row] === noDay ? Number.NaN : source.column.a[row]!) }
    case 'instant':
      return { at: (row) => source.column.a[row]! }
    case 'choice':
      return { at: (row) => (source.valueOf(source.column.a[row]!) ? 1 : Number.NaN) }
    case 'choices':
      return { at: (row) => (source.valuesAt(row).length ? 1 : Number.NaN) }
    case 'text':
      return { at: (row) => (source.column.isEmpty(row) ? Number.NaN : 1) }
    case 'flag':
      return { at: (row) => (source.isSet(row) ? 1 : Number.NaN) }
  }
}

function valuesOf(source: Source): (row: number) => readonly (string | number)[] {
  const some = (value: string | number | null | undefined) =>
    value === null || value === undefined || value === '' ? [] : [value]
  switch (source.kind) {
    case 'choice':
      return (row) => some(source.valueOf(source.column.a[row]!))
    case 'choices':
      return source.valuesAt
    case 'text':
      return (row) => some(source.column.a[row])
    default: {
      const { at } = summed(source)
      return (row) => (Number.isNaN(at(row)) ? [] : [at(row)])
    }
  }
}

/** The rows of a view with the group of each. */
export interface Grouped {
  /** By place in the rows. */
  readonly groups: Uint16Array
  /** How many groups there can be. */
  readonly size: number
  /** The rows are all there are: `rows[k]` is `k`. */
  readonly isWhole: boolean
}

/** Adds up rows by their group; undefined where a group has no items. */
export function tallyBy(
  { facts }: TotalsPlan,
  rows: Int32Array,
  { groups, size, isWhole }: Grouped,
  scratch: Scratch,
): (Tally | undefined)[] {
  const m = rows.length
  // By group twice: what is filled, what is empty. Without a branch, and what empties add up to is not looked at.
  const counts = scratch.int32('counts', size * 2)
  const sums = scratch.float64('sums', size * 2)
  counts.fill(0, 0, size * 2)
  if (!facts.length) countBy(groups, m, counts)
  const tallies: (Tally | undefined)[] = new Array<undefined>(size)
  for (let f = 0; f < Math.max(1, facts.length); f++) {
    const { column, at } = facts[f] ?? {}
    sums.fill(0, 0, size * 2)
    if (f) counts.fill(0, 0, size * 2)
    // Counted while a column is added up: most of the time goes into walking the rows.
    if (column && isWhole) countAndAddAll(column.a, groups, m, counts, sums)
    else if (column) countAndAdd(column.a, rows, groups, m, counts, sums)
    else if (at) countAndAddEach(at, rows, groups, m, counts, sums)
    for (let g = 0; g < size; g++) {
      const [filled, empty] = [counts[g * 2]!, counts[g * 2 + 1]!]
      if (!filled && !empty) continue
      const tally = (tallies[g] ??= new Tally(facts.length))
      tally.n = filled + empty
      if (!at) continue
      tally.filled[f] = filled
      tally.sum[f] = sums[g * 2]!
    }
  }
  return tallies
}
function countBy(groups: Uint16Array, m: number, counts: Int32Array): void {
  for (let k = 0; k < m; k++) counts[groups[k]! * 2]!++
}
function countAndAdd(
  a: Float64Array,
  rows: Int32Array,
  groups: Uint16Array,
  m: number,
  counts: Int32Array,
  sums: Float64Array,
): void {
  let k = 0
  for (const fours = m & ~3; k < fours; k += 4) {
    addAt(a, rows, groups, k, counts, sums)
    addAt(a, rows, groups, k + 1, counts, sums)
    addAt(a, rows, groups, k + 2, counts, sums)
    addAt(a, rows, groups, k + 3, counts, sums)
  }
  for (; k < m; k++) addAt(a, rows, groups, k, counts, sums)
}
function countAndAddAll(a: Float64Array, groups: Uint16Array, m: number, counts: Int32Array, sums: Float64Array): void {
  let k = 0
  for (const fours = m & ~3; k < fours; k += 4) {
    addRow(a, groups, k, counts, sums)
    addRow(a, groups, k + 1, counts, sums)
    addRow(a, groups, k + 2, counts, sums)
    addRow(a, groups, k + 3, counts, sums)
  }
  for (; k < m; k++) addRow(a, groups, k, counts, sums)
}
function countAndAddEach(
  at: Summed['at'],
  rows: Int32Array,
  groups: Uint16Array,
  m: number,
  counts: Int32Array,
  sums: Float64Array,
): void {
  for (let k = 0; k < m; k++) addTo(at(rows[k]!), groups[k]!, counts, sums)
}
function addAt(
  a: Float64Array,
  rows: Int32Array,
  groups: Uint16Array,
  k: number,
  counts: Int32Array,
  sums: Float64Array,
): void {
  addTo(a[rows[k]!]!, groups[k]!, counts, sums)
}
function addRow(a: Float64Array, groups: Uint16Array, row: number, counts: Int32Array, sums: Float64Array): void {
  addTo(a[row]!, groups[row]!, counts, sums)
}
function addTo(x: number, group: number, counts: Int32Array, sums: Float64Array): void {
  const slot = group * 2 + Number(x !== x)
  counts[slot]!++
  sums[slot]! += x
}

/** What was worked out item by item, by total; emptied when an item of the group changes. */
export type Remembered = (number | null | undefined)[]

/** The totals of a group, or of all with `overall` itself; `rows` gives its items where a total needs them one by one. */
export function totalsOf(
  plan: TotalsPlan,
  tally: Tally,
  overall: Tally,
  rows: () => Int32Array,
  remembered: Remembered = [],
): TotalValues {
  let known: Int32Array | undefined
  const items = () => (known ??= rows())
  const once = (i: number, work: () => number | null): number | null => {
    const before = remembered[i]
    return before === undefined ? (remembered[i] = work()) : before
  }
  return plan.totals.map(({ name, of }, i) => {
    const f = plan.factOf[i]!
    if (f < 0) return of !== undefined ? null : name === 'share' ? part(tally.n, overall.n) : tally.n
    const [filled, sum] = [tally.filled[f]!, tally.sum[f]!]
    const fact = plan.facts[f]!
    switch (name) {
      case 'count':
        return tally.n
      case 'filled':
        return filled
      case 'empty':
        return tally.n - filled
      case 'sum':
        return filled ? sum : null
      case 'average':
        return filled ? sum / filled : null
      case 'share':
        return fact.column ? part(sum, overall.sum[f]!) : part(filled, tally.n)
      case 'median':
        return once(i, () => medianOf(numbers(fact, items())))
      case 'least':
      case 'most':
        return once(i, () => (filled ? extreme(fact, items(), name === 'most') : null))
      case 'distinct':
        return once(i, () => distinct(plan.apart[f]!, items()))
    }
  })
}

const part = (of: number, all: number): number | null => (all ? of / all : null)

function numbers({ at }: Summed, rows: Int32Array): Float64Array {
  return Float64Array.from(rows, at).filter((x) => x === x)
}
/** The middle one; of two, halfway. */
function medianOf(found: Float64Array): number | null {
  if (!found.length) return null
  found.sort()
  const middle = found.length >> 1
  return found.length % 2 ? found[middle]! : (found[middle - 1]! + found[middle]!) / 2
}
function extreme({ at }: Summed, rows: Int32Array, most: boolean): number {
  let found = most ? -Infinity : Infinity
  for (const row of rows) {
    const x = at(row)
    if (most ? x > found : x < found) found = x
  }
  return found
}
function distinct(valuesAt: (row: number) => readonly (string | number)[], rows: Int32Array): number {
  const found = new Set<string | number>()
  for (const row of rows) for (const value of valuesAt(row)) found.add(value)
  return found.size
}
