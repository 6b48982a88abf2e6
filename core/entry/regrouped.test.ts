import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { startOf, dayNumber, fromDayNumber, instantOf, weekday, ZoneDays, type PlainDate } from '../base/dates'
import { must } from '../base/result'
import type { BareCommand } from '../commands/registry'
import type { FieldId, GroupKey, Item } from '../model/records'
import { command, PlainRoom, today } from '../test-kit/workspace'
import { garden, type Garden } from '../test-kit/garden'
import type { GroupValue } from '../views/axes'
import { inGroup } from './in-group'
import { regrouped } from './regrouped'

const field = (g: Garden, name: string, more: Partial<GroupKey> = {}): GroupKey => ({
  by: { fact: 'field', field: g.fieldId(name) },
  ...more,
})
function put(g: Garden, key: GroupKey, item: Item, from: GroupValue, to: GroupValue): Item {
  const read = regrouped(g.state, [key], item, [[from], [to]], today as PlainDate)
  if (!read.ok) throw new Error(read.problem.code)
  const done = new PlainRoom(g.state).do(command(g.ids, { type: 'items.set', items: [{ item: item.id, set: read.value }] } as BareCommand), g.people.lead.id) // prettier-ignore
  if (!done.ok) throw new Error(done.problem.code)
  return must(g.state.maybe('item', item.id), 'item')
}

