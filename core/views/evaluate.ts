/** A view worked out from the columns: its items in order, in their groups, with what they add up to. */
import type { Kin, ViewContext } from '../facts/contract'
import { maybeFact } from '../facts/registry'
import type { Condition, GroupKey, ViewDefinition } from '../model/records'
import { axisOf, mostPacked, type Axis, type GroupValue } from './axes'
import type { Test } from './asked'
import { compileAll, kinOf } from './filter'
import { keyOf, rankKey, type Key } from './keys'
import { sortRows } from './sort'
import { planTotals, Tally, tallyBy, type Grouped, type Remembered, type TotalsPlan } from './totals'

/** What a view asks: the part of its definition that says which items, in which order and groups, with which totals. */
export type ViewQuestion = Pick<ViewDefinition, 'where' | 'group' | 'sort' | 'totals'>

/** A view's question, compiled for a project as it is. */
export interface Plan {
  readonly context: ViewContext
  readonly test: Test
  /** The view's keys, then the team's order: no two items are the same in it. */
  readonly order: readonly Key[]
  readonly axes: readonly Axis[]
  readonly totals: TotalsPlan
  /** Whose change may change the place of others. */
  readonly kin: Kin
}

/** The items of one innermost group in order; without groups there is one. */
export interface Leaf {
  readonly path: readonly GroupValue[]
  rows: Int32Array
  n: number
  readonly tally: Tally
  remembered: Remembered
}

/** A view’s items in groups. */
export interface Evaluated {
  readonly leaves: Leaf[]
  /** Over all items, each counted once. */
  readonly overall: Tally
  /** Each item once. */
  readonly rows: Int32Array
}

/** A question made ready to be asked again and again. */
export function planOf(context: ViewContext, { where, group, sort, totals }: ViewQuestion): Plan {
  const axes = group.flatMap((key) => axisOf(context, key) ?? [])
  const hidden = axes.flatMap(({ key }) => (key.hideNone ? [filled(key)] : []))
  const test = compileAll(context, [...where, ...hidden])
  // No two are the same in the team's order: what is sorted by after it changes nothing.
  const ranked = sort.findIndex(({ by }) => by.fact === 'rank')
  const keys = ranked < 0 ? sort : sort.slice(0, ranked + 1)
  const order = keys.flatMap((key) =>
    key.by.fact === 'rank' ? rankKey(context.table, key.down) : (keyOf(context, key) ?? []),
  )
  if (ranked < 0) order.push(rankKey(context.table))
  // Those that groups are ordered by are worked out beside those that are shown.
  const all = [...totals, ...group.flatMap((key) => key.byTotal ?? [])]
  const named = [...sort.map((key) => key.by), ...group.map((key) => key.by), ...all.flatMap((one) => one.of ?? [])]
  const { kin = {} } = kinOf([test, ...named.map((by) => maybeFact(context.reader, context.project, by))])
  return { context, test, order, axes, totals: planTotals(context, all), kin }
}
const filled = (key: GroupKey): Condition => ({ about: 'fact', fact: key.by, test: { is: 'filled' } })

/** The rows that meet a plan's test, ascending. */
export function rowsMeeting({ context: { table }, test }: Pick<Plan, 'context' | 'test'>): Int32Array {
  const everyRow = table.scratch.everyRow(table.n)
  if (test.isMetByAll?.()) return everyRow.slice(0, table.n)
  const kept = table.scratch.int32('rows', table.n)
  const few = test.candidates && test.candidates.most() * 4 < table.n ? test.candidates.rows() : undefined
  const n = few ? test.keep(few.a, few.n, kept) : (test.keepAll?.(table.n, kept) ?? test.keep(everyRow, table.n, kept))
  return kept.slice(0, n)
}

