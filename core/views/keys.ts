/** Facts as whole numbers in their order: what sorting and grouping are done by. */
import type { ItemTable } from '../model/item-table'
import { lowerBound } from '../base/search'
import { noDay } from '../fields/columns/column'
import type { TextColumn } from '../fields/columns/texts'
import type { SortKey } from '../model/records'
import type { ViewContext } from '../facts/contract'
import { maybeFact } from '../facts/registry'
import type { ChoiceSource, ChoicesSource, Source } from '../fields/source'

/** Whole numbers for some rows, 0 to `most`. */
export interface Filled {
  readonly most: number
}
/** One key of an order. */
export interface Key {
  /** Writes the keys of `rows[0..m)` to `to`: they compare as the values do, empties where they belong. */
  fill(rows: Int32Array, m: number, to: Uint32Array): Filled
  /** Of two rows: the same order. */
  readonly compare: (a: number, b: number) => number
  /** The greatest come first. */
  readonly isDown: boolean
}

/** Titles of so few rows are compared one by one, if the order of all of them is not known yet. */
const fewTexts = 2000

/** A key of the order ready to be compared; undefined where its fact is gone. */
export function keyOf(context: ViewContext, { by, down, emptyFirst = false }: SortKey): Key | undefined {
  const source = maybeFact(context.reader, context.project, by)?.source(context)
  if (source?.kind === 'text') return textKey(source.column, down, emptyFirst)
  return source && ordered(numbersOf(source), down, emptyFirst)
}

/** By the labels of an order that is kept; few rows whose order is not known yet are compared with one another alone. */
function textKey(column: TextColumn, down: boolean, emptyFirst: boolean): Key {
  const { ordering } = column
  const byText = (a: number, b: number) => (down ? ordering.compare(b, a) : ordering.compare(a, b))
  return {
    isDown: down,
    compare(a, b) {
      const [noA, noB] = [column.isEmpty(a), column.isEmpty(b)]
      if (noA || noB) return (Number(noA) - Number(noB)) * (emptyFirst ? -1 : 1)
      if (!ordering.isKnown) return byText(a, b)
      return (ordering.labels[a]! - ordering.labels[b]!) * (down ? -1 : 1)
    },
    fill(rows, m, to) {
      if (ordering.isKnown || m > fewTexts) {
        const { labels, top } = ordering
        const none = emptyFirst ? 0 : top + 1
        if (down) fillTextDown(labels, top + Number(emptyFirst), none, rows, m, to)
        else fillText(labels, Number(emptyFirst), none, rows, m, to)
        return { most: top + 1 }
      }
      const filled = Array.from(rows.subarray(0, m)).filter((row) => !column.isEmpty(row))
      const place = new Map<number, number>()
      filled.sort(byText).forEach((row, i) => {
        const before = filled[i - 1]
        const isSame = before !== undefined && byText(before, row) === 0
        place.set(row, isSame ? place.get(before)! : i + 1)
      })
      for (let k = 0; k < m; k++) to[k] = place.get(rows[k]!) ?? (emptyFirst ? 0 : m + 1)
      return { most: m + 1 }
    },
  }
}

function fillText(labels: Int32Array, more: number, none: number, rows: Int32Array, m: number, to: Uint32Array): void {
  for (let k = 0; k < m; k++) {
    const label = labels[rows[k]!]!
    to[k] = label > 0 ? label + more : none
  }
}
function fillTextDown(
  labels: Int32Array,
  top: number,
  none: number,
  rows: Int32Array,
  m: number,
  to: Uint32Array,
): void {
  for (let k = 0; k < m; k++) {
    const label = labels[rows[k]!]!
    to[k] = label > 0 ? top - label : none
  }
}

/** A source as numbers by row, NaN or the marker where it is empty. */
interface Numbers {
  at(row: number): number
  /** Of whole numbers in a typed array, with what stands for empty: a loop of its own. */
  readonly whole?: { array(): Int32Array; readonly empty: number }
  readonly coded?: { array(): Uint16Array; places(): Int32Array; size(): number }
}

function numbersOf(source: Source): Numbers {
  switch (source.kind) {
    case 'number':
      return { at: source.at }
    case 'flag':
      return { at: (row) => (source.isSet(row) ? 1 : Number.NaN) }
    case 'instant':
      return { at: (row) => source.column.a[row]! }
    case 'day':
      return {
        at: (row) => (source.column.a[row] === noDay ? Number.NaN : source.column.a[row]!),
        whole: { array: () => source.column.a, empty: noDay },
      }
    case 'text': {
      const { ordering } = source.column
      return { at: (row) => (source.column.isEmpty(row) ? Number.NaN : ordering.labels[row]!) }
    }
    case 'choice':
      return codedNumbers(source)
    case 'choices':
      return { at: (row) => leastPlace(source, row) }
  }
}

function codedNumbers({ column, valueOf, place }: ChoiceSource): Numbers {
  let places = new Int32Array(0)
  /** By code; the order of its value, 0x7fffffff for none. */
  const lookUp = (): Int32Array => {
    if (places.length !== column.codes.ids.length)
      places = Int32Array.from(column.codes.ids, (_, code) => (valueOf(code) ? place(valueOf(code)) : noDay))
    return places
  }
  return {
    at: (row) => {
      const its = lookUp()[column.a[row]!]!
      return its === noDay ? Number.NaN : its
    },
    coded: { array: () => column.a, places: lookUp, size: () => column.codes.ids.length },
  }
}

