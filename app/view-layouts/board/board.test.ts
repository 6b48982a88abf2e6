import { beforeEach, describe, expect, it, vi } from 'vitest'
import { must } from '#core/base/result'
import { boardsOf, columnsOf, kindsOf, statusesOf } from '#core/model/reader'
import type { BoardAnswer } from '#core/layouts/board'
import { rowOf, type Row } from '#core/layouts/rows'
import type { Item } from '#core/model/records'
import { command, run, smallWorkspace, today, type Small } from '#core/test-kit/workspace'
import { useColumns } from './use-columns'
import { useLift } from './use-lift'

const around = vi.hoisted(() => ({
  directory: {} as { reader: unknown },
  changes: { sent: [] as { type: string; items: Record<string, unknown>[] }[], said: [] as string[] },
}))
vi.mock('../../data/directory', () => ({ useDirectory: () => around.directory }))
vi.mock('../../data/changes', () => ({
  useChanges: () => ({
    send: (one: never) => Promise.resolve(around.changes.sent.push(one) > 0),
    say: (text: string) => around.changes.said.push(text),
  }),
}))
vi.mock('vue', async (real) => ({ ...(await real<typeof import('vue')>()), onMounted: () => {} }))

let small: Small
let board: string
let held: readonly string[]
let isByRank: boolean
beforeEach(() => {
  small = smallWorkspace()
  around.directory.reader = small.state
  around.changes.sent = []
  around.changes.said = []
  held = []
  isByRank = true
  board = must(boardsOf(small.state, small.project.id)[0], 'board').id
  vi.stubGlobal('requestAnimationFrame', () => 0)
  vi.stubGlobal('document', { getElementById: () => null, activeElement: null, body: null })
})
const statusAt = (i: number) => must(statusesOf(small.state, small.project.id)[i], 'status').id
function item(title: string, status: number): Item {
  const { ids, state, project, people } = small
  const one = { item: ids.item(), project: project.id, kind: kindsOf(state, project.id)[0]!.id, title, status: statusAt(status), parent: null, values: {} } // prettier-ignore
  run(state, command(ids, { type: 'items.add', items: [one] }), people.lead.id)
  return must(state.maybe('item', one.item), 'item')
}
const shown = (one: Item): Row => rowOf(small.state, today as never, one)

/** The board as it would be answered, of the items that are there. */
function answer(): BoardAnswer {
  const rows = [...small.state.itemsOf(small.project.id)].sort((a, b) => (a.rank < b.rank ? -1 : 1)).map(shown)
  const places = useColumns(() => board, () => undefined) // prettier-ignore
  const columns = columnsOf(small.state, board).map(({ id }) => {
    const its = rows.filter((row) => places.columnOf(row)?.column.id === id)
    return { column: id, held: its.length, amount: its.length, shown: its.length, stretch: { from: 0, rows: its } }
  })
  return { layout: 'board', sums: { items: rows.length, late: 0, effort: 0 }, columns, outside: [] }
}
let chosen: readonly Row[] = []
function onBoard() {
  const told = answer()
  const columns = useColumns(() => board, () => told) // prettier-ignore
  const lift = useLift({
    columns,
    mayMove: () => true,
    isRanked: () => isByRank,
    hold: (items) => (held = items),
    along: (row) => (chosen.length ? chosen : [row]),
  })
  const at = (i: number) => must(columns.columns.value[i], 'column')
  return { columns, at, ...lift }
}
const key = (name: string) => ({ key: name, preventDefault: () => {} }) as KeyboardEvent
const moved = () => around.changes.sent.flatMap((one) => one.items)