/** Asks it of all items. */
export function evaluate(plan: Plan): Evaluated {
  const rows = rowsMeeting(plan)
  const packed = plan.axes.every((axis) => axis.isSingle) ? packGroups(plan, rows) : undefined
  const tallies = packed && tallyBy(plan.totals, rows, packed, plan.context.table.scratch)
  const overall = new Tally(plan.totals.facts.length)
  if (tallies) addUp(tallies, overall)
  else tallyInto(plan.totals, rows, overall)
  sortRows(plan.context.table, rows, rows.length, plan.order)
  const leaves = packed && tallies ? spread(plan, rows, packed, tallies) : gather(plan, rows)
  return { leaves, overall, rows }
}

function addUp(tallies: readonly (Tally | undefined)[], overall: Tally): void {
  for (const one of tallies) if (one) overall.addAll(one)
}

/** Adds some rows to a tally. */
export function tallyInto({ facts }: TotalsPlan, rows: Int32Array, tally: Tally): void {
  tally.n = rows.length
  facts.forEach(({ at }, f) => {
    for (const row of rows) tally.add(f, at(row), 1)
  })
}

interface Packed extends Grouped {
  /** By row; of rows that are not in the view it means nothing. */
  readonly groupOf: Uint16Array
  readonly values: readonly (readonly GroupValue[])[]
  /** The numbers of groups as the groups stand, where they are not in their order. */
  readonly inOrder?: Uint16Array
}

/** Which group each row is in, as one number. Undefined: there are too many. */
function packGroups({ axes, context: { table } }: Plan, rows: Int32Array): Packed | undefined {
  const m = rows.length
  // Where every row is in it, the place of a row is the row.
  const isWhole = m === table.n
  const coded = isWhole && axes.length === 1 ? axes[0]?.byCode?.() : undefined
  if (coded) {
    const { groups, values, inOrder } = coded
    return { groups, groupOf: groups, isWhole, size: values.length, values: [values], inOrder }
  }
  const groups = table.scratch.uint16('groups', m)
  const level = table.scratch.uint16('level of groups', m)
  const groupOf = table.scratch.uint16('group of row', table.n)
  const values: (readonly GroupValue[])[] = []
  let size = 1
  for (const axis of axes) {
    const its = axis.fill(rows, m, values.length ? level : groups)
    size *= its?.length ?? 0
    if (!its || size > mostPacked) return undefined
    if (values.length) addLevel(groups, level, its.length, m)
    values.push(its)
  }
  if (!axes.length) groups.fill(0, 0, m)
  else if (!isWhole) noteGroups(groupOf, rows, groups, m)
  return { groups, groupOf: isWhole ? groups : groupOf, isWhole, size, values }
}
function addLevel(groups: Uint16Array, level: Uint16Array, size: number, m: number): void {
  let k = 0
  for (const fours = m & ~3; k < fours; k += 4) {
    addLevelAt(k, groups, level, size)
    addLevelAt(k + 1, groups, level, size)
    addLevelAt(k + 2, groups, level, size)
    addLevelAt(k + 3, groups, level, size)
  }
  for (; k < m; k++) addLevelAt(k, groups, level, size)
}
function addLevelAt(k: number, groups: Uint16Array, level: Uint16Array, size: number): void {
  groups[k] = groups[k]! * size + level[k]!
}
function noteGroups(groupOf: Uint16Array, rows: Int32Array, groups: Uint16Array, m: number): void {
  let k = 0
  for (const fours = m & ~3; k < fours; k += 4) {
    noteGroup(k, groupOf, rows, groups)
    noteGroup(k + 1, groupOf, rows, groups)
    noteGroup(k + 2, groupOf, rows, groups)
    noteGroup(k + 3, groupOf, rows, groups)
  }
  for (; k < m; k++) noteGroup(k, groupOf, rows, groups)
}
function noteGroup(k: number, groupOf: Uint16Array, rows: Int32Array, groups: Uint16Array): void {
  groupOf[rows[k]!] = groups[k]!
}

