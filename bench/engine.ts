/** The engine's budgets: each view against loops over typed arrays written by hand for that view alone. */
import type { NumberColumn } from '#core/fields/columns/column'
import { dayNumber, fromDayNumber } from '#core/base/dates'
import type { Condition, Item } from '#core/model/records'
import type { State } from '#core/model/state'
import { readPayload, toPayload } from '#core/wire/payload'
import { evaluate, planOf } from '#core/views/evaluate'
import { LiveView } from '#core/views/live'
import { madeOf, seen } from '#core/views/tree'
import { rollUp } from '#core/views/roll-up'
import { viewContext } from '#core/facts/contract'
import { chanceOf, emptyProject, itemsOf, viewer, project, views } from './engine-data'
import { limitOf } from './engine-limit'
import { lineOf, median, type Line } from './line'
import { workedLines } from './worked'

const names = ['V1', 'V1w', 'V2', 'V3'] as const
const bounds = { V1: 2, V1w: 1.75, V2: 1.5, V3: 2.5, V4: 1.5 } as const
const said = {
  V1: 'V1 mine, open and urgent, by zone and status',
  V1w: 'V1w the same for everyone',
  V2: 'V2 a word in the title, by a number',
  V3: 'V3 all by status, in the team’s order',
  V4: 'V4 effort over the tree',
} as const

const cpuMs = (): number => {
  const { user, system } = process.cpuUsage()
  return (user + system) / 1000
}

/** CPU ms of one call each, taken in turns so that both see the same machine: medians of many rounds. */
function inTurns(ours: () => unknown, limit: () => unknown, rounds: number): { ours: number; limit: number } {
  const both = [ours, limit]
  const times = both.map(() => [] as number[])
  const calls = both.map((call) => {
    const from = performance.now()
    let done = 0
    while (done < 5 || performance.now() - from < 300) {
      call()
      done++
    }
    return Math.max(1, Math.ceil(4 / ((performance.now() - from) / done)))
  })
  for (let round = 0; round < rounds; round++)
    both.forEach((call, which) => {
      const from = cpuMs()
      for (let k = calls[which]!; k > 0; k--) call()
      times[which]!.push((cpuMs() - from) / calls[which]!)
    })
  return { ours: median(times[0]!), limit: median(times[1]!) }
}

function stateWith(items: readonly Item[]): State {
  const state = emptyProject()
  const table = state.table(project)
  table.reserve(items.length)
  for (const item of items) table.put(item)
  // Worked out once, in idle time.
  void table.title.ordering.order
  return state
}

export function engineLines(sizes: readonly number[]): Line[] {
  const lines: Line[] = []
  for (const n of sizes) {
    const items = itemsOf(n)
    const state = stateWith(items)
    const limit = limitOf(items)
    const ask = viewContext(state, project, viewer)
    const ratios: number[] = []
    const isLargest = n === Math.max(...sizes)
    /** V1 alone has a budget at every size. */
    const boundOf = (bound: number, name = '') => (isLargest || name === 'V1' ? bound : null)
    const line = (name: keyof typeof bounds, ours: () => unknown): void => {
      const taken = inTurns(ours, limit[name], 25)
      const one = lineOf(said[name], n, taken.ours, taken.limit, boundOf(bounds[name], name))
      ratios.push(one.ratio)
      lines.push(one)
    }
    for (const name of names) {
      // Both know beforehand what is asked: here it is compiled, there it is written out.
      const plan = planOf(ask, views[name])
      const run = () => evaluate(plan)
      same(run(), limit[name](), name)
      line(name, run)
    }
    const effort = state.table(project).column('effort') as NumberColumn
    const byHand = limit.V4()
    if (rollUp(ask.table, effort).some((x, row) => x !== byHand[row])) throw new Error('V4 differs')
    line('V4', () => rollUp(ask.table, effort))
    const mean = Math.exp(ratios.reduce((sum, ratio) => sum + Math.log(ratio), 0) / ratios.length)
    lines.push(
      lineOf('all five together, geometric mean (goal 1.25)', n, mean, 1, isLargest ? 1.5 : n === 10_000 ? 1.6 : null),
    )
    if (!isLargest) continue
    lines.push(...changed(state, items))
    lines.push(built(state))
    lines.push(hostile())
    lines.push(outlined(state))
    lines.push(...workedLines(state, ask))
    lines.push(lineOf('memory of the items, MB (limit 60)', n, memoryOf(state), 60, 1))
  }
  return lines
}