describe('an item that is put into another group', () => {
  it('has the status, the option or the person of that group in place of the one it came from', () => {
    const g = garden()
    const item = must(Object.values(g.items).find(({ values, archived }) => !archived && !values[g.fieldId('assignees')]), 'nobody’s') // prettier-ignore
    expect(put(g, { by: { fact: 'status' } }, item, item.status, g.idOf('Ready')).status).toBe(g.idOf('Ready'))
    const [one, two, other] = ['Séverine', 'Imke', 'Hamid'].map(g.idOf) as [string, string, string]
    const assignees = field(g, 'assignees')
    const held = () => must(g.state.maybe('item', item.id), 'item').values[g.fieldId('assignees')] ?? null
    put(g, assignees, item, null, one)
    expect(held()).toEqual([one])
    put(g, field(g, 'assignees'), must(g.state.maybe('item', item.id), 'item'), null, two)
    expect(held()).toEqual([one, two].sort())
    put(g, assignees, must(g.state.maybe('item', item.id), 'item'), one, other)
    expect(held()).toEqual([two, other].sort())
    // Into the group of those that have nobody.
    put(g, assignees, must(g.state.maybe('item', item.id), 'item'), two, null)
    expect(held()).toBeNull()
  })

  it('keeps its weekday where groups are periods, and is in that period', () => {
    const g = garden()
    const due = g.fieldId('due')
    fc.assert(
      fc.property(
        fc.constantFrom('day', 'week', 'month', 'quarter', 'year'),
        fc.integer({ min: 20_000, max: 22_000 }),
        fc.integer({ min: 20_000, max: 22_000 }),
        (grain, day, other) => {
          const item = { ...must(Object.values(g.items)[0], 'item'), values: { [due]: fromDayNumber(day) } } as Item
          const first = startOf(grain, other)
          const read = regrouped(g.state, [field(g, 'due', { grain })], item, [[startOf(grain, day)], [first]], today as PlainDate) // prettier-ignore
          if (!read.ok) throw new Error(read.problem.code)
          const set = read.value[due]
          // The period that it is in already changes nothing.
          expect(set === undefined).toBe(first === startOf(grain, day))
          if (!set) return
          const to = (set as { to: PlainDate }).to
          expect(startOf(grain, dayNumber(to))).toBe(first)
          if (grain !== 'day') expect(weekday(to)).toBe(weekday(fromDayNumber(day)))
        },
      ),
      { numRuns: 300 },
    )
  })

  it('keeps its time of day by the workspace’s clocks, also where these are set back or forward between', () => {
    const g = garden()
    const due = must(g.state.maybe('field', g.fieldId('due')), 'due')
    const begins = { ...due, id: '00000000-0000-7000-8000-0000000000b1' as FieldId, name: 'begins', type: 'dateTime' as const } // prettier-ignore
    g.state.put('field', begins.id, begins)
    const zone = new ZoneDays(g.state.workspace().timeZone)
    const key: GroupKey = { by: { fact: 'field', field: begins.id }, grain: 'month' }
    const days = fc.integer({ min: 20_000, max: 22_000 })
    fc.assert(
      // From two to four in the morning no clock is sure.
      fc.property(days, days, fc.integer({ min: 240, max: 1439 }), (day, other, minutes) => {
        const held = instantOf(zone.at(day, minutes))
        const item = { ...must(Object.values(g.items)[0], 'item'), values: { [begins.id]: held } } as Item
        const first = startOf('month', other)
        const read = regrouped(g.state, [key], item, [[null], [first]], today as PlainDate)
        const to = Date.parse((must(read.ok ? read.value[begins.id] : undefined, 'set') as { to: string }).to)
        expect([startOf('month', zone.dayOf(to)), zone.minutesAt(to)]).toEqual([first, minutes])
        expect(weekday(fromDayNumber(zone.dayOf(to)))).toBe(weekday(fromDayNumber(day)))
      }),
    )
    const bare = { ...must(Object.values(g.items)[0], 'item'), values: {} } as Item
    const midnight = instantOf(zone.begin(dayNumber('2027-02-01')))
    expect(regrouped(g.state, [key], bare, [[null], [dayNumber('2027-02-01')]], today as PlainDate)).toEqual({ ok: true, value: { [begins.id]: { from: null, to: midnight } } }) // prettier-ignore
    expect(inGroup(g.state, [key], [dayNumber('2027-02-01')], today as PlainDate).values).toEqual({ [begins.id]: midnight }) // prettier-ignore
  })

  it('gets today, or the first day of a period, where it had none; and loses it in the group without', () => {
    const g = garden()
    const due = g.fieldId('due')
    const bare = { ...must(Object.values(g.items)[0], 'item'), values: {} } as Item
    const to = (day: string): unknown => regrouped(g.state, [field(g, 'due', { grain: 'week' })], bare, [[null], [startOf('week', dayNumber(day as PlainDate))]], today as PlainDate) // prettier-ignore
    expect(to(today)).toEqual({ ok: true, value: { [due]: { from: null, to: today } } })
    expect(to('2027-01-06')).toEqual({ ok: true, value: { [due]: { from: null, to: '2027-01-04' } } })
    const dated = { ...bare, values: { [due]: '2026-12-02' } } as Item
    expect(regrouped(g.state, [field(g, 'due', { grain: 'week' })], dated, [[0], [null]], today as PlainDate)).toEqual({ ok: true, value: { [due]: { from: '2026-12-02', to: null } } }) // prettier-ignore
  })

  it('stays where a group is nothing that anyone fills in, and where it goes no other way', () => {
    const g = garden()
    const item = must(Object.values(g.items)[0], 'item')
    const into = (fact: 'phase' | 'age' | 'status', value: GroupValue) =>
      regrouped(g.state, [{ by: { fact } }], item, [['other'], [value]], today as PlainDate)
    expect(into('phase', 'active')).toMatchObject({ ok: false, problem: { code: 'not-by-hand', said: { what: 'phase' } } }) // prettier-ignore
    expect(into('status', null)).toMatchObject({ ok: false })
    const same = regrouped(g.state, [{ by: { fact: 'age' } }, { by: { fact: 'status' } }], item, [[3, item.status], [3, g.idOf('Noted')]], today as PlainDate) // prettier-ignore
    expect(same).toEqual({ ok: true, value: { status: { from: item.status, to: g.idOf('Noted') } } })
  })
})
