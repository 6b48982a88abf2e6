import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { compareSiblings, fieldsOf, kindsOf, statusesOf } from '../model/reader'
import type { GroupKey, Item, ItemId } from '../model/records'
import { fieldRef } from '../facts/registry'
import { dayNumber } from '../base/dates'
import { command, run, smallWorkspace } from '../test-kit/workspace'
import { duplicateOf } from './duplicate'
import { inGroup } from './in-group'

const small = smallWorkspace()
const { state, project, ids, people } = small
const field = (name: string) =>
  must(
    fieldsOf(state, project.id).find((one) => one.name === name),
    name,
  )
const today = '2026-11-25' as never
const into = (keys: readonly GroupKey[], ...path: (string | number | null)[]) => inGroup(state, keys, path, today)
const by = (name: string, more: Partial<GroupKey> = {}): GroupKey => ({ by: fieldRef(field(name).id), ...more })

describe('what is typed in a group', () => {
  it('gets what the group is: a status, an option, one of several people, of a blank nothing', () => {
    const ready = statusesOf(state, project.id)[1]!.id
    const [must_] = state.optionsOf(field('need').id)
    expect(into([{ by: { fact: 'status' } }, by('need')], ready, must_!.id)).toEqual({ status: ready, values: { [field('need').id]: must_!.id } }) // prettier-ignore
    expect(into([by('assignees')], people.lead.id)).toEqual({ values: { [field('assignees').id]: [people.lead.id] } })
    expect(into([by('need')], null)).toEqual({ values: {} })
    expect(into([{ by: { fact: 'late' } }], 1)).toEqual({ values: {} })
  })

  it('gets a day of the group’s period: today where it is one of them, else the first', () => {
    const due = (grain: GroupKey['grain'], first: string) => into([by('due', { grain })], dayNumber(first as never)).values[field('due').id] // prettier-ignore
    expect(due('day', '2026-12-03')).toBe('2026-12-03')
    expect(due('week', '2026-11-23')).toBe(today)
    expect(due('week', '2026-11-30')).toBe('2026-11-30')
    expect(due('month', '2026-11-01')).toBe(today)
  })
})

describe('a duplicate', () => {
  const add = (title: string, parent: ItemId | null, values: Item['values'] = {}) => {
    const item = ids.item()
    run(state, command(ids, { type: 'items.add', items: [{ item, project: project.id, kind: kindsOf(state, project.id)[0]!.id, title, status: statusesOf(state, project.id)[2]!.id, parent, values }] }), people.lead.id) // prettier-ignore
    return item
  }
  const titles = (parent: ItemId | null) =>
    [...state.itemsOf(project.id)].filter((one) => one.parent === parent && !one.archived).sort(compareSiblings).map((one) => one.title) // prettier-ignore
  const again = (of: ItemId, withInside: boolean) => {
    const { items, texts } = duplicateOf(state, must(state.maybe('item', of), 'item'), withInside, (title) => `${title} (copy)`, ids.next) // prettier-ignore
    run(state, command(ids, { type: 'items.add', items: [...items] }), people.lead.id)
    return { items, texts }
  }

  it('stands right after what it is one of, with its values, where its kind begins', () => {
    const beds = add('Beds', null, { [field('effort').id]: 400 })
    add('Paths', null)
    const { items } = again(beds, false)
    expect(titles(null)).toEqual(['Beds', 'Beds (copy)', 'Paths'])
    expect(items).toMatchObject([
      { status: statusesOf(state, project.id)[0]!.id, values: { [field('effort').id]: 400 } },
    ])
  })

  it('has all that is inside, in the same order, but for what is archived', () => {
    const roof = add('Roof', null)
    const north = add('North', roof)
    add('South', roof)
    add('Glass', north)
    run(state, command(ids, { type: 'items.archive', items: [add('Old', roof)], archived: true }), people.lead.id)
    const { items } = again(roof, true)
    expect(items.map(({ title }) => title)).toEqual(['Roof (copy)', 'North', 'Glass', 'South'])
    expect(titles(items[0]!.item)).toEqual(['North', 'South'])
    expect(titles(items[1]!.item)).toEqual(['Glass'])
  })
})
