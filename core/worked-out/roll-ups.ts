/** What the items inside one come to: folded item by item, or all at once. */
import { DayColumn, noDay, noNumber, NumberColumn, type Column } from '../fields/columns/column'
import { healths } from '../fields/health'
import type { RollUpName } from '../fields/names'
import type { Value } from '../fields/value'
import { figuresOf, typeOf } from '../fields/registry'
import type { Source } from '../fields/source'
import { noRow, type ItemTable } from '../model/item-table'
import type { Field } from '../model/records'
import type { ViewContext } from '../facts/contract'
import { phaseOf } from '../facts/phase'
import { daysOf } from '../facts/viewer'
import type { Read, Readable } from './read'
import { writerOf, type Working } from './working'

/** How many are folded into one: each gives a number, NaN for none, and a second one that is added up beside. */
interface Fold {
  readonly joins: 'add' | 'least' | 'most'
  readonly one: Numbers
  readonly beside?: Numbers
  /** What they come to, as the column keeps it; NaN: nothing. */
  end(joined: number, beside: number, n: number): number
  /** That is what has been joined, as it is, where anything has. */
  readonly isPlain?: boolean
}

/** The numbers that a roll-up folds, and at which scale they are. */
interface Numbers {
  at(row: number): number
  /** Where they stand as they are, once all are there. */
  array?(): Float64Array
  readonly decimals: number
}

function numbersOf(context: ViewContext, { source, fact }: Readable): Numbers | undefined {
  const { decimals } = fact.figures
  switch (source.kind) {
    case 'number':
      return { at: source.at, decimals, ...(source.column && { array: () => source.column!.a }) }
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
      const place = healthIds.indexOf(source.valueOf(source.column.a[row]!))
      return place < 0 ? Number.NaN : place
    },
  }
}
const healthIds: readonly string[] = healths.map(({ id }) => id)

/** A whole number of one scale at another. */
function rescaled(x: number, from: number, to: number): number {
  if (from === to) return Math.round(x)
  return Math.round(Number((x * 10 ** (to - from)).toPrecision(15)))
}

function foldOf(context: ViewContext, field: Field, read: Read): Fold | undefined {
  const { how, of, weight } = field.settings
  const { decimals } = figuresOf(field)
  if (how === 'count') return { joins: 'add', one: { at: () => 1, decimals: 0 }, end: (n) => n * 10 ** decimals }
  if (how === 'finished') return finishedOf(context, decimals, weight, read)
  const numbers = of && how ? numbersFor(context, of, read) : undefined
  return numbers && how && folds[how](numbers, decimals)
}
/** The share of what is finished in all that is not dropped, each counted by its weight. */
function finishedOf(context: ViewContext, decimals: number, weight: string | undefined, read: Read): Fold | undefined {
  const by = weight ? numbersFor(context, weight, read) : { at: () => 1 }
  if (!by) return undefined
  const phase = phaseOf(context)
  const { status } = context.table
  const weighs = (row: number) => (phase(status.a[row]!) === 'dropped' ? Number.NaN : by.at(row))
  return {
    joins: 'add',
    one: { at: (row) => (phase(status.a[row]!) === 'finished' ? weighs(row) : 0), decimals: 0 },
    beside: { at: weighs, decimals: 0 },
    end: (done, all) => (all > 0 ? Math.round((done / all) * 100 * 10 ** decimals) : Number.NaN),
  }
}
function numbersFor(context: ViewContext, key: string, read: Read): Numbers | undefined {
  const readable = read(key)
  const numbers = readable && numbersOf(context, readable)
  if (!numbers || !readable.ready) return numbers
  const { ready } = readable
  return { ...numbers, at: (row) => (ready(row), numbers.at(row)) }
}

const extreme =
  (joins: 'least' | 'most', say: (x: number, from: number, to: number) => number) =>
  (one: Numbers, to: number): Fold => ({
    joins,
    one,
    isPlain: one.decimals === to,
    end: (x, _beside, n) => (n ? say(x, one.decimals, to) : Number.NaN),
  })
