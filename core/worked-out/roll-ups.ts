/** What the items inside one come to: folded item by item, or all at once. */
import { noDay, type Column } from '../fields/columns/column'
import type { Value } from '../fields/contract'
import { healths } from '../fields/health'
import type { Reach, RollUpName } from '../fields/names'
import { figuresOf, typeOf } from '../fields/registry'
import type { Source } from '../fields/source'
import { noRow, type ItemTable } from '../model/item-table'
import type { Field } from '../model/records'
import { fromDayNumber } from '../base/dates'
import type { ViewContext } from '../facts/contract'
import { phaseOf } from '../facts/phase'
import { daysOf } from '../facts/viewer'
import type { Read, Readable } from './read'

/** How a field is worked out. */
export interface Working {
  valueAt(row: number): Value
  /** Writes every row at once. */
  fillAll?(column: Column): void
}

/** How many are folded into one: each gives a number, NaN for none, and a second one that is added up beside. */
interface Fold {
  readonly joins: 'add' | 'least' | 'most'
  one(row: number): number
  beside?(row: number): number
  /** What they come to, as the field stores it. */
  end(joined: number, beside: number, n: number): Value
}

/** The numbers that a roll-up folds, and at which scale they are. */
interface Numbers {
  at(row: number): number
  readonly a?: Float64Array
  readonly decimals: number
}

function numbersOf(context: ViewContext, { source, fact }: Readable): Numbers | undefined {
  const { decimals } = fact.figures
  switch (source.kind) {
    case 'number':
      return { at: source.at, decimals, ...(source.column && { a: source.column.a }) }
    case 'day': {
      const { column } = source
      return { at: (row) => (column.a[row] === noDay ? Number.NaN : column.a[row]!), decimals: 0 }
    }
    case 'instant': {
      const days = daysOf(context.reader.workspace())
      const { column } = source
      return { at: (row) => (column.isEmpty(row) ? Number.NaN : days.dayOf(column.a[row]!)), decimals: 0 }
    }
    case 'choice':
      return fact.field && typeOf(fact.field).name === 'health' ? placesOfHealth(source) : undefined
    default:
      return undefined
  }
}
function placesOfHealth(source: Extract<Source, { kind: 'choice' }>): Numbers {
  return {
    decimals: 0,
    at(row) {
      const place = healths.findIndex(({ id }) => id === source.valueOf(source.column.a[row]!))
      return place < 0 ? Number.NaN : place
    },
  }
}

/** A whole number of one scale at another. */
const rescaled = (x: number, from: number, to: number): number =>
  from === to ? Math.round(x) : Math.round(Number((x * 10 ** (to - from)).toPrecision(15)))

/** Which items a roll-up counts as finished, and which not at all. */
const asFinished = (context: ViewContext) => {
  const phase = phaseOf(context)
  const { status } = context.table
  return (row: number) => phase(status.a[row]!)
}

function foldOf(context: ViewContext, field: Field, read: Read): Fold | undefined {
  const { how, of, weight } = field.settings
  const { decimals } = figuresOf(field)
  if (how === 'count') return { joins: 'add', one: () => 1, end: (n) => n * 10 ** decimals }
  if (how === 'finished') {
    const by = weight ? numbersFor(context, weight, read) : { at: () => 1, decimals: 0 }
    if (!by) return undefined
    const phase = asFinished(context)
    const weighs = (row: number) => (phase(row) === 'dropped' ? Number.NaN : by.at(row))
    return {
      joins: 'add',
      one: (row) => (phase(row) === 'finished' ? weighs(row) : 0),
      beside: weighs,
      end: (done, all) => (all > 0 ? Math.round((done / all) * 100 * 10 ** decimals) : null),
    }
  }
  const numbers = of && how ? numbersFor(context, of, read) : undefined
  return numbers && how && folds[how](numbers, decimals)
}
function numbersFor(context: ViewContext, key: string, read: Read): (Numbers & { ready?: Readable }) | undefined {
  const readable = read(key)
  const numbers = readable && numbersOf(context, readable)
  if (!numbers) return undefined
  return { ...numbers, at: (row) => (readable.ready(row), numbers.at(row)) }
}

const extreme =
  (joins: 'least' | 'most', say: (x: number, from: number, to: number) => Value) =>
  ({ at, decimals: from }: Numbers, to: number): Fold => ({
    joins,
    one: at,
    end: (x, _beside, n) => (n ? say(x, from, to) : null),
  })
const folds: Readonly<Record<Exclude<RollUpName, 'count' | 'finished'>, (numbers: Numbers, to: number) => Fold>> = {
  sum: ({ at, decimals: from }, to) => ({ joins: 'add', one: at, end: (sum, _beside, n) => (n ? rescaled(sum, from, to) : null) }), // prettier-ignore
  average: ({ at, decimals: from }, to) => ({ joins: 'add', one: at, end: (sum, _beside, n) => (n ? rescaled(sum / n, from, to) : null) }), // prettier-ignore
  least: extreme('least', rescaled),
  most: extreme('most', rescaled),
  earliest: extreme('least', (day) => fromDayNumber(day)),
  latest: extreme('most', (day) => fromDayNumber(day)),
  worst: extreme('most', (place) => healths[place]?.id ?? null),
}

