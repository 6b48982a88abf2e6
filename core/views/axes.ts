/** What a view is grouped by: which groups an item is in, and the order that the groups stand in. */
import { compareText } from '../base/collation'
import { startOf } from '../base/dates'
import { noDay } from '../fields/columns/column'
import { kindsOfFacts } from '../fields/kinds'
import type { Fact, ViewContext } from '../facts/contract'
import { maybeFact } from '../facts/registry'
import { daysOf } from '../facts/viewer'
import type { ChoiceSource, Source } from '../fields/source'
import type { Grain, GroupKey } from '../model/records'

/**
 * What a group is: the id of an option, person, status …; a text; a number at its field's scale; the first day number of
 * a period; 1 for what is ticked. Null: the items that have none.
 */
export type GroupValue = string | number | null

/** A level of grouping, ready to be read. */
export interface Axis {
  readonly key: GroupKey
  /** An item is in one group of it at most. */
  readonly isSingle: boolean
  /** The groups that an item is in; it is always in one at least. */
  valuesAt(row: number): readonly GroupValue[]
  /**
   * Gives the groups in their order, and writes for `rows[0..m)` which of them each is in; for single axes. Undefined:
   * there are more than `mostPacked`.
   */
  fill(rows: Int32Array, m: number, to: Uint16Array): readonly GroupValue[] | undefined
  /** The group of every row there is as it stands, where each code is a group of its own: nothing need be written. */
  byCode?(): GroupsByCode | undefined
  /** The order of groups, those without a value last. */
  compare(a: GroupValue, b: GroupValue): number
  /** The groups that there are though nothing is in them, among those from the first to the last of `held`. */
  known(held: readonly GroupValue[]): readonly GroupValue[]
}

/** Groups in the order of their codes. */
export interface GroupsByCode {
  readonly groups: Uint16Array
  readonly values: readonly GroupValue[]
  /** The codes in the order that their groups stand in. */
  readonly inOrder: Uint16Array
}

/** More groups than this are found item by item. */
export const mostPacked = 65_536

const none: readonly GroupValue[] = [null]
/** So many periods are shown empty at most. */
const mostPeriods = 400

/** Undefined: it cannot be grouped by (any more). */
export function axisOf(context: ViewContext, key: GroupKey): Axis | undefined {
  const fact = maybeFact(context.reader, context.project, key.by)
  if (!fact) return undefined
  const source = fact.source(context)
  const way = key.down ? -1 : 1
  const natural = naturalOrder(source)
  const compare = (a: GroupValue, b: GroupValue): number => {
    if (a === null || b === null) return Number(a === null) - Number(b === null)
    return way * natural(a, b)
  }
  const one = { key, compare, known: (held: readonly GroupValue[]) => knownValues(context, fact, key, held) }
  if (source.kind === 'choices') {
    const isSingle = !!fact.isSingle
    const valuesAt = (row: number) => {
      const values = source.valuesAt(row)
      return values.length ? values : none
    }
    return { ...one, isSingle, valuesAt, fill: fillBy((row) => valuesAt(row)[0]!, compare) }
  }
  const valueAt = singleValue(context, source, key.grain ?? 'day')
  return {
    ...one,
    isSingle: true,
    valuesAt: (row) => [valueAt(row)],
    ...(source.kind === 'choice' ? codedGroups(source, compare) : { fill: fillBy(valueAt, compare) }),
  }
}

function naturalOrder(source: Source): (a: string | number, b: string | number) => number {
  if (source.kind === 'choice' || source.kind === 'choices') {
    const { place } = source
    return (a, b) => place(String(a)) - place(String(b)) || (a < b ? -1 : a > b ? 1 : 0)
  }
  // Texts that a reader takes for one are still two groups.
  if (source.kind === 'text') return (a, b) => compareText(String(a), String(b)) || (a < b ? -1 : a > b ? 1 : 0)
  return (a, b) => Number(a) - Number(b)
}