/** Counting sort: sorted rows to their groups, in which they stay sorted. */
function spread(
  { axes, totals }: Plan,
  sorted: Int32Array,
  { groupOf, size, values, inOrder }: Packed,
  tallies: readonly (Tally | undefined)[],
): Leaf[] {
  const facts = totals.facts.length
  if (!axes.length)
    return [{ path: [], rows: sorted, n: sorted.length, tally: tallies[0] ?? new Tally(facts), remembered: [] }]
  // Where each group begins; once the rows are in their places, where it ends.
  const ends = new Int32Array(size)
  let sum = 0
  for (let i = 0; i < size; i++) {
    const g = inOrder ? inOrder[i]! : i
    ends[g] = sum
    sum += tallies[g]?.n ?? 0
  }
  const rows = new Int32Array(sorted.length)
  place(sorted, groupOf, ends, rows)
  const leaves: Leaf[] = []
  for (let i = 0; i < size; i++) {
    const g = inOrder ? inOrder[i]! : i
    const tally = tallies[g]
    if (!tally) continue
    const [n, to] = [tally.n, ends[g]!]
    leaves.push({ path: pathOf(g, values), rows: rows.subarray(to - n, to), n, tally, remembered: [] })
  }
  return leaves
}
function place(sorted: Int32Array, groupOf: Uint16Array, ends: Int32Array, rows: Int32Array): void {
  const m = sorted.length
  let k = 0
  for (const fours = m & ~3; k < fours; k += 4) {
    placeOne(sorted, k, groupOf, ends, rows)
    placeOne(sorted, k + 1, groupOf, ends, rows)
    placeOne(sorted, k + 2, groupOf, ends, rows)
    placeOne(sorted, k + 3, groupOf, ends, rows)
  }
  for (; k < m; k++) placeOne(sorted, k, groupOf, ends, rows)
}
function placeOne(sorted: Int32Array, k: number, groupOf: Uint16Array, ends: Int32Array, rows: Int32Array): void {
  const row = sorted[k]!
  rows[ends[groupOf[row]!]!++] = row
}
function pathOf(group: number, values: readonly (readonly GroupValue[])[]): GroupValue[] {
  const path = new Array<GroupValue>(values.length)
  let rest = group
  for (let level = values.length - 1; level >= 0; level--) {
    const its = values[level]!
    path[level] = its[rest % its.length]!
    rest = Math.floor(rest / its.length)
  }
  return path
}

/** Item by item: where an item is in several groups, or there are very many of them. */
function gather(plan: Plan, sorted: Int32Array): Leaf[] {
  const found = new Map<string, { path: readonly GroupValue[]; rows: number[] }>()
  for (const row of sorted)
    for (const path of pathsOf(plan.axes, row)) {
      const key = keyOfPath(path)
      const leaf = found.get(key) ?? { path, rows: [] }
      if (!leaf.rows.length) found.set(key, leaf)
      leaf.rows.push(row)
    }
  return [...found.values()]
    .sort((a, b) => comparePaths(plan.axes, a.path, b.path))
    .map(({ path, rows: list }) => {
      const rows = Int32Array.from(list)
      const tally = new Tally(plan.totals.facts.length)
      tallyInto(plan.totals, rows, tally)
      return { path, rows, n: rows.length, tally, remembered: [] }
    })
}

/** The innermost groups that an item is in. */
export function pathsOf(axes: readonly Axis[], row: number): (readonly GroupValue[])[] {
  let paths: (readonly GroupValue[])[] = [[]]
  for (const axis of axes) {
    const values = axis.valuesAt(row)
    paths = paths.flatMap((path) => values.map((value) => [...path, value]))
  }
  return paths
}

/** Names a group by what it and the groups around it are. */
export const keyOfPath = (path: readonly GroupValue[]): string => JSON.stringify(path)

/** Orders groups as their axes do. */
export function comparePaths(axes: readonly Axis[], a: readonly GroupValue[], b: readonly GroupValue[]): number {
  for (const [level, axis] of axes.entries()) {
    const order = axis.compare(a[level] ?? null, b[level] ?? null)
    if (order) return order
  }
  return 0
}
