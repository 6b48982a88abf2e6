import { beforeEach, describe, expect, it, vi } from 'vitest'
import { must } from '#core/base/result'
import type { GroupHead, Row } from '#core/layouts/rows'
import { fieldsOf, kindsOf, statusesOf } from '#core/model/reader'
import type { Field } from '#core/model/records'
import { rowOf } from '#core/layouts/rows'
import { command, run, smallWorkspace, today, type Small } from '#core/test-kit/workspace'
import { rowToStayAt, useCells } from './use-cells'
import type { TableColumn } from './columns'
import { useCellSpan } from './use-cell-span'

const around = vi.hoisted(() => ({ sent: [] as { items: { item: string; set: Record<string, unknown> }[] }[] }))
vi.mock('../../parts/early-keys', () => ({ keepEarlyKeys: () => () => undefined }))
vi.mock('../../data/directory', () => ({ useDirectory: () => ({}) }))
vi.mock('../../data/changes', () => ({
  useChanges: () => ({ send: (one: never) => Promise.resolve(around.sent.push(one) > 0) }),
}))

let small: Small
let rows: readonly Row[]
let heads: ReadonlyMap<number, GroupHead>
let mayEdit: boolean
let said: string[]
let columns: readonly TableColumn[]
let done: Field
let isSelecting: boolean
let span: ReturnType<typeof useCellSpan>
beforeEach(() => {
  small = smallWorkspace()
  around.sent = []
  said = []
  mayEdit = true
  isSelecting = false
  span = useCellSpan()
  heads = new Map()
  const { state, project, ids, people } = small
  done = { id: ids.next() as never, project: project.id, name: 'watered', help: '', type: 'checkbox', settings: {}, rank: 'b9', archived: false } // prettier-ignore
  run(state, command(ids, { type: 'field.add', record: done as never }), people.lead.id)
  const items = Array.from({ length: 30 }, (_, i) => ({
    item: ids.item(), project: project.id, kind: kindsOf(state, project.id)[0]!.id, title: `Pane ${i}`,
    status: statusesOf(state, project.id)[0]!.id, parent: null, values: { [project.uses.assignees!]: [people.lead.id] },
  })) // prettier-ignore
  run(state, command(ids, { type: 'items.add', items }), people.lead.id)
  rows = items.map(({ item }) => rowOf(state, today as never, must(state.maybe('item', item), 'item')))
  const named = (name: string) => must(fieldsOf(state, project.id).find((field) => field.name === name), name) // prettier-ignore
  const column = (field: Field) => ({ id: field.id, is: 'field', name: field.name, field })
  columns = [
    { id: 'key', is: 'key', name: 'Key' }, { id: 'title', is: 'title', name: 'Title' }, column(named('assignees')), column(done),
  ] as never // prettier-ignore
  vi.stubGlobal('requestAnimationFrame', () => 0)
})

const table = { clientHeight: 352, querySelector: () => undefined, focus: () => undefined, getAttribute: () => 'grid' } as unknown as HTMLElement // prettier-ignore
const grid = () =>
  useCells({
    lines: () => rows.length,
    columns: () => columns,
    rowAt: (index) => (heads.has(index) ? undefined : rows[index]),
    headAt: (index) => heads.get(index),
    mayEdit: () => mayEdit,
    tellHeld: () => {},
    cells: span,
    regroup: (way, row) => void said.push(`regroup ${way} ${row}`),
    find: () => void said.push('find'),
    headMenu: (row) => void said.push(`head ${row}`),
    moveHead: (row, way) => void said.push(`head ${row} ${way}`),
    me: () => undefined,
    // Eleven rows fit into it.
    element: () => table,
    rowHeight: () => 32,
    scrollTo: (row) => said.push(`scroll ${row}`),
    toggleFold: (id) => said.push(`fold ${id}`),
    tellWorked: (field) => said.push(`worked ${field.name}`),
    open: (key) => said.push(`open ${key}`),
    walk: (key) => said.push(`walk ${key}`),
    stretch: () => ({ from: 0, ids: [] }),
    menu: (row) => said.push(`menu ${row}`),
    addItem: () => said.push('add'),
    openTo: (level) => said.push(`open to ${level}`),
    nest: (step, row) => said.push(`${step} ${row}`),
    range: (act) => void said.push(act),
    hasSelection: () => isSelecting,
    select: {
      toggle: (row) => void said.push(`toggle ${row}`),
      extend: (from, to) => Promise.resolve(void said.push(`range ${from} ${to}`)),
      all: () => Promise.resolve(void said.push('all')),
      clear: () => void said.push('none'),
      press: () => false,
    },
  })
