import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { viewContext } from '../facts/contract'
import { layoutNames } from '../model/names'
import { boardsOf, columnsOf, heldBy, kindsOf, statusesOf } from '../model/reader'
import type { Item, ViewDefinition } from '../model/records'
import { runs } from '../test-kit/runs'
import { command, grown, run, smallWorkspace, today, type Dice, type Small } from '../test-kit/workspace'
import { LiveView } from '../views/live'
import type { BoardAnswer } from './board'
import type { OutlineAnswer } from './outline'
import { layoutOf } from './registry'
import { mapLists, saidLayouts, type LayoutAnswer } from './said'
import { isHead, lineId, rowOf } from './rows'
import type { TableAnswer } from './table'

const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>
const rolls = fc.array(dice, { minLength: 5, maxLength: 40 })
/** A view of the project in a layout: one that it has, or what another begins as. */
function viewIn({ state, project }: Small, layout: ViewDefinition['layout']): ViewDefinition {
  const all = [...state.all('view')].filter((view) => view.project === project.id).map((view) => view.definition)
  const begun = (from: ViewDefinition) => saidLayouts[layout].begin(state, project, from)
  return all.find((one) => one.layout === layout) ?? must(begun(must(all[0], 'view')), layout)
}

/** The answer of a view of which `window` is handed out. */
function answerOf(
  { state, project, people }: Small,
  definition: ViewDefinition,
  window: (list: string, length: number) => [number, number] = (_list, length) => [0, length],
  folded: readonly string[] = [],
  foldedFrom = Infinity,
): LayoutAnswer {
  const layout = layoutOf(definition)
  const context = viewContext(state, project.id, { me: people.lead.id, today })
  const live = new LiveView(layout.question(state, definition as never), context)
  const sums = { items: live.count, late: 0, effort: 0 }
  const rowAt = (row: number) => rowOf(state, today as never, context.table.at(row))
  return layout.answer({ reader: state, project, definition: definition as never, live, sums, totals: live.totals, turned: new Set(folded), foldedFrom, window, rowAt }) // prettier-ignore
}
const byStatus = { group: [{ by: { fact: 'status' as const } }] }

describe('every layout', () => {
  it.each(layoutNames)('%s begins from any other, and keeps what they have in common', (name) => {
    const small = smallWorkspace()
    for (const other of layoutNames) {
      const from = { ...viewIn(small, other), ...byStatus, sort: [{ by: { fact: 'late' as const }, down: true }] }
      const begun = must(saidLayouts[name].begin(small.state, small.project, from as ViewDefinition), 'definition')
      expect(begun).toMatchObject({ layout: name, where: from.where, sort: from.sort, group: from.group, show: from.show }) // prettier-ignore
    }
  })

  it.each(layoutNames)('%s hands out any part of its lists as the whole has it', (name) => {
    fc.assert(
      fc.property(rolls, fc.nat(30), fc.nat(30), (steps, from, length) => {
        const small = smallWorkspace()
        const definition = { ...viewIn(small, name), ...byStatus } as ViewDefinition
        grown(small, steps)
        const whole = new Map<string, readonly string[]>()
        const keep = (all: Map<string, readonly string[]>) => (list: string, stretch: never) => {
          all.set(list, (stretch as { rows: never[] }).rows.map(lineId))
          return stretch
        }
        mapLists(answerOf(small, definition), keep(whole) as never)
        const part = new Map<string, readonly string[]>()
        const window = (_list: string, n: number): [number, number] => [Math.min(from, n), Math.min(from + length, n)]
        mapLists(answerOf(small, definition, window), keep(part) as never)
        expect([...part]).toEqual([...whole].map(([list, ids]) => [list, ids.slice(from, from + length)]))
      }),
      runs(60, 1500),
    )
  })
})

describe('a table', () => {
  it('has a head before the items of each group, which a folded group leaves out', () => {
    fc.assert(
      fc.property(rolls, (steps) => {
        const small = smallWorkspace()
        const definition = { ...viewIn(small, 'table'), ...byStatus } as ViewDefinition
        grown(small, steps)
        const open = answerOf(small, definition) as TableAnswer
        const heads = open.stretch.rows.filter(isHead)
        expect(heads.reduce((sum, head) => sum + head.count, 0)).toBe(open.sums.items)
        expect(open.lines).toBe(open.sums.items + heads.length)
        const [first] = heads
        if (!first) return
        const folded = answerOf(small, definition, undefined, [first.head]) as TableAnswer
        expect(folded.lines).toBe(open.lines - first.count)
        // From a level on all are folded, but for those that are turned.
        const shut = (answerOf(small, definition, undefined, [], 0) as TableAnswer).stretch.rows
        expect(shut.every((line) => isHead(line) && line.folded)).toBe(true)
        expect((answerOf(small, definition, undefined, [first.head], 0) as TableAnswer).lines).toBe(shut.length + first.count) // prettier-ignore
        expect(folded.stretch.rows[0]).toMatchObject({ head: first.head, folded: true, count: first.count })
        expect(folded.stretch.rows.slice(1).map(lineId)).toEqual(open.stretch.rows.slice(1 + first.count).map(lineId))
      }),
      runs(60, 1500),
    )
  })

  it('that is not grouped has no heads', () => {
    const small = smallWorkspace()
    grown(small, [[0, 1, 0], [0, 2, 0]]) // prettier-ignore
    const { stretch, lines } = answerOf(small, {
      ...viewIn(small, 'table'),
      group: [],
    } as ViewDefinition) as TableAnswer
    expect([stretch.rows.some(isHead), lines]).toEqual([false, stretch.rows.length])
  })
})

