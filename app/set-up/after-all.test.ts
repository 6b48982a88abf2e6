import { expect, it } from 'vitest'
import type { BareCommand } from '#core/commands/registry'
import { afterAll } from './after-all'

it('offers one’s own after all where somebody else was first, and nothing else', () => {
  const rename = { type: 'status.set', target: 's', set: { name: { from: 'Noted', to: 'Asked' } } } as unknown as BareCommand // prettier-ignore
  const again = afterAll(rename)
  expect(again({ code: 'changed-meanwhile', at: [{ field: 'name', stored: 'Heard', yours: 'Asked' }] })).toEqual({
    ...rename, set: { name: { from: 'Heard', to: 'Asked' } },
  }) // prettier-ignore
  expect(again({ code: 'changed-meanwhile', at: [{ field: 'phase', stored: 'active' }] })).toBeUndefined()
  expect(again({ code: 'name-taken', at: [{ field: 'name', stored: 'Heard' }] })).toBeUndefined()
  const removal = { type: 'status.remove', target: 's', how: { to: 't' } } as unknown as BareCommand
  expect(afterAll(removal)({ code: 'changed-meanwhile', at: [{ field: 'name' }] })).toBeUndefined()
})
