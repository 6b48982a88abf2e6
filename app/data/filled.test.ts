import { expect, it } from 'vitest'
import type { BareCommand } from '#core/commands/registry'
import type { Field } from '#core/model/records'
import { canBeFilled, filled, type Filling } from './filled'

const field = (id: string, type: Field['type']) => ({ id, type, name: id, settings: {} }) as unknown as Field
const filling: Filling = {
  values: [
    { field: field('effort', 'number'), value: 3 },
    { field: field('by', 'people'), value: ['imke'] as never },
  ],
  note: 'all counted',
}
const lacking = (bare: unknown, ...at: [string, string][]) => ({
  bare: bare as BareCommand,
  problem: { code: 'entry-asks' as const, at: at.map(([item, field]) => ({ item, field, yours: 'b' })) },
})
const move = (item: string) => ({ type: 'items.move', items: [{ item, status: { from: 'a', to: 'b' } }] })

it('adds to a move what each item lacks, and nothing else', () => {
  const again = filled(lacking(move('1'), ['1', 'effort'], ['1', 'note']), filling)
  expect(again).toEqual({
    type: 'together',
    commands: [
      move('1'),
      { type: 'items.set', items: [{ item: '1', set: { effort: { from: null, to: 3 } } }] },
      { type: 'items.note', item: '1', status: 'b', text: 'all counted' },
    ],
  })
})

it('adds to several what goes into a field of several', () => {
  const again = filled(lacking(move('1'), ['1', 'by']), filling)
  expect(again).toMatchObject({ commands: [move('1'), { items: [{ set: { by: { add: ['imke'], remove: [] } } }] }] })
})

it('puts it into what is made', () => {
  const add = { type: 'items.add', items: [{ item: '2', status: 'b', title: 'Sow', values: { due: '2026-12-01' } }] }
  const again = filled(lacking(add, ['2', 'effort'], ['2', 'note']), filling)
  expect(again).toMatchObject({
    commands: [
      { items: [{ values: { due: '2026-12-01', effort: 3 } }] },
      { type: 'items.note', item: '2', status: 'b' },
    ],
  })
})

it('notes where an item comes back to that is restored', () => {
  const restore = { type: 'items.archive', items: ['3'], archived: false }
  const again = filled(lacking(restore, ['3', 'note']), filling)
  expect(again).toMatchObject({ commands: [restore, { type: 'items.note', item: '3', status: 'b' }] })
})

it('cannot be said with a file or an undo', () => {
  expect([move('1'), { type: 'bring-in' }, { type: 'revert' }].map((bare) => canBeFilled(bare as BareCommand))).toEqual([true, false, false]) // prettier-ignore
})