function leastPlace({ valuesAt, place }: ChoicesSource, row: number): number {
  let least = Number.NaN
  for (const value of valuesAt(row)) {
    const its = place(value)
    if (!(its >= least)) least = its
  }
  return least
}

function ordered(numbers: Numbers, down: boolean, emptyFirst: boolean): Key {
  const way = down ? -1 : 1
  return {
    isDown: down,
    compare(a, b) {
      const [x, y] = [numbers.at(a), numbers.at(b)]
      if (x !== x || y !== y) return (Number(x !== x) - Number(y !== y)) * (emptyFirst ? -1 : 1)
      return (x - y) * way
    },
    fill(rows, m, to) {
      const into = { down, emptyFirst, rows, m, to }
      if (numbers.coded) return fillCoded(numbers.coded, into)
      if (numbers.whole) return fillWhole(numbers.whole.array(), numbers.whole.empty, into)
      return fillAny(numbers.at, into)
    },
  }
}

/** Which rows' keys are written where, and which way they are sorted. */
interface Into {
  readonly down: boolean
  readonly emptyFirst: boolean
  readonly rows: Int32Array
  readonly m: number
  readonly to: Uint32Array
}

function fillCoded(
  { array, places, size }: NonNullable<Numbers['coded']>,
  { down, emptyFirst, rows, m, to }: Into,
): Filled {
  // Places of values of one list are few; those that are in no list come after them, all alike.
  let most = 0
  for (const place of places()) if (place !== noDay && place > most) most = place
  const keys = new Uint32Array(size())
  places().forEach((place, code) => {
    const key = down ? most - place : place
    keys[code] = place === noDay ? (emptyFirst ? 0 : most + 1) : key + Number(emptyFirst)
  })
  byCode(array(), keys, rows, m, to)
  return { most: most + 1 }
}

function byCode(a: Uint16Array, keys: Uint32Array, rows: Int32Array, m: number, to: Uint32Array): void {
  for (let k = 0; k < m; k++) to[k] = keys[a[rows[k]!]!]!
}

function rangeOf(a: Int32Array, empty: number, rows: Int32Array, m: number): [low: number, high: number] {
  let [low, high] = [0x7fffffff, -0x80000000]
  for (let k = 0; k < m; k++) {
    const x = a[rows[k]!]!
    if (x === empty) continue
    if (x < low) low = x
    if (x > high) high = x
  }
  return [low, high]
}

function fillWhole(a: Int32Array, empty: number, { down, emptyFirst, rows, m, to }: Into): Filled {
  const [low, high] = rangeOf(a, empty, rows, m)
  if (low > high) {
    to.fill(0, 0, m)
    return { most: 0 }
  }
  const first = Number(emptyFirst)
  const none = emptyFirst ? 0 : high - low + 1
  if (down) fillDown(a, empty, high + first, none, rows, m, to)
  else fillUp(a, empty, low - first, none, rows, m, to)
  return { most: high - low + 1 }
}
function fillUp(
  a: Int32Array,
  empty: number,
  low: number,
  none: number,
  rows: Int32Array,
  m: number,
  to: Uint32Array,
): void {
  for (let k = 0; k < m; k++) {
    const x = a[rows[k]!]!
    to[k] = x === empty ? none : x - low
  }
}
function fillDown(
  a: Int32Array,
  empty: number,
  high: number,
  none: number,
  rows: Int32Array,
  m: number,
  to: Uint32Array,
): void {
  for (let k = 0; k < m; k++) {
    const x = a[rows[k]!]!
    to[k] = x === empty ? none : high - x
  }
}

/** Wherever the numbers lie: as they are where their range is small, else by their place among each other. */
function fillAny(at: (row: number) => number, { down, emptyFirst, rows, m, to }: Into): Filled {
  const values = new Float64Array(m)
  let [low, high, isWhole] = [Infinity, -Infinity, true]
  for (let k = 0; k < m; k++) {
    const x = at(rows[k]!)
    values[k] = x
    if (x !== x) continue
    if (x < low) low = x
    if (x > high) high = x
    isWhole &&= Number.isInteger(x)
  }
  if (low > high) {
    to.fill(0, 0, m)
    return { most: 0 }
  }
  const first = Number(emptyFirst)
  if (isWhole && high - low < 0x3fffffff) {
    const none = emptyFirst ? 0 : high - low + 1
    for (let k = 0; k < m; k++) {
      const x = values[k]!
      to[k] = x !== x ? none : (down ? high - x : x - low) + first
    }
    return { most: high - low + 1 }
  }
  const distinct = distinctOf(values)
  const none = emptyFirst ? 0 : distinct.length
  for (let k = 0; k < m; k++) {
    const x = values[k]!
    const its = x !== x ? 0 : lowerBound(distinct, distinct.length, x)
    to[k] = x !== x ? none : (down ? distinct.length - 1 - its : its) + first
  }
  return { most: distinct.length }
}

function distinctOf(values: Float64Array): Float64Array {
  const sorted = values.filter((x) => x === x).sort()
  return sorted.filter((x, k) => k === 0 || x !== sorted[k - 1])
}
/** The team's order, in which no two rows are the same. */
export const rankKey = (table: ItemTable, down = false): Key => textKey(table.rank, down, false)