const key = (name: string, more: Partial<KeyboardEvent> = {}) => {
  const event = { key: name, target: { getAttribute: () => 'gridcell' }, isTaken: false, ...more }
  return Object.assign(event, { preventDefault: () => (event.isTaken = true) }) as unknown as KeyboardEvent & { isTaken: boolean } // prettier-ignore
}

describe('the cell that has the keyboard', () => {
  it.each([
    ['ArrowDown', {}, [6, 1]], ['ArrowUp', {}, [4, 1]], ['ArrowLeft', {}, [5, 0]], ['ArrowRight', {}, [5, 2]],
    ['Home', {}, [5, 0]], ['End', {}, [5, 3]], ['Home', { ctrlKey: true }, [0, 0]], ['End', { ctrlKey: true }, [29, 3]],
    ['PageDown', {}, [15, 1]], ['PageUp', {}, [0, 1]],
  ] as const)('%s %o takes it to %s', (name, more, [row, column]) => {
    const { at, focus, onKey } = grid()
    focus(5, 1)
    onKey(key(name, more))
    expect([at.value.row, at.value.column]).toEqual([row, column])
  }) // prettier-ignore

  it('copies cells, and fills downwards where one may', () => {
    const { focus, onKey } = grid()
    focus(5, 1)
    said.length = 0
    for (const name of ['c', 'd']) onKey(key(name, { ctrlKey: true }))
    mayEdit = false
    for (const name of ['c', 'd']) onKey(key(name, { ctrlKey: true }))
    expect(said.filter((one) => !one.startsWith('walk'))).toEqual(['copy', 'fill', 'copy'])
  })

  it('moves as well where its cell has not been drawn yet, and the table hears the keys', () => {
    const cells = grid()
    cells.focus(5, 1)
    cells.onKey(key('ArrowDown', { target: table }))
    cells.onKey(key('ArrowRight', { target: table }))
    expect(cells.at.value).toEqual({ row: 6, column: 2 })
  })

  it('stays within the table, and keys that are none of its own are left to others', () => {
    const { at, focus, onKey } = grid()
    focus(99, 99)
    expect(at.value).toEqual({ row: 29, column: 3 })
    onKey(key('ArrowDown'))
    expect(at.value).toEqual({ row: 29, column: 3 })
    const [escape, undo] = [key('Escape'), key('z', { ctrlKey: true })]
    onKey(escape)
    onKey(undo)
    expect([escape.isTaken, undo.isTaken]).toEqual([false, false])
  })

  it('on the head of a group folds it by Enter, Space or the arrow that leads away from what is open', () => {
    heads = new Map([[0, { head: 'a', path: ['a'], count: 3, totals: [], folded: false, v: '' }]])
    const { at, focus, onKey } = grid()
    focus(0, 1)
    said = []
    onKey(key('Enter'))
    onKey(key('ArrowLeft'))
    expect(said).toEqual(['fold a', 'fold a'])
    onKey(key('ArrowRight'))
    expect(at.value).toEqual({ row: 0, column: 2 })
  })
})

