import { beforeEach, describe, expect, it } from 'vitest'
import type { Item } from '../model/records'
import { garden, type Garden } from '../test-kit/garden'
import type { LiveView } from './live'

let one: Garden
beforeEach(() => {
  one = garden()
})
const titlesOf = (view: LiveView) => Array.from(view.inOrder(), (row) => one.askedBy('Imke').table.title.a[row])
function change(view: LiveView, title: string, to: Partial<Item> | { values: object }): void {
  const item = one.items[title]!
  const values = { ...item.values, ...to.values }
  one.state.put('item', item.id, { ...item, ...to, values } as Item)
  view.update(new Set([item.id]))
}
const idsOf = (...titles: string[]) => new Set(titles.map((title) => one.items[title]!.id as string))
const field = (name: string) => one.fieldId(name)

describe('a view that is kept right', () => {
  it('moves an item to its new place, and mends what groups add up to', () => {
    const view = one.live('by need, most effort first, sum of effort, with need')
    const shown = () => view.groups.map((group) => [group.count, ...group.totals])
    expect(shown()).toEqual([[2, 400], [1, 250], [2, 1000], [1, 425]]) // prettier-ignore
    change(view, 'Pane 2', { values: { [field('need')]: one.idOf('must') } })
    expect(shown()).toEqual([[3, 1400], [1, 250], [1, null], [1, 425]]) // prettier-ignore
    expect(titlesOf(view).slice(0, 3)).toEqual(['Pane 2', 'Reseat brackets', 'Photograph valves'])
    expect(view.totals).toEqual([2075])
  })

  it('lets an item go beside one that is held: both stand where they belong', () => {
    const view = one.live('in the team’s order')
    const before = titlesOf(view)
    for (const title of [
      'Reopen the palm court',
      'Reseat brackets',
      'Reopen the palm court',
      'Prime the ribs',
      'Reseat brackets',
    ]) {
      // prettier-ignore
      view.hold(idsOf(title))
      expect(titlesOf(view)).toEqual(before)
    }
  })

  it('takes in what comes to belong and lets go what does not; an emptied group goes', () => {
    const view = one.live('not finished, by need, with need')
    expect(view.groups.length).toBe(4)
    change(view, 'Prime the ribs', { status: one.idOf('Accepted') as Item['status'] })
    expect(titlesOf(view)).toEqual(['Reseat brackets', 'Pane 2', 'Pane 10', 'Élan vent winder'])
    expect(view.groups.length).toBe(3)
    change(view, 'Photograph valves', { status: one.idOf('Ready') as Item['status'] })
    expect(titlesOf(view)[1]).toBe('Photograph valves')
  })

  it('has children answer for their parents, and parents for their children', () => {
    const view = one.live('some child meets (late)')
    expect(titlesOf(view)).toEqual(['Reopen the palm court'])
    change(view, 'Reseat brackets', { values: { [field('due')]: '2026-12-20' } })
    expect(titlesOf(view)).toEqual([])
    const inside = one.live('the parent meets (need is should)')
    change(inside, 'Pane 10', { parent: one.items['Prime the ribs']!.id })
    expect(titlesOf(inside)).toEqual(['Pane 10'])
  })

  it('takes items in that were added, and lets archived and removed ones go', () => {
    const view = one.live('title has pane')
    const extra = { ...one.items['Pane 2']!, id: one.ids.item(), number: 50, title: 'Pane 7', rank: 'a00' }
    one.state.put('item', extra.id, extra)
    view.update(new Set([extra.id]))
    expect(titlesOf(view)).toEqual(['Pane 7', 'Pane 2', 'Pane 10'])
    change(view, 'Pane 2', { archived: '2026-11-25T09:00:00.000Z' })
    one.state.put('item', extra.id, undefined)
    view.update(new Set([extra.id]))
    expect(titlesOf(view)).toEqual(['Pane 10'])
    expect(view.count).toBe(1)
  })
})

describe('an item that is held', () => {
  it('keeps its place while it is edited, and goes to where it belongs when it is let go', () => {
    const view = one.live('most effort first, with effort')
    const before = titlesOf(view)
    view.hold(idsOf('Pane 2'))
    change(view, 'Pane 2', { values: { [field('effort')]: 1 } })
    expect(titlesOf(view)).toEqual(before)
    view.hold(new Set())
    expect(titlesOf(view).indexOf('Pane 2')).toBe(before.length - 2)
  })

  it('stays in a view that it does not belong to any more, until it is let go', () => {
    const view = one.live('need is could')
    view.hold(idsOf('Pane 2'))
    change(view, 'Pane 2', { values: { [field('need')]: one.idOf('must') } })
    expect(titlesOf(view)).toEqual(['Pane 2', 'Pane 10'])
    // Also while everything is recomputed.
    view.evaluate(one.askedBy('Séverine'))
    expect(titlesOf(view)).toContain('Pane 2')
    view.hold(new Set())
    expect(titlesOf(view)).toEqual(['Pane 10'])
  })
})
