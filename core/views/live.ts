/** A view that is kept right as items change, without being recomputed. */
import { grown } from '../fields/columns/column'
import { momentNow, noRow } from '../model/item-table'
import type { Total } from '../model/records'
import type { ViewContext } from '../facts/contract'
import { changedAround, isSameFact } from '../facts/registry'
import { workings } from '../facts/workings'
import type { Axis, GroupValue } from './axes'
import {
  comparePaths,
  evaluate,
  keyOfPath,
  pathsOf,
  planOf,
  tallyInto,
  type Leaf,
  type Plan,
  type ViewQuestion,
} from './evaluate'
import { compareBy } from './sort'
import { Tally, totalsOf, type Remembered, type TotalValues } from './totals'

/** A group as it is shown, with the groups in it. An item that is in several groups of a level is in each of them. */
export interface Group {
  readonly value: GroupValue
  readonly path: readonly GroupValue[]
  /** Items, each counted once. */
  readonly count: number
  /** Of the view's totals in turn; after them those that groups are ordered by. */
  readonly totals: TotalValues
  /** Empty: it is an innermost one. */
  readonly groups: readonly Group[]
  /** Of an innermost group: its items' rows in order, `n` of them. */
  readonly rows: Int32Array
  readonly n: number
}

/** More changed items have the view recomputed. */
const mostTouched = 200
const noRows = new Int32Array(0)

/**
 * The items of a view in its order and groups. *Held* items (being edited, dragged, just changed) keep the place where
 * they stand, and stay though they no longer belong, until they are let go.
 */
export class LiveView {
  #plan: Plan
  /** In their order. */
  #leaves: Leaf[] = []
  #overall = new Tally(0)
  #remembered: Remembered = []
  readonly #byPath = new Map<string, Leaf>()
  /** The leaves that a row is in; rows of most views are in one. */
  #in: (Leaf | readonly Leaf[] | undefined)[] = []
  /** By fact that is totalled, what each row in the view has added to it. */
  #added: Float64Array[] = []
  #held: ReadonlySet<string> = new Set()
  /** Up to when changes of what is worked out have been taken in. */
  #moment = 0
  /** How many of the table's freed rows have been taken in. */
  #freed = 0
  #groups: readonly Group[] | undefined
  /** Innermost groups as they were handed out, until an item of theirs changes. */
  readonly #built = new Map<Leaf, Group>()

  constructor(
    readonly question: ViewQuestion,
    context: ViewContext,
  ) {
    this.#plan = planOf(context, question)
    this.#workOut()
  }