const asItIs = (x: number): number => x
const folds: Readonly<Record<Exclude<RollUpName, 'count' | 'finished'>, (one: Numbers, to: number) => Fold>> = {
  sum: (one, to) => ({ joins: 'add', one, isPlain: one.decimals === to, end: (sum, _beside, n) => (n ? rescaled(sum, one.decimals, to) : Number.NaN) }), // prettier-ignore
  average: (one, to) => ({ joins: 'add', one, end: (sum, _beside, n) => (n ? rescaled(sum / n, one.decimals, to) : Number.NaN) }), // prettier-ignore
  least: extreme('least', rescaled),
  most: extreme('most', rescaled),
  earliest: extreme('least', asItIs),
  latest: extreme('most', asItIs),
  worst: extreme('most', asItIs),
}

/** A roll-up of a project; undefined where what it reads is not there (any more), or is no number, day or health. */
export function rollUpOf(context: ViewContext, field: Field, read: Read): Working | undefined {
  const fold = foldOf(context, field, read)
  const { over, through } = field.settings
  const { table } = context
  switch (fold && over) {
    case 'children':
      return overChildren(table, fold!)
    case 'inside':
      return overLevels(table, fold!, field.id)
    case 'relation':
      return through ? overRows(table, fold!, linkedRows(context, through)) : undefined
    default:
      return undefined
  }
}

/** The rows that a row is linked to by a relation, archived items aside. */
export function linkedRows({ table }: ViewContext, through: string): (row: number) => number[] {
  const links = table.linkColumn(through)
  return (row) =>
    links.idsAt(row).flatMap((id) => {
      const at = table.maybeRow(id)
      return at !== undefined && table.listed[at] ? at : []
    })
}

const starts = { add: 0, least: Number.POSITIVE_INFINITY, most: Number.NEGATIVE_INFINITY } as const
const joined = (joins: Fold['joins'], a: number, b: number): number =>
  joins === 'add' ? a + b : joins === 'least' ? Math.min(a, b) : Math.max(a, b)

/** Over the rows that each row has beside it. */
function overRows(table: ItemTable, fold: Fold, rowsOf: (row: number) => Iterable<number>): Working {
  const { joins, one, beside, end } = fold
  return {
    write(row, column) {
      let [all, more, n] = [starts[joins] as number, 0, 0]
      for (const other of rowsOf(row)) {
        if (!table.listed[other]) continue
        const [x, y] = [one.at(other), beside?.at(other) ?? Number.NaN]
        if (y === y) more += y
        if (x !== x) continue
        all = joined(joins, all, x)
        n++
      }
      writerOf(column, healthIds)(row, end(all, more, n))
    },
  }
}

function overChildren(table: ItemTable, fold: Fold): Working {
  const { joins, one, beside } = fold
  return {
    ...overRows(table, fold, (row) => table.childrenOf(row)),
    fillAll(column) {
      const { n, parent, listed } = table
      const sums = new Sums(table, n, fold, 'of children')
      const [xs, ys] = [arrayOf(table, one, 'rolled up'), beside && arrayOf(table, beside, 'rolled up beside')]
      if (joins === 'add') addInto(n, parent, listed, xs, sums.all, sums.counts)
      else extremesInto({ n, parent, listed, xs, joins }, sums)
      if (ys) addBeside(n, parent, listed, ys, sums.more!)
      sums.write(n, fold, column)
    },
  }
}