/** A roll-up of a project; undefined where what it reads is not there (any more), or is no number, day or health. */
export function rollUpOf(context: ViewContext, field: Field, read: Read): Working | undefined {
  const fold = foldOf(context, field, read)
  const { over } = field.settings
  if (!fold || !over || over === 'parent') return undefined
  const { table } = context
  return {
    valueAt: (row) => folded(fold, inReach(table, row, over)),
    fillAll: (column) => fillAll(table, fold, over, column),
  }
}

/** The rows that count for a row: what is archived does not. */
function* inReach(table: ItemTable, row: number, over: Reach): Iterable<number> {
  const left = [row]
  for (let at = left.pop(); at !== undefined; at = left.pop())
    for (const child of table.childrenOf(at)) {
      if (!table.listed[child]) continue
      yield child
      if (over === 'inside') left.push(child)
    }
}

const starts = { add: 0, least: Number.POSITIVE_INFINITY, most: Number.NEGATIVE_INFINITY } as const
const joined = (joins: Fold['joins'], a: number, b: number): number =>
  joins === 'add' ? a + b : joins === 'least' ? Math.min(a, b) : Math.max(a, b)

function folded({ joins, one, beside, end }: Fold, rows: Iterable<number>): Value {
  let [all, more, n] = [starts[joins] as number, 0, 0]
  for (const row of rows) {
    const x = one(row)
    if (x === x) {
      all = joined(joins, all, x)
      n++
    }
    const y = beside?.(row) ?? Number.NaN
    if (y === y) more += y
  }
  return end(all, more, n)
}

/** The same of every row in one walk, from the deepest level up where it goes over all levels. */
function fillAll(table: ItemTable, { joins, one, beside, end }: Fold, over: Reach, column: Column): void {
  const { n } = table
  const [xs, ys] = [columnOf(table, one), beside && columnOf(table, beside)]
  const all = new Float64Array(n).fill(starts[joins])
  const more = new Float64Array(n)
  const counts = new Int32Array(n)
  if (over === 'children') {
    joinInto(table, xs, joins, all, counts)
    if (ys) addInto(table, ys, more)
  } else joinLevels(table, { xs, ys, joins, all, more, counts })
  for (let row = 0; row < n; row++) column.set(row, end(all[row]!, more[row]!, counts[row]!))
}
function columnOf({ n }: ItemTable, at: (row: number) => number): Float64Array {
  const xs = new Float64Array(n)
  for (let row = 0; row < n; row++) xs[row] = at(row)
  return xs
}
function joinInto(
  { n, parent, listed }: ItemTable,
  xs: Float64Array,
  joins: Fold['joins'],
  all: Float64Array,
  counts: Int32Array,
): void {
  if (joins !== 'add') return extremesInto({ n, parent, listed }, xs, joins, all, counts)
  for (let row = 0; row < n; row++) {
    const above = parent[row]!
    const x = xs[row]!
    if (above === noRow || !listed[row] || x !== x) continue
    all[above]! += x
    counts[above]!++
  }
}
function extremesInto(
  { n, parent, listed }: Pick<ItemTable, 'n' | 'parent' | 'listed'>,
  xs: Float64Array,
  joins: Fold['joins'],
  all: Float64Array,
  counts: Int32Array,
): void {
  for (let row = 0; row < n; row++) {
    const above = parent[row]!
    const x = xs[row]!
    if (above === noRow || !listed[row] || x !== x) continue
    all[above] = joined(joins, all[above]!, x)
    counts[above]!++
  }
}
function addInto({ n, parent, listed }: ItemTable, xs: Float64Array, more: Float64Array): void {
  for (let row = 0; row < n; row++) {
    const above = parent[row]!
    const x = xs[row]!
    if (above !== noRow && listed[row] && x === x) more[above]! += x
  }
}

interface Levels {
  readonly xs: Float64Array
  readonly ys: Float64Array | undefined
  readonly joins: Fold['joins']
  readonly all: Float64Array
  readonly more: Float64Array
  readonly counts: Int32Array
}
function joinLevels({ levels, parent, listed }: ItemTable, { xs, ys, joins, all, more, counts }: Levels): void {
  const { order } = levels
  for (let k = order.length - 1; k >= 0; k--) {
    const row = order[k]!
    const above = parent[row]!
    // What is inside an archived item is out of reach with it.
    if (above === noRow || !listed[row]) continue
    const x = xs[row]!
    if (x === x) {
      all[above] = joined(joins, all[above]!, x)
      counts[above]!++
    }
    if (counts[row]) {
      all[above] = joined(joins, all[above]!, all[row]!)
      counts[above]! += counts[row]!
    }
    const y = ys ? ys[row]! : 0
    more[above]! += more[row]! + (y === y ? y : 0)
  }
}

/** What another item holds; undefined where the field is not there (any more), or holds what this cannot show. */
export function lookUpOf(context: ViewContext, field: Field, read: Read): Working | undefined {
  const { of, over, gives } = field.settings
  const readable = of ? read(of) : undefined
  if (!readable?.column || over !== 'parent' || readable.type?.name !== gives) return undefined
  const { table } = context
  const { column } = readable
  const [from, to] = [readable.fact.figures.decimals, figuresOf(field).decimals]
  return {
    valueAt(row) {
      const above = table.parent[row]!
      if (above === noRow) return null
      readable.ready(above)
      const value = column.get(above)
      return typeof value === 'number' && from !== to ? rescaled(value, from, to) : value
    },
  }
}
