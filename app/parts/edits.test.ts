import { beforeEach, describe, expect, it } from 'vitest'
import type { Problem } from '#core/base/result'
import type { Item } from '#core/model/records'
import type { BareCommand } from '#core/commands/registry'
import { clearSeveral, setValue, toggle } from './edits'

type Again = (problem: Problem) => BareCommand | undefined
let sent: BareCommand[]
let again: Again | undefined
const changes = {
  send: (command: BareCommand, later?: Again) => (sent.push(command), (again = later), Promise.resolve(true)),
} as never
const item = { id: 'i', title: 'Sow leeks', values: { tags: ['a', 'b'], due: '2026-11-30' } } as unknown as Item
beforeEach(() => ((sent = []), (again = undefined)))

describe('an edit', () => {
  it('says what it was made from', async () => {
    await setValue(changes, item, 'due', '2026-11-30', null)
    expect(sent).toEqual([
      { type: 'items.set', items: [{ item: 'i', set: { due: { from: '2026-11-30', to: null } } }] },
    ])
  })

  it('is offered once more where somebody was faster, from what they wrote', async () => {
    await setValue(changes, item, 'title', 'Sow leeks', 'Sow onions')
    const stored = (at: object): Problem => ({ code: 'changed-meanwhile', at: [at] }) as Problem
    expect(again!(stored({ item: 'i', field: 'title', stored: 'Sow beans' }))).toEqual({
      type: 'items.set',
      items: [{ item: 'i', set: { title: { from: 'Sow beans', to: 'Sow onions' } } }],
    })
    // What they emptied is taken from empty.
    expect(again!(stored({ item: 'i', field: 'title' }))).toMatchObject({ items: [{ set: { title: { from: null } } }] })
  })

  it('is not offered for another item’s trouble, or for another problem', async () => {
    await setValue(changes, item, 'title', 'a', 'b')
    expect(again!({ code: 'changed-meanwhile', at: [{ item: 'other' }] } as Problem)).toBeUndefined()
    expect(again!({ code: 'not-allowed', at: [{ item: 'i' }] } as Problem)).toBeUndefined()
    expect(again!({ code: 'changed-meanwhile' })).toBeUndefined()
  })

  it('of several adds and removes, so that two at once are in nobody’s way', async () => {
    await toggle(changes, item, 'tags', 'a')
    await toggle(changes, item, 'tags', 'c')
    await toggle(changes, item, 'none yet', 'c')
    await clearSeveral(changes, item, 'tags')
    await clearSeveral(changes, item, 'none yet')
    expect(sent.map((bareCommand) => (bareCommand as { items: { set: object }[] }).items[0]!.set)).toEqual([
      { tags: { add: [], remove: ['a'] } },
      { tags: { add: ['c'], remove: [] } },
      { 'none yet': { add: ['c'], remove: [] } },
      { tags: { add: [], remove: ['a', 'b'] } },
      { 'none yet': { add: [], remove: [] } },
    ])
    expect(again).toBeUndefined()
  })
})
