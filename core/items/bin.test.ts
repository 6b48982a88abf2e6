import { beforeEach, describe, expect, it } from 'vitest'
import { ask, watch, type WatchAnswer } from '../queries/registry'
import { together } from '../commands/bare'
import { Acting } from '../test-kit/acting'
import { compareSiblings } from '../model/reader'
import type { ItemId } from '../model/records'

let acting: Acting
beforeEach(() => (acting = new Acting()))
const inside = (parent: ItemId): ItemId => acting.add(0, { parent })
const archive = (items: ItemId[], archived = true, more?: { inside: boolean }) =>
  acting.does({ type: 'items.archive', items, archived, ...more })
const isIn = (id: string): boolean => !!acting.item(id).archived
/** What stands inside an item, or at the top, in its order. */
const siblingsIn = (parent: ItemId | null): ItemId[] =>
  [...acting.small.state.itemsOf(acting.small.project.id)]
    .filter((one) => one.parent === parent)
    .sort(compareSiblings)
    .map(({ id }) => id)
const there = (id: string): boolean => !!acting.small.state.maybe('item', id)
const erase = (items: ItemId[], number = items.length, by = acting.small.people.lead) =>
  acting.does({ type: 'items.delete', items, number }, by)

describe('the bin', () => {
  it('takes an item with or without what is inside, and gives it back to the same place', () => {
    const roof = acting.add(0)
    const [first, glass, last] = [inside(roof), inside(roof), inside(roof)]
    const pane = inside(glass)
    const before = siblingsIn(roof)
    expect(archive([glass])).toBe('done')
    expect([isIn(glass), isIn(pane)]).toEqual([true, false])
    expect(archive([glass], false)).toBe('done')
    expect(siblingsIn(roof)).toEqual(before)
    expect(before).toEqual([first, glass, last])
    expect(archive([roof], true, { inside: true })).toBe('done')
    expect([roof, first, glass, last, pane].map(isIn)).toEqual([true, true, true, true, true])
  })

  it('gives back what went with an item, and keeps what was there before', () => {
    const roof = acting.add(0)
    const [glass, putty] = [inside(roof), inside(roof)]
    const pane = inside(putty)
    archive([putty])
    archive([roof], true, { inside: true })
    expect([glass, putty, pane].map(isIn)).toEqual([true, true, true])
    expect(archive([roof], false, { inside: true })).toBe('done')
    expect([roof, glass, putty, pane].map(isIn)).toEqual([false, false, true, false])
  })

  it('lists the latest first, what went with an item by its number alone, and is searched', () => {
    const { small } = acting
    const context = { state: small.state, me: small.people.lead.id, today: () => '2026-11-05' as const }
    const roof = acting.add(0)
    const glass = inside(roof)
    const loose = acting.add(0)
    const watched = watch(context, { query: 'bin', input: { project: small.project.id, words: '', most: 2 } })
    const now = () => (watched.update({ all: false, items: new Set() } as never), watched.answer() as WatchAnswer<'bin'>) // prettier-ignore
    expect(now()).toEqual({ items: [], fitting: 0, held: 0 })
    archive([loose])
    archive([roof], true, { inside: true })
    expect(now()).toMatchObject({
      items: [
        { id: roof, inside: 1 },
        { id: loose, inside: 0 },
      ],
      fitting: 2,
      held: 3,
    })
    const key = now().items[1]!.key
    const found = watch(context, { query: 'bin', input: { project: small.project.id, words: key, most: 9 } })
    expect((found.answer() as WatchAnswer<'bin'>).items.map(({ id }) => id)).toEqual([loose])
    expect(ask(context, 'binned', { project: small.project.id, items: [roof] })).toEqual([roof, glass])
    expect(ask(context, 'binned', { project: small.project.id })).toHaveLength(3)
  })

  it('is emptied by who sets the project up, knowing how many items go; nothing brings them back', () => {
    const { people } = acting.small
    const [roof, glass] = [acting.add(0), acting.add(0)]
    expect(erase([roof])).toBe('not-in-bin')
    archive([roof, glass])
    expect(erase([roof, glass], 2, people.contributor)).toBe('not-allowed')
    expect(erase([roof, glass], 1)).toBe('other-number')
    expect(erase([roof, glass])).toBe('done')
    expect([there(roof), there(glass)]).toEqual([false, false])
    expect(acting.leadDoes({ type: 'revert', of: acting.room.entries.at(-1)!.command })).toBe('for-good')
    expect(erase([roof])).toBe('gone')
  })

  it('leaves what stays where its parent stood, in its order', () => {
    const roof = acting.add(0)
    const [first, glass, last] = [inside(roof), inside(roof), inside(roof)]
    const [pane, frame] = [inside(glass), inside(glass)]
    const [putty, nail] = [inside(frame), inside(frame)]
    const bead = inside(glass)
    archive([glass, frame])
    expect(erase([glass, frame])).toBe('done')
    expect(siblingsIn(roof)).toEqual([first, pane, putty, nail, bead, last])
    archive([roof])
    expect(erase([roof])).toBe('done')
    expect(siblingsIn(null).slice(-6)).toEqual([first, pane, putty, nail, bead, last])
  })

  it('takes what was said of an item and its links along', () => {
    const { small } = acting
    const [roof, glass] = [acting.add(1), acting.add(1)]
    const note = { type: 'items.note' as const, status: acting.status(2).id, item: roof, text: 'Frost' }
    expect(acting.does(together([acting.moving(roof, 1, 2), note]))).toBe('done')
    const relation = acting.field('needs').id
    expect(acting.does({ type: 'items.set', items: [{ item: roof, set: { [relation]: { add: [glass], remove: [] } } }] })).toBe('done') // prettier-ignore
    expect([...small.state.linksOf(glass)]).toHaveLength(1)
    archive([roof])
    expect(erase([roof])).toBe('done')
    expect([...small.state.linksOf(glass)]).toHaveLength(0)
    expect([...small.state.all('moveNote')].filter((note) => note.item === roof)).toHaveLength(0)
  })
})