describe('an outline', () => {
  it('is open to its level; what was turned stands the other way; what only holds matches is open', () => {
    const small = smallWorkspace()
    const { state, project, ids, people } = small
    const add = (title: string, parent: Item['parent']) => {
      const item = ids.item()
      const kind = must(kindsOf(state, project.id)[0], 'kind').id
      const status = must(statusesOf(state, project.id)[0], 'status').id
      run(state, command(ids, { type: 'items.add', items: [{ item, project: project.id, kind, title, status, parent, values: {} }] }), people.lead.id) // prettier-ignore
      return item
    }
    const court = add('Palm court', null)
    const heating = add('Heating', court)
    add('Flush the loop', heating)
    add('Swap the thermostat', heating)
    add('Fern gallery', null)
    const definition = {
      ...viewIn(small, 'outline'),
      where: [],
      open: 2,
      totals: [{ name: 'count' }],
    } as ViewDefinition
    const said = (folded: readonly string[] = [], where: ViewDefinition['where'] = []) =>
      (answerOf(small, { ...definition, where: [...where] }, undefined, folded) as OutlineAnswer).stretch.rows.map(
        ({ place, item, level, isOpen, isAside, totals }) =>
          `${'  '.repeat(level)}${place} ${item.title}${isOpen === undefined ? '' : isOpen ? ' v' : ' >'}${isAside ? ' (aside)' : ''}${totals ? ` ${totals.join()}` : ''}`, // prettier-ignore
      )
    expect(said()).toEqual(['1 Palm court v 4', '  1.1 Heating > 3', '2 Fern gallery'])
    expect(said([court])).toEqual(['1 Palm court > 4', '2 Fern gallery'])
    expect(said([heating])).toEqual(['1 Palm court v 4', '  1.1 Heating v 3', '    1.1.1 Flush the loop', '    1.1.2 Swap the thermostat', '2 Fern gallery']) // prettier-ignore
    const thermostat: ViewDefinition['where'] = [{ about: 'fact', fact: { fact: 'title' }, test: { is: 'has', words: 'thermostat' } }] // prettier-ignore
    expect(said([], thermostat)).toEqual(['1 Palm court v (aside) 1', '  1.1 Heating v (aside) 1', '    1.1.2 Swap the thermostat']) // prettier-ignore
  })
})

describe('a board', () => {
  it('has each item in the column that holds its status, in the order of the view', () => {
    fc.assert(
      fc.property(rolls, (steps) => {
        const small = smallWorkspace()
        const definition = viewIn(small, 'board')
        grown(small, steps)
        const { state, project } = small
        const board = must(boardsOf(state, project.id)[0], 'board')
        const answer = answerOf(small, definition) as BoardAnswer
        const listed = [...state.itemsOf(project.id)].filter((item) => !item.archived)
        expect(answer.columns.map((column) => column.column)).toEqual(
          columnsOf(state, board.id).map((column) => column.id),
        )
        const ties = answer.columns.flatMap(({ column }) => heldBy(state, column))
        // What is held for its kind is not where the status is held for all.
        const columnOf = ({ status, kind }: Item) =>
          (ties.find((one) => one.status === status && one.kind === kind) ?? ties.find((one) => one.status === status && !one.kind))?.column // prettier-ignore
        for (const { column, held, shown, stretch } of answer.columns) {
          const its = listed.filter((item) => columnOf(item) === column).sort((a, b) => (a.rank < b.rank ? -1 : 1))
          expect([held, shown, stretch.rows.map((row) => row.item.id)]).toEqual([
            its.length, its.length, its.map((item) => item.id),
          ]) // prettier-ignore
        }
      }),
      runs(60, 1500),
    )
  })

  it('says how many a column holds, whatever the view leaves out', () => {
    const small = smallWorkspace()
    grown(
      small,
      Array.from({ length: 30 }, (_, i) => [0, i, i * 7] as const),
    )
    const whole = answerOf(small, viewIn(small, 'board')) as BoardAnswer
    const none = { ...viewIn(small, 'board'), where: [{ about: 'fact', fact: { fact: 'title' }, test: { is: 'has', words: 'no such words' } }] } // prettier-ignore
    const narrowed = answerOf(small, none as ViewDefinition) as BoardAnswer
    expect(narrowed.columns.map((column) => [column.held, column.shown])).toEqual(
      whole.columns.map((column) => [column.held, 0]),
    )
  })
})
