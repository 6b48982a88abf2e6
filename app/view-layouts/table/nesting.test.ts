import { describe, expect, it } from 'vitest'
import type { OutlineRow } from '#core/layouts/rows'
import type { ViewDefinition } from '#core/model/records'
import { nestingOf } from './nesting'
import { nestingWords } from './nesting-words'
import type { Step } from './steps'

const outline: ViewDefinition = {
  v: 3,
  layout: 'outline',
  open: 2,
  where: [],
  group: [],
  sort: [],
  totals: [],
  show: [],
}
const row = (id: string, parent: string | null, more: Partial<OutlineRow> = {}): OutlineRow =>
  ({ item: { id, parent }, level: parent ? 1 : 0, ...more }) as OutlineRow
const step = (to: Step, rows: readonly OutlineRow[], definition: ViewDefinition = outline, before?: OutlineRow) =>
  nestingOf(to, rows, before, definition)

describe('a step of an item in an outline', () => {
  it('goes into the sibling above, which then has to be open; or there is none', () => {
    expect(step('in', [row('b', null, { above: 'a' as never })])).toEqual({ bare: { type: 'items.nest', items: ['b'], parent: 'a' }, shows: 'a' }) // prettier-ignore
    expect(step('in', [row('a', null)])).toEqual({ said: nestingWords.noneAbove })
  })

  it('goes out of what it is in, to stand after it', () => {
    expect(step('out', [row('b', 'a', { outer: null })])).toEqual({ bare: { type: 'items.nest', items: ['b'], parent: null, place: { after: 'a' } } }) // prettier-ignore
    expect(step('out', [row('a', null)])).toEqual({ said: nestingWords.atTop })
  })

  it('goes past the sibling above or below, unless the view is sorted', () => {
    const between = row('b', 'x', { above: 'a' as never, below: 'c' as never })
    expect(step('up', [between])).toMatchObject({ bare: { parent: 'x', place: { before: 'a' } } })
    expect(step('down', [between])).toMatchObject({ bare: { parent: 'x', place: { after: 'c' } } })
    expect([step('up', [row('a', 'x')]), step('down', [row('a', 'x')])]).toEqual([{ said: nestingWords.isFirst }, { said: nestingWords.isLast }]) // prettier-ignore
    const sorted = { ...outline, sort: [{ by: { fact: 'title' as const }, down: false }] }
    expect(step('up', [between], sorted)).toEqual({ said: nestingWords.sorted })
  })

  it('takes several along, and what is inside one of them with it', () => {
    const rows = [
      row('b', null, { above: 'a' as never }),
      row('inside b', 'b'),
      row('c', null, { above: 'b' as never }),
    ]
    expect(step('in', rows)).toMatchObject({ bare: { items: ['b', 'c'], parent: 'a' } })
  })
})

describe('in a table', () => {
  const table: ViewDefinition = { v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] }
  const line = (id: string) => ({ item: { id, parent: null } }) as unknown as OutlineRow

  it('items go into the row above the first', () => {
    expect(step('in', [line('b'), line('c')], table, line('a'))).toEqual({ bare: { type: 'items.nest', items: ['b', 'c'], parent: 'a' } }) // prettier-ignore
    expect(step('in', [line('b')], table)).toEqual({ said: nestingWords.noneAbove })
    expect(step('out', [line('b')], table)).toEqual({ said: nestingWords.outlineOnly })
  })

  it('items go past the row above or below in the team’s order, unless the view is sorted', () => {
    const past = (to: Step, definition = table) => nestingOf(to, [line('b'), line('c')], line('a'), definition, line('d')) // prettier-ignore
    expect(past('up')).toEqual({ bare: { type: 'items.move', items: ['b', 'c'].map((item) => ({ item, place: { before: 'a' } })) } }) // prettier-ignore
    expect(past('down')).toMatchObject({ bare: { items: [{ place: { after: 'd' } }, { place: { after: 'd' } }] } })
    expect(nestingOf('up', [line('b')], undefined, table)).toEqual({ said: nestingWords.isFirst })
    expect(past('up', { ...table, sort: [{ by: { fact: 'title' }, down: false }] })).toEqual({ said: nestingWords.sorted }) // prettier-ignore
    expect(past('up', { ...table, sort: [{ by: { fact: 'rank' }, down: false }] })).toHaveProperty('bare')
  })
})