  get plan(): Plan {
    return this.#plan
  }
  /** Items in the view, each once. */
  get count(): number {
    return this.#overall.n
  }
  /** All items together. */
  get overall(): Tally {
    return this.#overall
  }
  /** Over all items, each counted once. */
  get totals(): TotalValues {
    return totalsOf(this.#plan.totals, this.#overall, this.#overall, () => this.rows(), this.#remembered)
  }
  /** The outermost groups in order; without grouping there is one, of all. */
  get groups(): readonly Group[] {
    return (this.#groups ??= this.#tree())
  }

  /** The rows as they are shown; one that is in several groups comes as often. */
  inOrder(): Int32Array {
    const leaves: Group[] = []
    const walk = (groups: readonly Group[]): void => {
      for (const group of groups) {
        if (group.groups.length) walk(group.groups)
        else leaves.push(group)
      }
    }
    walk(this.groups)
    const rows = new Int32Array(leaves.reduce((sum, group) => sum + group.n, 0))
    let n = 0
    for (const leaf of leaves) {
      rows.set(leaf.rows.subarray(0, leaf.n), n)
      n += leaf.n
    }
    return rows
  }

  /** Each row once, in any order. */
  rows(): Int32Array {
    const rows = new Int32Array(this.#overall.n)
    let n = 0
    for (const leaf of this.#leaves)
      for (let k = 0; k < leaf.n; k++) {
        const row = leaf.rows[k]!
        const its = this.#in[row]!
        if (!Array.isArray(its) || its[0] === leaf) rows[n++] = row
      }
    return rows
  }

  has(row: number): boolean {
    return this.#in[row] !== undefined
  }

  /** Recomputes everything: on a new day, under other names, after a large change. */
  evaluate(context: ViewContext): void {
    const { table } = this.#plan.context
    const held = [...this.#held].filter((id) => this.has(table.maybeRow(id) ?? noRow))
    this.#plan = planOf(context, this.question)
    this.#workOut()
    const kept = held.flatMap((id) => context.table.maybeRow(id) ?? [])
    this.#take(kept.filter((row) => !this.has(row)))
  }

  #workOut(): void {
    const { leaves, overall, rows } = evaluate(this.#plan)
    this.#leaves = leaves
    this.#overall = overall
    this.#remembered = []
    this.#groups = undefined
    this.#freed = this.#plan.context.table.freed.length
    this.#moment = momentNow()
    this.#byPath.clear()
    this.#built.clear()
    this.#in = new Array(this.#plan.context.table.n)
    for (const leaf of leaves) {
      this.#byPath.set(keyOfPath(leaf.path), leaf)
      for (let k = 0; k < leaf.n; k++) this.#enter(leaf.rows[k]!, leaf)
    }
    this.#added = this.#plan.totals.facts.map(({ at }) => {
      const added = new Float64Array(this.#plan.context.table.n)
      for (const row of rows) added[row] = at(row)
      return added
    })
  }

  #enter(row: number, leaf: Leaf): void {
    const before = this.#in[row]
    this.#in[row] = before === undefined ? leaf : [...leavesOf(before), leaf]
  }

  /** These keep their place from now on; those let go take the one that is theirs. */
  hold(ids: ReadonlySet<string>): void {
    const released = [...this.#held].filter((id) => !ids.has(id))
    this.#held = ids
    this.update(released)
  }

  /** Takes in that these items have changed. */
  update(ids: Iterable<string>): void {
    const { kin, context } = this.#plan
    const { table } = context
    const rows = new Set<number>()
    while (this.#freed < table.freed.length) rows.add(table.freed[this.#freed++]!)
    for (const id of ids) {
      const row = table.maybeRow(id)
      if (row !== undefined) rows.add(row)
    }
    for (const row of workings()?.changedSince(context, this.#moment) ?? []) rows.add(row)
    for (const row of changedAround(context, this.#moment)) rows.add(row)
    this.#moment = momentNow()
    if (kin.inside || kin.above) for (const row of [...rows]) this.#addKin(row, rows)
    if (rows.size > mostTouched) this.evaluate(context)
    else if (rows.size) this.#take(rows)
  }

  #addKin(row: number, rows: Set<number>): void {
    const { kin, context } = this.#plan
    const { table } = context
    if (kin.inside)
      for (let at = table.parent[row]!; at !== noRow && !rows.has(at); at = table.parent[at]!) rows.add(at)
    if (!kin.above) return
    const below = [row]
    for (let at = below.pop(); at !== undefined && rows.size <= mostTouched; at = below.pop())
      for (const child of table.childrenOf(at)) {
        rows.add(child)
        below.push(child)
      }
  }

  #isHeld = (row: number): boolean => this.#held.size > 0 && this.#held.has(this.#plan.context.table.ids[row]!)

  #take(rows: Iterable<number>): void {
    const { test, context, axes } = this.#plan
    const { table } = context
    // All out before the first is put back: one that is out of order would mislead the search for a place.
    const moved: number[] = []
    for (const row of rows)
      if (this.has(row) && this.#isHeld(row)) this.#count(row, leavesOf(this.#in[row]), true)
      else {
        this.#takeOut(row)
        moved.push(row)
      }
    for (const row of moved) {
      const belongs = table.listed[row] && (this.#isHeld(row) || test.test(row))
      if (belongs) this.#putIn(row, pathsOf(axes, row))
    }
    this.#remembered = []
    this.#groups = undefined
  }

  #takeOut(row: number): void {
    const leaves = leavesOf(this.#in[row])
    if (!leaves.length) return
    for (const leaf of leaves) {
      const at = leaf.rows.subarray(0, leaf.n).indexOf(row)
      leaf.rows.copyWithin(at, at + 1, leaf.n--)
    }
    this.#count(row, leaves, false)
    this.#in[row] = undefined
    for (const leaf of leaves)
      if (!leaf.n && this.#plan.axes.length) {
        this.#leaves.splice(this.#leaves.indexOf(leaf), 1)
        this.#byPath.delete(keyOfPath(leaf.path))
      }
  }

  /** Takes what the row has added out of the totals of these groups and, where it stays, what it adds now in. */
  #count(row: number, leaves: readonly Leaf[], stays: boolean): void {
    for (const [f, { at }] of this.#plan.totals.facts.entries()) {
      const added = this.#added[f]!
      const before = added[row]!
      const now = stays ? at(row) : Number.NaN
      for (const one of [this.#overall, ...leaves.map((leaf) => leaf.tally)]) {
        one.add(f, before, -1)
        one.add(f, now, 1)
      }
      added[row] = now
    }
    for (const leaf of leaves) {
      leaf.remembered = []
      this.#built.delete(leaf)
      if (!stays) leaf.tally.n--
    }
    if (!stays) this.#overall.n--
  }

  #putIn(row: number, paths: readonly (readonly GroupValue[])[]): void {
    const leaves = paths.map((path) => this.#leafAt(path))
    for (const leaf of leaves) {
      if (leaf.n === leaf.rows.length) leaf.rows = grown(leaf.rows, Math.max(8, leaf.n + (leaf.n >> 3) + 8))
      const at = this.#placeIn(leaf, row)
      leaf.rows.copyWithin(at + 1, at, leaf.n++)
      leaf.rows[at] = row
      leaf.remembered = []
      this.#built.delete(leaf)
      leaf.tally.n++
      this.#enter(row, leaf)
    }
    this.#overall.n++
    for (const [f, { at }] of this.#plan.totals.facts.entries()) {
      this.#added[f] = grown(this.#added[f]!, this.#plan.context.table.n)
      const now = (this.#added[f][row] = at(row))
      for (const one of [this.#overall, ...leaves.map((leaf) => leaf.tally)]) one.add(f, now, 1)
    }
  }

  #leafAt(path: readonly GroupValue[]): Leaf {
    const key = keyOfPath(path)
    const known = this.#byPath.get(key)
    if (known) return known
    const leaf: Leaf = { path, rows: noRows, n: 0, tally: new Tally(this.#plan.totals.facts.length), remembered: [] }
    this.#byPath.set(key, leaf)
    const after = this.#leaves.findIndex((one) => comparePaths(this.#plan.axes, path, one.path) < 0)
    this.#leaves.splice(after < 0 ? this.#leaves.length : after, 0, leaf)
    return leaf
  }

  /** By binary search over the rows that are not held, which alone are sure to be in order. */
  #placeIn({ rows, n }: Leaf, row: number): number {
    let [low, high] = [0, n]
    while (low < high) {
      const middle = (low + high) >>> 1
      let probe = middle
      while (probe < high && this.#isHeld(rows[probe]!)) probe++
      if (probe < high && compareBy(this.#plan.order, rows[probe]!, row) < 0) low = probe + 1
      else high = middle
    }
    // Those between are held: after the ones that it comes after.
    while (low < n && this.#isHeld(rows[low]!) && compareBy(this.#plan.order, rows[low]!, row) < 0) low++
    return low
  }

  /** A share of all changes with every item. */
  get #hasShares(): boolean {
    return this.#plan.totals.totals.some((total) => total.name === 'share')
  }

  #tree(): Group[] {
    const { axes } = this.#plan
    if (!axes.length) {
      const [leaf] = this.#leaves
      return [this.#group([], leaf ? [leaf] : [], [])]
    }
    return this.#level([], this.#leaves)
  }

  /** The groups at a path; `leaves`: what lies in them, in order. */
  #level(path: readonly GroupValue[], leaves: readonly Leaf[]): Group[] {
    const axis = this.#plan.axes[path.length]
    if (!axis) return []
    const parts = new Map<GroupValue, Leaf[]>()
    for (const leaf of leaves) {
      const value = leaf.path[path.length] ?? null
      const part = parts.get(value)
      if (part) part.push(leaf)
      else parts.set(value, [leaf])
    }
    if (axis.key.withEmpty)
      for (const value of axis.known([...parts.keys()]))
        if (!parts.has(value) && !(value === null && axis.key.hideNone)) parts.set(value, [])
    // The leaves come in order, and so do the groups that they are in.
    const inOrder = axis.key.withEmpty ? [...parts].sort(([a], [b]) => axis.compare(a, b)) : [...parts]
    const groups = inOrder.map(([value, its]) => this.#group([...path, value], its, this.#level([...path, value], its)))
    return axis.key.byTotal ? this.#byTotal(groups, axis) : groups
  }

  #group(path: readonly GroupValue[], leaves: readonly Leaf[], groups: readonly Group[]): Group {
    const isInner = path.length < this.#plan.axes.length
    const leaf = isInner ? undefined : leaves[0]
    const before = leaf && this.#built.get(leaf)
    if (before) return before
    const tally = leaf?.tally ?? this.#tallyOf(leaves)
    const totals = totalsOf(this.#plan.totals, tally, this.#overall, () => rowsOf(leaves), leaf?.remembered)
    const group: Group = {
      value: path.at(-1) ?? null,
      path,
      count: tally.n,
      totals,
      groups,
      rows: leaf?.rows ?? noRows,
      n: leaf?.n ?? 0,
    }
    if (leaf && !this.#hasShares) this.#built.set(leaf, group)
    return group
  }

  /** Of several innermost groups together; where an item may be in two of them it is counted once. */
  #tallyOf(leaves: readonly Leaf[]): Tally {
    const { totals, axes } = this.#plan
    const tally = new Tally(totals.facts.length)
    if (axes.every((axis) => axis.isSingle)) for (const leaf of leaves) tally.addAll(leaf.tally)
    else tallyInto(totals, rowsOf(leaves), tally)
    return tally
  }

  #byTotal(groups: Group[], { key }: Axis): Group[] {
    const { totals } = this.#plan.totals
    const at = totals.findIndex((total) => !!key.byTotal && isSameTotal(total, key.byTotal))
    const way = key.down ? -1 : 1
    return groups.sort((a, b) => {
      const [x, y] = [a.totals[at] ?? null, b.totals[at] ?? null]
      if (x === null || y === null) return Number(x === null) - Number(y === null)
      return (x - y) * way
    })
  }
}

const isSameTotal = (one: Total, other: Total): boolean =>
  one.name === other.name && (one.of && other.of ? isSameFact(one.of, other.of) : one.of === other.of)

const leavesOf = (its: Leaf | readonly Leaf[] | undefined): readonly Leaf[] =>
  its === undefined ? [] : Array.isArray(its) ? its : [its as Leaf]

/** The rows of some groups, each once. */
function rowsOf(leaves: readonly Leaf[]): Int32Array {
  if (leaves.length === 1) return leaves[0]!.rows.subarray(0, leaves[0]!.n)
  const rows = new Set<number>()
  for (const leaf of leaves) for (let k = 0; k < leaf.n; k++) rows.add(leaf.rows[k]!)
  return Int32Array.from(rows)
}