describe('the columns of a board', () => {
  it('hold cards, limits and room, with what was dropped folded', () => {
    for (let i = 0; i < 7; i++) item(`Pane ${i}`, 2)
    const { columns } = onBoard()
    expect(
      columns.columns.value.map((column) => [
        column.column.name,
        column.limit?.most ?? null,
        column.held,
        column.isOver,
        column.isFolded,
      ]),
    ).toEqual([
      ['Noted', null, 0, false, false],
      ['Ready', null, 0, false, false],
      ['In hand', 6, 7, true, false],
      ['Being checked', null, 0, false, false],
      ['Accepted', null, 0, false, false],
      ['Set aside', null, 0, false, true],
    ])
  })

  it('give a card a status that its kind can have, and none where there is none', () => {
    const { columns, at } = onBoard()
    const kind = kindsOf(small.state, small.project.id)[0]!
    expect(columns.statusIn(at(1), kind.id)).toBe(statusAt(1))
    const step = `${kind.workflow}/${statusAt(1)}`
    small.state.put('step', step as never, undefined)
    expect(columns.statusIn(at(1), kind.id)).toBeUndefined()
  })
})

describe('several cards', () => {
  it('go along with the one that is carried, beside the nearest that stays', () => {
    const [one, two, stays] = [item('Pane', 0), item('Ridge', 1), item('Door', 1)]
    chosen = [shown(one), shown(two)]
    const { start, onKey } = onBoard()
    start(shown(one), 'keyboard')
    onKey(key('ArrowRight'))
    onKey(key(' '))
    chosen = []
    const place = { before: stays.id }
    expect(moved()).toEqual([
      { item: one.id, status: { from: statusAt(0), to: statusAt(1) }, place },
      { item: two.id, place },
    ])
  })
})

describe('a card', () => {
  it('is lifted, carried by arrow keys and put down at a place, which is said all along', () => {
    const [one, first, second] = [item('Pane', 0), item('Ridge', 1), item('Door', 1)]
    const { start, onKey, lift, said } = onBoard()
    start(shown(one), 'keyboard')
    expect([held, said.value]).toEqual([
      [one.id],
      expect.stringMatching(/^Picked up Pane. It’s in Noted, place 1 of 1/),
    ])
    onKey(key('ArrowRight'))
    expect(said.value).toMatch(/^Ready, place 1. 1 more here/)
    onKey(key('ArrowDown'))
    onKey(key('Enter'))
    expect(moved()).toEqual([
      { item: one.id, status: { from: statusAt(0), to: statusAt(1) }, place: { before: second.id } },
    ])
    expect([lift.value, held, said.value]).toEqual([undefined, [], 'Put Pane down in Ready.'])
    expect(first.rank < second.rank).toBe(true)
  })

  it('stays where it was by Escape, and where it is put back', () => {
    const one = item('Pane', 0)
    const { start, onKey, said } = onBoard()
    start(shown(one), 'keyboard')
    onKey(key('ArrowRight'))
    onKey(key('Escape'))
    expect(said.value).toBe('Pane stays where it was.')
    start(shown(one), 'keyboard')
    onKey(key(' '))
    expect(moved()).toEqual([])
  })

  it('has no place of its own where the view has another order', () => {
    const [one] = [item('Pane', 0), item('Ridge', 1)]
    isByRank = false
    const { start, onKey } = onBoard()
    start(shown(one), 'keyboard')
    onKey(key('ArrowRight'))
    onKey(key('Enter'))
    expect(moved()).toEqual([{ item: one.id, status: { from: statusAt(0), to: statusAt(1) } }])
  })

  it('is not moved to a column without a status of its kind, and that is said', () => {
    const one = item('Pane', 0)
    const { moveTo, at, said } = onBoard()
    small.state.put('step', `${kindsOf(small.state, small.project.id)[0]!.workflow}/${statusAt(1)}`, undefined)
    moveTo(shown(one), at(1))
    expect([moved(), said.value]).toEqual([[], 'Pane stays where it was.'])
    expect(around.changes.said).toEqual([
      expect.stringMatching(/^Items of this kind can’t have any of the statuses in Ready/),
    ])
  })

  it('says beforehand what it would do to a limit', () => {
    const one = item('Pane', 0)
    for (let i = 0; i < 6; i++) item(`Ridge ${i}`, 2)
    const { dropOn, at } = onBoard()
    expect(dropOn(shown(one), at(2))).toEqual({ words: '1 more would make it 1 over', isOver: true })
    expect(dropOn(shown(one), at(0))).toMatchObject({ isOver: false })
  })
})