/** The same items in the same order, the same sums. */
function same(
  ours: ReturnType<typeof evaluate>,
  limit: { rows: Int32Array; sums: readonly number[] },
  name: string,
): void {
  const rows = ours.leaves.flatMap((leaf) => Array.from(leaf.rows.subarray(0, leaf.n)))
  if (rows.length !== limit.rows.length || rows.some((row, k) => row !== limit.rows[k])) throw new Error(`${name}: other items`) // prettier-ignore
  const sums = ours.leaves.flatMap(({ tally }) => [tally.n, tally.sum[0] ?? 0])
  const theirs = limit.sums.filter((_, i) => i % 3)
  if (theirs.length && sums.join() !== theirs.join()) throw new Error(`${name}: other sums`)
}

/** One item changed: the new result, in ms, against 0.1 ms. */
function changed(state: State, items: readonly Item[]): Line[] {
  const chance = chanceOf(3)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)]!
  const changes: Readonly<Record<string, () => [field: string, value: unknown]>> = {
    status: () => ['status', `status ${Math.floor(chance() * 8)}`],
    due: () => ['due', pick(items).values.due ?? null],
    effort: () => ['effort', Math.floor(chance() * 80) * 25],
    title: () => ['title', `edited ${Math.floor(chance() * 1e9).toString(36)}`],
    rank: () => ['rank', `${pick(items).rank}m${Math.floor(chance() * 1e6).toString(36)}`],
  }
  return (['V1', 'V3'] as const).flatMap((name) => {
    const live = new LiveView(views[name], viewContext(state, project, viewer))
    return Object.entries(changes).map(([kind, change]) => {
      const taken: number[] = []
      for (let i = 0; i < 400; i++) {
        const inIt = live.inOrder()
        const id =
          i % 2 && inIt.length ? state.table(project).ids[pick(Array.from(inIt.subarray(0, 500)))]! : pick(items).id
        const [field, value] = change()
        const from = process.hrtime.bigint()
        state.set('item', id, field, value)
        live.update(new Set([id]))
        void live.groups
        taken.push(Number(process.hrtime.bigint() - from) / 1e6)
      }
      const anew = new LiveView(views[name], viewContext(state, project, viewer))
      if (anew.inOrder().join() !== live.inOrder().join()) throw new Error(`${name} live differs`)
      return lineOf(`one ${kind} changed, ${name} anew (limit 0.1 ms)`, items.length, median(taken), 0.1, 1)
    })
  })
}

/** From the payload's text to a store, against parsing the text alone. */
function built(state: State): Line {
  const text = JSON.stringify(toPayload(state, project, 1))
  const n = state.table(project).size
  const parsed = JSON.parse(text) as Parameters<typeof readPayload>[1]
  const { ours, limit } = inTurns(
    () => readPayload(emptyProject(), parsed),
    () => JSON.parse(text) as unknown,
    7,
  )
  return lineOf(`the store from its payload (${(text.length / 1e6).toFixed(1)} MB)`, n, ours + limit, limit, 4)
}

