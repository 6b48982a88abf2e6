import { describe, expect, it } from 'vitest'
import { ask } from '../queries/registry'
import type { CommandId } from '../base/ids'
import { Acting } from '../test-kit/acting'
import type { ItemId } from '../model/records'

function begun() {
  const acting = new Acting()
  const { state, people, project } = acting.small
  const [roof, glass] = [acting.add(0), acting.add(0)]
  const last = () => acting.room.entries.at(-1)!
  const context = (me = people.contributor) => ({
    state, me: me.id, today: () => '2026-11-05' as const,
    server: { history: (item: string) => Promise.resolve({ entries: [...acting.room.entries].reverse().filter((entry) => entry.patch.some(({ id }) => id === item)), more: false }) },
  }) as never // prettier-ignore
  const history = async (item: ItemId) => (await ask(context(), 'history', { item })).entries
  const rename = (item: ItemId, to: string, by = people.lead) =>
    acting.does(acting.setting(item, { title: { from: acting.item(item).title, to } }), by)
  return { acting, state, people, project, roof, glass, last, history, rename }
}

describe('what was done to an item', () => {
  it('by anyone is undone by whoever may change it, for this item alone', () => {
    const { acting, people, roof, glass, last } = begun()
    const set = { title: { to: 'Glaze' } }
    expect(acting.does({ type: 'items.set-all', items: [roof, glass], set }, people.lead)).toBe('done')
    const of = last().command
    expect(acting.does({ type: 'revert', of, items: [roof] }, people.reader)).toBe('not-allowed')
    expect(acting.does({ type: 'revert', of }, people.contributor)).toBe('not-allowed')
    expect(acting.does({ type: 'revert', of, items: [roof] }, people.contributor)).toBe('done')
    expect([roof, glass].map((id) => acting.item(id).title)).toEqual(['Sow', 'Glaze'])
  })

  it('says beforehand what has been changed since then, and nothing of what made the item', async () => {
    const { acting, roof, history, rename } = begun()
    rename(roof, 'Glaze')
    acting.does(acting.moving(roof, 0, 1))
    expect((await history(roof)).map(({ later }) => later)).toEqual([[], [], undefined])
    rename(roof, 'Putty')
    expect((await history(roof)).map(({ later }) => later)).toEqual([[], [], ['title'], undefined])
  })

  it('is undone as the history says it can be, whatever was done', async () => {
    const { acting, roof, history, rename } = begun()
    const effort = acting.field('effort').id
    acting.does(acting.setting(roof, { [effort]: { from: null, to: 480 } }))
    acting.does(acting.moving(roof, 0, 2))
    rename(roof, 'Glaze')
    acting.does(acting.moving(roof, 2, 1))
    const undo = (command: CommandId) => acting.does({ type: 'revert', of: command, items: [roof] })
    const told = await history(roof)
    const before = acting.item(roof)
    for (const { command } of told.filter(({ later }) => later?.length)) expect(undo(command)).toBe('nothing-to-undo')
    expect(acting.item(roof)).toEqual(before)
    for (const { command } of told.slice(0, -1)) {
      const now = (await history(roof)).find((entry) => entry.command === command)
      expect(now?.later).toEqual([])
      expect(undo(command)).toBe('done')
    }
    expect(acting.item(roof)).toMatchObject({ title: 'Sow', status: acting.status(0).id, values: {} })
  })
})
