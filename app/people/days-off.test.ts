import { beforeEach, describe, expect, it } from 'vitest'
import { smallWorkspace, type Small } from '#core/test-kit/workspace'
import type { DayOffId, PersonId } from '#core/base/ids'
import type { DayOff } from '#core/model/records'
import { daysOffOf, daysSaid, lostDays } from './days-off'

let small: Small
beforeEach(() => (small = smallWorkspace()))
function off(person: PersonId | null, from: string, to = from): DayOff {
  const record = { id: small.ids.next() as DayOffId, person, from, to, name: '' }
  small.state.put('dayOff', record.id, record)
  return record
}

describe('days off', () => {
  it('are listed by whose they are, in their order, those that are over apart', () => {
    const { contributor, reader } = small.people
    const [later, over] = [off(contributor.id, '2026-12-07', '2026-12-09'), off(contributor.id, '2026-11-02')]
    const soon = off(reader.id, '2026-11-20', '2026-11-25')
    const listed = (whose: Parameters<typeof daysOffOf>[1]) => daysOffOf(small.state, whose, '2026-11-25')
    expect(listed('each')).toEqual({ over: [over], ahead: [soon, later] })
    expect(listed(contributor.id)).toEqual({ over: [over], ahead: [later] })
    expect(listed('everyone').ahead.map(({ name }) => name)).toEqual(['Christmas Day'])
  })

  it('are said shortly: one day, or from one to another', () => {
    expect(daysSaid(off(null, '2026-12-24'), 'en-GB', '2026-11-25')).toBe('24 Dec')
    expect(daysSaid(off(null, '2026-12-24', '2027-01-02'), 'en-GB', '2026-11-25')).toBe('24 Dec – 2 Jan 2027')
    expect(daysSaid(off(null, '2026-12-24', '2027-01-02'), 'en-US', '2026-11-25')).toBe('Dec 24 – Jan 2, 2027')
  })

  it('cost as many working days as would have been worked: no weekend, no holiday, none of the days that are free anyway', () => {
    const { contributor } = small.people
    expect(lostDays(small.state, off(null, '2026-12-24', '2027-01-03'))).toBe(6)
    small.state.put('person', contributor.id, { ...contributor, hours: [480, 480, 0, 0, 0, 0, 0] })
    expect(lostDays(small.state, off(contributor.id, '2026-11-30', '2026-12-06'))).toBe(2)
    expect(lostDays(small.state, off(contributor.id, '2026-12-05', '2026-12-06'))).toBe(0)
  })
})