/** An outline opened to its third level, from items in their order, against a loop that is written for nothing else. */
function outlined(state: State): Line {
  const own = { by: { fact: 'place' as const }, down: false }
  const live = new LiveView({ where: [], sort: [own], group: [], totals: [] }, viewContext(state, project, viewer))
  const { table } = live.plan.context
  const order = live.inOrder()
  const open = 3
  const byHand = (): Int32Array => {
    const [first, next] = [new Int32Array(table.n).fill(-1), new Int32Array(table.n).fill(-1)]
    let roots = -1
    for (let k = order.length - 1; k >= 0; k--) {
      const row = order[k]!
      const parent = table.parent[row]!
      if (parent < 0) {
        next[row] = roots
        roots = row
      } else {
        next[row] = first[parent]!
        first[parent] = row
      }
    }
    const lines = new Int32Array(order.length)
    const above: number[] = []
    let n = 0
    for (let row = roots; row >= 0;) {
      lines[n++] = row
      if (first[row]! >= 0 && above.length + 1 < open) {
        above.push(row)
        row = first[row]!
        continue
      }
      while (next[row]! < 0 && above.length) row = above.pop()!
      row = next[row]!
    }
    return lines.slice(0, n)
  }
  const seenIn = (tree: ReturnType<typeof madeOf>) => seen(tree, (_row, level) => level + 1 < open)
  const tree = madeOf(live)
  if (
    seenIn(tree)
      .map((place) => tree.order[place]!)
      .join() !== byHand().join()
  )
    throw new Error('the outline differs')
  const taken = inTurns(() => seenIn(madeOf(live)), byHand, 15)
  return lineOf('an outline opened to its third level', order.length, taken.ours, taken.limit, 2)
}

/** The costliest view that may be stored: 200 conditions about relatives of relatives, of which no item meets any. */
function hostile(): Line {
  const n = 50_000
  const items = itemsOf(n)
  const state = stateWith(items)
  const context = viewContext(state, project, viewer)
  const { table } = context
  const due = items.map((item) => (item.values.due ? dayNumber(item.values.due as string) : -1))
  const latest = Math.max(...due)
  const groups = 49
  const that = (i: number): Condition => {
    const leaf: Condition = { about: 'fact', fact: { fact: 'field', field: 'due' as never }, test: { is: 'days', from: fromDayNumber(latest + 1 + i), to: null } } // prettier-ignore
    return { about: 'anyChild', that: { about: 'parent', that: { about: 'anyChild', that: leaf } } }
  }
  const where: Condition[] = [{ about: 'any', of: Array.from({ length: groups }, (_, i) => that(i)) }]
  const question = { where, group: [], sort: [], totals: [] }
  /** Each condition over all items, one after another, in columns of its own. */
  const byHand = (): number => {
    let met = 0
    const any = new Uint8Array(n)
    for (let i = 0; i < groups; i++) {
      const [leaf, inside, above, again] = Array.from({ length: 4 }, () => new Uint8Array(n)) as [Uint8Array, Uint8Array, Uint8Array, Uint8Array] // prettier-ignore
      for (let row = 0; row < n; row++) leaf[row] = due[row]! > latest + i ? 1 : 0
      for (let row = 0; row < n; row++) if (leaf[row] && table.parent[row]! >= 0) inside[table.parent[row]!] = 1
      for (let row = 0; row < n; row++) above[row] = table.parent[row]! >= 0 ? inside[table.parent[row]!]! : 0
      for (let row = 0; row < n; row++) if (above[row] && table.parent[row]! >= 0) again[table.parent[row]!] = 1
      for (let row = 0; row < n; row++) any[row]! |= again[row]!
    }
    for (let row = 0; row < n; row++) met += any[row]!
    return met
  }
  const taken = inTurns(() => evaluate(planOf(context, question)), byHand, 7)
  if (evaluate(planOf(context, question)).rows.length !== byHand()) throw new Error('the hostile view differs')
  return lineOf(`a hostile view, ${groups * 4 + 1} conditions about relatives`, n, taken.ours, taken.limit, 2)
}

/** Heap and array buffers of a store, in MB, with what the views have had worked out. */
function memoryOf(state: State): number {
  const used = (): number => {
    for (let i = 0; i < 4; i++) (globalThis as { gc?: () => void }).gc?.()
    const { heapUsed, external } = process.memoryUsage()
    return (heapUsed + external) / 1_048_576
  }
  const before = used()
  const kept = copyOf(state)
  const after = used()
  // It must not be collected before it was measured.
  return kept.count('item') ? after - before : 0
}

/** As a browser gets it, with every view of the budgets asked once. */
function copyOf(state: State): State {
  const kept = emptyProject()
  const payload = JSON.stringify(toPayload(state, project, 1))
  readPayload(kept, JSON.parse(payload) as Parameters<typeof readPayload>[1])
  const ask = viewContext(kept, project, viewer)
  for (const name of names) evaluate(planOf(ask, views[name]))
  return kept
}
