/** Worked-out fields: computed ones against the library's bare evaluations, roll-ups against loops written by hand. */
import { Environment } from '@marcbachmann/cel-js'
import type { FieldId } from '#core/base/ids'
import { fiveDayWeek } from '#core/base/working-time'
import { noDay, type DayColumn, type NumberColumn } from '#core/fields/columns/column'
import { factOfField } from '#core/facts/registry'
import type { ViewContext } from '#core/facts/contract'
import { workings } from '#core/facts/workings'
import type { FieldTypeName } from '#core/fields/names'
import type { FieldSettings } from '#core/fields/settings'
import { momentNow, noRow } from '#core/model/item-table'
import type { Field } from '#core/model/records'
import type { State } from '#core/model/state'
import { addFunctions } from '#core/worked-out/functions'
import { Day } from '#core/worked-out/values'
import { useWorkings } from '#core/worked-out/workings'
import { project, today } from './engine-data'
import { lineOf, median, type Line } from './line'

const formulas = [
  ['`effort` * 1.5 + 1.0', 'effort * 1.5 + 1.0', { gives: 'number', decimals: 2 }],
  ['(`due` - today) * 2.0', '(due - today) * 2.0', { gives: 'number' }],
  ['`effort` > 4.0 && `cost` > 100.0 ? "large" : "small"', 'effort > 4.0 && cost > 100.0 ? "large" : "small"', { gives: 'shortText' }], // prettier-ignore
] as const
const effort = 'effort' as FieldId
const due = 'due' as FieldId

function put(state: State, id: string, type: FieldTypeName, settings: FieldSettings): Field {
  const field: Field = { id: id as FieldId, project, name: id, help: '', type, settings, rank: 'z1', archived: false } as Field // prettier-ignore
  state.put('field', id, field)
  return field
}

/** What the library alone needs for the same formulas over the same types: their names put before it row by row. */
function bare(state: State): () => void {
  const table = state.table(project)
  const [efforts, costs, dues] = [(table.column('effort') as NumberColumn).a, (table.column('cost') as NumberColumn).a, (table.column('due') as DayColumn).a] // prettier-ignore
  const env = new Environment().registerType('Day', { ctor: Day, fields: {} })
  addFunctions(env, fiveDayWeek)
  for (const name of ['effort', 'cost']) env.registerVariable(name, 'double')
  for (const name of ['due', 'today']) env.registerVariable(name, 'Day')
  const evaluate = formulas.map(([, written]) => env.parse(written))
  const found = { effort: 0, cost: 0, due: new Day(0), today: new Day(today) }
  const results: unknown[] = []
  return () => {
    for (const one of evaluate)
      for (let row = 0; row < table.n; row++) {
        found.effort = efforts[row]! / 100
        found.cost = costs[row]! / 100
        found.due = new Day(dues[row] === noDay ? Number.NaN : dues[row]!)
        results[row] = one(found)
      }
  }
}

/** Effort over all that is inside, and the latest due of what is directly inside, written out. */
function byHand(state: State): { sums(): Float64Array; latest(): Int32Array } {
  const table = state.table(project)
  const { n, parent, listed, levels } = table
  const efforts = (table.column('effort') as NumberColumn).a
  const dues = (table.column('due') as DayColumn).a
  return {
    sums() {
      const sums = new Float64Array(n)
      const counts = new Int32Array(n)
      for (let k = n - 1; k >= 0; k--) {
        const row = levels.order[k]!
        const above = parent[row]!
        if (above === noRow || !listed[row]) continue
        const x = efforts[row]!
        if (x === x) {
          sums[above]! += x
          counts[above]!++
        }
        sums[above]! += sums[row]!
        counts[above]! += counts[row]!
      }
      const result = new Float64Array(n)
      for (let row = 0; row < n; row++) result[row] = counts[row] ? sums[row]! : Number.NaN
      return result
    },
    latest() {
      const result = new Int32Array(n).fill(noDay)
      for (let row = 0; row < n; row++) {
        const above = parent[row]!
        const day = dues[row]!
        if (above === noRow || !listed[row] || day === noDay) continue
        if (result[above] === noDay || day > result[above]!) result[above] = day
      }
      return result
    },
  }
}

/** Milliseconds of each, taken in turns so that both see the same machine: medians. */
function inTurns(ours: () => unknown, limit: () => unknown, rounds: number): [ours: number, limit: number] {
  const times: [number[], number[]] = [[], []]
  for (let round = 0; round < rounds; round++)
    for (const [which, call] of [ours, limit].entries()) {
      const from = performance.now()
      call()
      times[which as 0]!.push(performance.now() - from)
    }
  return [median(times[0]), median(times[1])]
}

/** Off the page's thread this is done in its worker, by this very code. */
export function workedLines(state: State, context: ViewContext): Line[] {
  useWorkings()
  const computed = formulas.map(([formula, , settings], i) => put(state, `computed ${i}`, 'computed', { formula, ...settings })) // prettier-ignore
  const rolled = [
    put(state, 'sum inside', 'rollUp', { over: 'inside', how: 'sum', of: effort, gives: 'number', decimals: 2 }),
    put(state, 'last inside', 'rollUp', { over: 'children', how: 'latest', of: due, gives: 'date' }),
  ]
  const table = state.table(project)
  const n = table.n
  /** Everything is forgotten, as when something that is no item changes. */
  const anew = (fields: readonly Field[]) => () => {
    state.put('field', fields[0]!.id, fields[0])
    for (const field of fields) factOfField(field).source(context)
  }
  const [sum, last] = rolled.map((field) => factOfField(field).source(context))
  const hand = byHand(state)
  const [sums, latest] = [hand.sums(), hand.latest()]
  for (let row = 0; row < n; row++) {
    if (sum?.kind !== 'number' || last?.kind !== 'day') throw new Error('of another kind')
    if (!Object.is(sum.at(row), sums[row]) || last.column.a[row] !== latest[row]) throw new Error('roll-ups differ')
  }
  const library = bare(state)
  const lines: Line[] = []
  for (let warm = 0; warm < 3; warm++) [library, anew(computed), anew(rolled)].forEach((call) => call())
  lines.push(lineOf('three computed fields, of the library’s bare', n, ...inTurns(anew(computed), library, 25), 1.5))
  const loops = () => [hand.sums(), hand.latest()]
  lines.push(lineOf('two roll-ups, of loops by hand', n, ...inTurns(anew(rolled), loops, 25), 2))
  anew([...computed, ...rolled])()
  const some = Array.from({ length: 200 }, (_, i) => Math.floor((i * n) / 200))
  const changes = some.map((row) => {
    const since = momentNow()
    table.set(row, effort, 100 + row)
    const from = performance.now()
    const touched = workings()!.changedSince(context, since)
    if (!touched.includes(row)) throw new Error('nothing has changed')
    return performance.now() - from
  })
  lines.push(lineOf('one change’s dependants in five fields, ms (limit 5)', n, Math.max(...changes), 5, 1))
  for (const { id } of [...computed, ...rolled]) state.put('field', id, undefined)
  return lines
}