/** Over all levels: each row keeps what is inside it together, so that what is above needs those directly inside alone. */
function overLevels(table: ItemTable, fold: Fold, name: string): Working {
  const { joins, one, beside, end } = fold
  let sums = new Sums(table, table.listed.length, fold, name)
  return {
    isFromBelow: true,
    write(row, column) {
      // Where there are more rows than before nothing is known any more.
      if (sums.all.length < table.listed.length) sums = new Sums(table, table.listed.length, fold, name)
      const { all, more, counts } = sums
      let [its, besides, n] = [starts[joins] as number, 0, 0]
      for (const child of table.childrenOf(row)) {
        if (!table.listed[child]) continue
        const [x, y] = [one.at(child), beside?.at(child) ?? Number.NaN]
        if (x === x) {
          its = joined(joins, its, x)
          n++
        }
        if (counts[child]) {
          its = joined(joins, its, all[child]!)
          n += counts[child]!
        }
        besides += (more ? more[child]! : 0) + (y === y ? y : 0)
      }
      all[row] = its
      if (more) more[row] = besides
      counts[row] = n
      writerOf(column, healthIds)(row, end(its, besides, n))
    },
    fillAll(column) {
      const { n, parent, listed, levels } = table
      sums = new Sums(table, table.listed.length, fold, name)
      const [xs, ys] = [arrayOf(table, one, 'rolled up'), beside && arrayOf(table, beside, 'rolled up beside')]
      const { all, more, counts } = sums
      if (joins === 'add') addLevels({ order: levels.order, parent, listed, xs }, all, counts)
      else extremeLevels({ order: levels.order, parent, listed, xs, joins }, all, counts)
      if (ys) besideLevels(levels.order, parent, listed, ys, more!)
      sums.write(n, fold, column)
    },
  }
}

/** What has been folded so far, by row, in room that the table lends. */
class Sums {
  readonly all: Float64Array
  readonly more: Float64Array | undefined
  readonly counts: Int32Array
  constructor({ scratch }: ItemTable, rows: number, { joins, beside }: Fold, name: string) {
    this.all = scratch.float64(`roll-up ${name}`, rows).fill(starts[joins], 0, rows)
    this.more = beside && scratch.float64(`roll-up beside ${name}`, rows).fill(0, 0, rows)
    this.counts = scratch.int32(`roll-up counts ${name}`, rows).fill(0, 0, rows)
  }
  write(n: number, { end, isPlain }: Fold, column: Column): void {
    const { all, more, counts } = this
    if (isPlain && column instanceof NumberColumn) return plainNumbers(n, all, counts, column)
    if (isPlain && column instanceof DayColumn) return plainDays(n, all, counts, column)
    const write = writerOf(column, healthIds)
    for (let row = 0; row < n; row++) write(row, end(all[row]!, more ? more[row]! : 0, counts[row]!))
  }
}
function plainNumbers(n: number, all: Float64Array, counts: Int32Array, column: NumberColumn): void {
  const { a } = column
  for (let row = 0; row < n; row++) a[row] = counts[row] ? all[row]! : noNumber
  column.version++
}
function plainDays(n: number, all: Float64Array, counts: Int32Array, { a }: DayColumn): void {
  for (let row = 0; row < n; row++) a[row] = counts[row] ? all[row]! : noDay
}
function arrayOf(table: ItemTable, { array, at }: Numbers, name: string): Float64Array {
  const held = array?.()
  if (held) return held
  const { n } = table
  const xs = table.scratch.float64(name, n)
  for (let row = 0; row < n; row++) xs[row] = at(row)
  return xs
}
function addInto(
  n: number,
  parent: Int32Array,
  listed: Uint8Array,
  xs: Float64Array,
  all: Float64Array,
  counts: Int32Array,
): void {
  for (let row = 0; row < n; row++) {
    const above = parent[row]!
    const x = xs[row]!
    if (above === noRow || !listed[row] || x !== x) continue
    all[above]! += x
    counts[above]!++
  }
}
function addBeside(n: number, parent: Int32Array, listed: Uint8Array, ys: Float64Array, more: Float64Array): void {
  for (let row = 0; row < n; row++) {
    const above = parent[row]!
    const y = ys[row]!
    if (above !== noRow && listed[row] && y === y) more[above]! += y
  }
}
interface Extremes {
  readonly n: number
  readonly parent: Int32Array
  readonly listed: Uint8Array
  readonly xs: Float64Array
  readonly joins: Fold['joins']
}
function extremesInto({ n, parent, listed, xs, joins }: Extremes, { all, counts }: Sums): void {
  const isMost = joins === 'most'
  for (let row = 0; row < n; row++) {
    const above = parent[row]!
    const x = xs[row]!
    if (above === noRow || !listed[row] || x !== x) continue
    if (isMost ? x > all[above]! : x < all[above]!) all[above] = x
    counts[above]!++
  }
}