describe('a cell', () => {
  it('is edited by Enter, F2, Space or a letter, which begins what is typed', () => {
    for (const [name, typed] of [['Enter'], ['F2'], [' '], ['w', 'w']] as const) {
      const { editing, focus, onKey } = grid()
      focus(2, 1)
      onKey(key(name))
      expect(editing.value).toEqual({ item: rows[2]!.item.id, column: 'title', typed })
    }
  })

  it('hands the keyboard on when its editor is left: down by Enter, on by Tab, nowhere by Escape', () => {
    const { at, editing, focus, onKey, endEdit } = grid()
    for (const [by, place] of [['Enter', [3, 1]], ['Tab', [2, 2]], ['Escape', [2, 1]]] as const) {
      focus(2, 1)
      onKey(key('Enter'))
      endEdit(by)
      expect([editing.value, at.value.row, at.value.column]).toEqual([undefined, ...place])
    } // prettier-ignore
  })

  it('of a tick is ticked, of a key opens the item, and neither is edited', () => {
    const { editing, focus, onKey } = grid()
    focus(1, 3)
    onKey(key(' '))
    expect(around.sent).toEqual([{ type: 'items.set', items: [{ item: rows[1]!.item.id, set: { [done.id]: { from: null, to: true } } }] }]) // prettier-ignore
    focus(1, 0)
    onKey(key('Enter'))
    expect([said.at(-1), editing.value]).toEqual(['open GLH-2', undefined])
  })

  it('is emptied by Delete: of several, each is taken out', () => {
    const { focus, onKey } = grid()
    focus(4, 2)
    onKey(key('Delete'))
    expect(around.sent[0]?.items[0]?.set).toEqual({ [columns[2]!.id]: { add: [], remove: [small.people.lead.id] } })
    // Nothing stands there: nothing is sent.
    focus(4, 3)
    onKey(key('Backspace'))
    expect(around.sent).toHaveLength(1)
  })

  it('is neither edited nor emptied by whoever only reads', () => {
    mayEdit = false
    const { editing, focus, onKey } = grid()
    for (const [name, column] of [['Enter', 1], ['x', 1], [' ', 3], ['Delete', 2]] as const) {
      focus(3, column)
      onKey(key(name))
    } // prettier-ignore
    expect([editing.value, around.sent]).toEqual([undefined, []])
  })

  it('is left alone where the key was pressed in its editor', () => {
    const { at, onKey } = grid()
    onKey(key('ArrowDown', { target: { getAttribute: () => 'textbox' } as never }))
    expect(at.value).toEqual({ row: 0, column: 1 })
  })
})

describe('rows', () => {
  it('are selected by Shift and an arrow, Ctrl and the space bar, all at once, and let go by Escape', () => {
    const cells = grid()
    cells.focus(4, 1)
    said = []
    for (const [name, more] of [
      ['ArrowDown', { shiftKey: true }],
      [' ', { ctrlKey: true }],
      ['a', { ctrlKey: true }],
    ] as const)
      // prettier-ignore
      cells.onKey(key(name, more))
    isSelecting = true
    const escape = key('Escape')
    cells.onKey(escape)
    expect(said.filter((one) => !/^(scroll|walk)/.test(one))).toEqual(['range 4 5', 'toggle 5', 'all', 'none'])
    expect([cells.at.value.row, escape.isTaken]).toEqual([5, true])
  })

  it('move a step by Alt and an arrow, where they may be changed', () => {
    const cells = grid()
    cells.focus(2, 1)
    said = []
    for (const name of ['ArrowRight', 'ArrowLeft', 'ArrowUp', 'ArrowDown']) cells.onKey(key(name, { altKey: true }))
    expect(said).toEqual(['in 2', 'out 2', 'up 2', 'down 2'])
    mayEdit = false
    const left = key('ArrowRight', { altKey: true })
    cells.onKey(left)
    expect(said).toHaveLength(4)
  })
})

describe('the line that has the keyboard', () => {
  const of = (ids: string, from = 0) => ({ from, ids: [...ids] })

  it('stays with its item, wherever that goes', () => {
    expect(rowToStayAt(2, of('abcd'), of('abcd'))).toBe(2)
    expect(rowToStayAt(2, of('abcd'), of('cab'))).toBe(0)
    expect(rowToStayAt(12, of('abcd', 10), of('xyabcd', 8))).toBe(12)
    expect(rowToStayAt(12, of('abcd', 10), of('xyabcd', 10))).toBe(14)
  })

  it('goes to the nearest that is left, never to whatever comes to stand there', () => {
    expect(rowToStayAt(2, of('abcde'), of('dba'))).toBe(0)
    expect(rowToStayAt(2, of('abcde'), of('xab'))).toBe(2)
    expect(rowToStayAt(4, of('abcde'), of('ab'))).toBe(1)
  })

  it('stays where it is when nothing of what was there is left, or nothing was there', () => {
    expect(rowToStayAt(1, of('ab'), of('xyz'))).toBe(1)
    expect(rowToStayAt(3, of(''), of('abcd'))).toBe(3)
  })
})
