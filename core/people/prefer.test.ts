import { expect, it } from 'vitest'
import { isIn } from '../access/access'
import { entities } from '../model/entities'
import { preferenceOf } from '../model/looks'
import { Acting } from '../test-kit/acting'

it('is one’s own: kept, undone, and seen by nobody else', () => {
  const acting = new Acting()
  const { state, people } = acting.small
  const mine = () => preferenceOf(state, people.reader.id)
  const usual = { id: people.reader.id, theme: 'system', density: 'usual', weekStart: 1, folded: [] }
  expect(mine()).toEqual(usual)
  expect(acting.does({ type: 'preference.set', set: { theme: 'night' } }, people.reader)).toBe('done')
  expect(acting.does({ type: 'preference.set', set: { density: 'close', theme: 'night' } }, people.reader)).toBe('done')
  expect(mine()).toEqual({ ...usual, theme: 'night', density: 'close' })
  expect(acting.room.entries.at(-1)!.patch).toHaveLength(1)
  expect(preferenceOf(state, people.lead.id).theme).toBe('system')
  const scope = entities.preference.scope(mine(), state)
  expect([people.reader, people.owner].map(({ id }) => isIn(state, id, scope))).toEqual([true, false])
  const { command } = acting.room.entries.at(-1)!
  expect(acting.does({ type: 'revert', of: command }, people.lead)).toBe('not-allowed')
  expect(acting.does({ type: 'revert', of: command }, people.reader)).toBe('done')
  expect(mine()).toEqual({ ...usual, theme: 'night' })
})