interface Walk {
  /** Parents before what is inside them. */
  readonly order: Int32Array
  readonly parent: Int32Array
  readonly listed: Uint8Array
  readonly xs: Float64Array
}
/** From the deepest level up. What is inside an archived item is out of reach with it. */
function addLevels({ order, parent, listed, xs }: Walk, all: Float64Array, counts: Int32Array): void {
  for (let k = order.length - 1; k >= 0; k--) {
    const row = order[k]!
    const above = parent[row]!
    if (above === noRow || !listed[row]) continue
    const x = xs[row]!
    const isSome = x === x
    all[above]! += all[row]! + (isSome ? x : 0)
    counts[above]! += counts[row]! + (isSome ? 1 : 0)
  }
}
function extremeLevels(
  { order, parent, listed, xs, joins }: Walk & Pick<Fold, 'joins'>,
  all: Float64Array,
  counts: Int32Array,
): void {
  for (let k = order.length - 1; k >= 0; k--) {
    const row = order[k]!
    const above = parent[row]!
    if (above === noRow || !listed[row]) continue
    const x = xs[row]!
    if (x === x) all[above] = joined(joins, all[above]!, x)
    all[above] = joined(joins, all[above]!, all[row]!)
    counts[above]! += counts[row]! + (x === x ? 1 : 0)
  }
}
function besideLevels(
  order: Int32Array,
  parent: Int32Array,
  listed: Uint8Array,
  ys: Float64Array,
  more: Float64Array,
): void {
  for (let k = order.length - 1; k >= 0; k--) {
    const row = order[k]!
    const above = parent[row]!
    if (above === noRow || !listed[row]) continue
    const y = ys[row]!
    more[above]! += more[row]! + (y === y ? y : 0)
  }
}

/** What another item holds; undefined where the field is not there (any more), or holds what this cannot show. */
export function lookUpOf(context: ViewContext, field: Field, read: Read): Working | undefined {
  const { of, over, gives, through } = field.settings
  const readable = of ? read(of) : undefined
  if (!readable?.column || readable.type?.name !== gives) return undefined
  if (over === 'relation' && through) return fromLinked(context, field, readable, through)
  if (over !== 'parent') return undefined
  const { table } = context
  const { column: held, ready } = readable
  const [from, to] = [readable.fact.figures.decimals, figuresOf(field).decimals]
  return {
    write(row, column) {
      const above = table.parent[row]!
      if (above === noRow) return column.set(row, null)
      ready?.(above)
      const value = held.get(above)
      column.set(row, typeof value === 'number' && from !== to ? rescaled(value, from, to) : value)
    },
  }
}

/** From what it is linked to: all that these hold where that is a list, else what the one of the lowest number holds. */
function fromLinked(
  context: ViewContext,
  field: Field,
  { fact, column: held, ready, type }: Readable,
  through: string,
): Working {
  const { table } = context
  const rowsOf = linkedRows(context, through)
  const [from, to] = [fact.figures.decimals, figuresOf(field).decimals]
  return {
    write(row, column) {
      const rows = rowsOf(row).sort((a, b) => table.number.a[a]! - table.number.a[b]!)
      const values = rows.flatMap((one) => (ready?.(one), held!.get(one) ?? []))
      if (type?.several) return column.set(row, values.length ? [...new Set(values as string[])].sort() : null)
      const [first = null] = values as Value[]
      column.set(row, typeof first === 'number' && from !== to ? rescaled(first, from, to) : first)
    },
  }
}