function singleValue(
  context: ViewContext,
  source: Exclude<Source, { kind: 'choices' }>,
  grain: Grain,
): (row: number) => GroupValue {
  switch (source.kind) {
    case 'choice':
      return (row) => source.valueOf(source.column.a[row]!) || null
    case 'number':
      return (row) => {
        const x = source.at(row)
        return Number.isNaN(x) ? null : x
      }
    case 'text':
      return (row) => source.column.a[row] ?? null
    case 'flag':
      return (row) => (source.isSet(row) ? 1 : null)
    case 'day': {
      const start = starts(grain)
      return (row) => (source.column.a[row] === noDay ? null : start(source.column.a[row]!))
    }
    case 'instant': {
      const start = starts(grain)
      const days = daysOf(context.reader.workspace())
      return (row) => (source.column.isEmpty(row) ? null : start(days.dayOf(source.column.a[row]!)))
    }
  }
}

/** The first day of the period of a day; worked out once for each day. */
function starts(grain: Grain): (day: number) => number {
  const known = new Map<number, number>()
  return (day) => {
    const start = known.get(day)
    if (start !== undefined) return start
    const its = startOf(grain, day)
    known.set(day, its)
    return its
  }
}

function fillBy(valueAt: (row: number) => GroupValue, compare: Axis['compare']): Axis['fill'] {
  return (rows, m, to) => {
    const found = new Map<GroupValue, number>()
    for (let k = 0; k < m; k++) {
      const value = valueAt(rows[k]!)
      let at = found.get(value)
      if (at === undefined) found.set(value, (at = found.size))
      to[k] = at
    }
    if (found.size > mostPacked) return undefined
    const values = [...found.keys()].sort(compare)
    const place = new Uint16Array(values.length)
    values.forEach((value, i) => (place[found.get(value)!] = i))
    for (let k = 0; k < m; k++) to[k] = place[to[k]!]!
    return values
  }
}

/** Groups by code: their order, and which of them each code means. */
function codedGroups({ column, valueOf }: ChoiceSource, compare: Axis['compare']): Pick<Axis, 'fill' | 'byCode'> {
  let valueByCode: readonly GroupValue[] = []
  let values: readonly GroupValue[] = []
  let places = new Uint16Array(0)
  let inOrder = new Uint16Array(0)
  /** Codes come while a view lives: what is not known yet is looked up again. */
  const lookUp = (): void => {
    if (places.length === column.codes.ids.length) return
    valueByCode = column.codes.ids.map((_, code) => valueOf(code) || null)
    values = [...new Set(valueByCode)].sort(compare)
    const placeOf = new Map(values.map((value, i) => [value, i]))
    places = Uint16Array.from(valueByCode, (value) => placeOf.get(value)!)
    inOrder = Uint16Array.from(places.keys()).sort((a, b) => places[a]! - places[b]!)
  }
  return {
    fill(rows, m, to) {
      lookUp()
      placesOf(column.a, places, rows, m, to)
      return values
    },
    byCode() {
      lookUp()
      return values.length === places.length ? { groups: column.a, values: valueByCode, inOrder } : undefined
    },
  }
}
function placesOf(a: Uint16Array, places: Uint16Array, rows: Int32Array, m: number, to: Uint16Array): void {
  let k = 0
  for (const fours = m & ~3; k < fours; k += 4) {
    placeAt(k, a, places, rows, to)
    placeAt(k + 1, a, places, rows, to)
    placeAt(k + 2, a, places, rows, to)
    placeAt(k + 3, a, places, rows, to)
  }
  for (; k < m; k++) placeAt(k, a, places, rows, to)
}
function placeAt(k: number, a: Uint16Array, places: Uint16Array, rows: Int32Array, to: Uint16Array): void {
  to[k] = places[a[rows[k]!]!]!
}

function knownValues(
  { reader, project }: ViewContext,
  fact: Fact,
  key: GroupKey,
  held: readonly GroupValue[],
): readonly GroupValue[] {
  const its = reader.maybe('project', project)
  if (fact.isListed && its) return (fact.values?.(reader, its) ?? []).map((value) => value.id)
  if (fact.kind === 'flag') return [1, null]
  return kindsOfFacts[fact.kind].isDated ? periods(key.grain ?? 'day', held) : []
}

function periods(grain: Grain, held: readonly GroupValue[]): number[] {
  const days = held.filter((value): value is number => typeof value === 'number')
  const last = Math.max(...days)
  const found: number[] = []
  for (let day = Math.min(...days); day <= last && found.length < mostPeriods; day = startOf(grain, day, 1))
    found.push(day)
  return found
}
