import { expect, it } from 'vitest'
import type { BareCommand } from '#core/commands/registry'
import { canBeOverruled, overruled } from './overruled'

const problem = {
  code: 'column-full' as const,
  at: [
    { item: 'i', field: 'c' },
    { item: 'j', field: 'c' },
  ],
}
const moves: BareCommand = { type: 'items.move', items: [] }

it('what a limit has refused is sent again with the reason for each item, as one command', () => {
  const again = overruled({ bare: moves, problem }, 'frost')
  const let_ = (item: string) => ({ type: 'limit.overrule', item, column: 'c', reason: 'frost' })
  expect(again).toEqual({ type: 'together', commands: [moves, let_('i'), let_('j')] })
  expect(overruled({ bare: again, problem: { ...problem, at: [] } }, 'x')).toEqual(again)
})

it('but not what can only be done alone', () => {
  const undo: BareCommand = { type: 'revert', of: 'x' as never }
  expect([moves, undo].map(canBeOverruled)).toEqual([true, false])
})
