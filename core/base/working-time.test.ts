/** Working days and hours, against counting them day by day. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayNumber, fromDayNumber } from './dates'
import { runs } from '../test-kit/runs'
import { addWorkingDays, isWorkingDay, fiveDayWeek, weekOf, WorkingTime, workingDaysAfter } from './working-time'

const christmas = new WorkingTime(weekOf([1, 2, 3, 4, 5]), [{ from: '2026-12-25', to: '2026-12-26' }])

const anyDay = fc.integer({ min: 20_600, max: 20_900 })
/** Weeks with hours of any sort, also none, and days that are free one on another. */
const anyTime = fc
  .record({
    week: fc.array(fc.constantFrom(0, 0, 90, 240, 480, 1440), { minLength: 7, maxLength: 7 }),
    free: fc.array(fc.record({ from: anyDay, more: fc.nat(12) }), { maxLength: 8 }),
  })
  .map(({ week, free }) => ({
    week,
    time: new WorkingTime(week, free.map(({ from, more }) => ({ from: fromDayNumber(from), to: fromDayNumber(from + more) }))), // prettier-ignore
    minutes: (day: number) =>
      free.some(({ from, more }) => day >= from && day <= from + more) ? 0 : week[(((day + 3) % 7) + 7) % 7]!,
  }))
const days = (from: number, to: number): number[] => Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i) // prettier-ignore

describe('working time', () => {
  it('counts working days after a day, up to and including another', () => {
    expect(workingDaysAfter('2026-11-20', '2026-11-24', christmas)).toBe(2)
    expect(workingDaysAfter('2026-12-24', '2026-12-28', christmas)).toBe(1)
    expect(workingDaysAfter('2026-11-24', '2026-11-24', christmas)).toBe(0)
    expect(workingDaysAfter('2026-11-25', '2026-11-24', christmas)).toBe(0)
    expect(['2026-12-24', '2026-12-25', '2026-12-26'].map((day) => isWorkingDay(day, christmas))).toEqual([true, false, false]) // prettier-ignore
  })
  it('goes on by working days, and back', () => {
    expect(addWorkingDays('2026-11-23', -1, fiveDayWeek)).toBe('2026-11-20')
    expect(addWorkingDays('2026-11-22', -1, fiveDayWeek)).toBe('2026-11-20')
    expect(addWorkingDays('2026-11-22', 1, fiveDayWeek)).toBe('2026-11-23')
    expect(addWorkingDays('2026-12-24', 1, christmas)).toBe('2026-12-28')
    expect(addWorkingDays('2026-12-25', 0, christmas)).toBe('2026-12-25')
    // Over two hundred years: 52 175 working days.
    expect(addWorkingDays('2026-11-23', 52_175, fiveDayWeek)).toBe('2226-11-20')
    expect(workingDaysAfter('2026-11-23', '2226-11-20', fiveDayWeek)).toBe(52_175)
  })
  it('stays within the calendar, however far it is to go', () => {
    expect(addWorkingDays('2026-11-23', 10 ** 9, fiveDayWeek)).toBe('9999-12-31')
    expect(addWorkingDays('2026-11-23', -(10 ** 9), fiveDayWeek)).toBe('0001-01-01')
  })

  it('says of every day and stretch what counting day by day says', () => {
    fc.assert(
      fc.property(anyTime, anyDay, fc.integer({ min: -40, max: 120 }), ({ time, minutes }, from, n) => {
        const stretch = days(from, from + n)
        expect(stretch.map((day) => time.minutesOn(day))).toEqual(stretch.map(minutes))
        expect(time.minutesWithin(from, from + n)).toBe(stretch.reduce((sum, day) => sum + minutes(day), 0))
        expect(Math.max(0, time.upTo(from + n) - time.upTo(from - 1))).toBe(n < 0 ? 0 : stretch.filter((day) => minutes(day) > 0).length) // prettier-ignore
      }),
      runs(200, 5000),
    )
  })
  it('adding working days and counting them agree, forwards and backwards', () => {
    fc.assert(
      fc.property(anyTime, anyDay, fc.integer({ min: 1, max: 60 }), ({ time, week, minutes }, day, n) => {
        if (!week.some(Boolean)) return expect([time.add(day, n), time.add(day, -n), time.onOrAfter(day)]).toEqual([day, day, day]) // prettier-ignore
        const [later, earlier] = [time.add(day, n), time.add(day, -n)]
        expect([minutes(later) > 0, minutes(earlier) > 0]).toEqual([true, true])
        expect(days(day + 1, later).filter((one) => minutes(one) > 0)).toHaveLength(n)
        expect(days(earlier, day - 1).filter((one) => minutes(one) > 0)).toHaveLength(n)
        expect(time.at(time.upTo(later))).toBe(later)
        const next = time.onOrAfter(day)
        expect(days(day, next).filter((one) => minutes(one) > 0)).toEqual([next])
        expect(days(time.onOrBefore(day), day).filter((one) => minutes(one) > 0)).toEqual([time.onOrBefore(day)])
      }),
      runs(300, 10_000),
    )
  })
  it('work that begins on a day is done on the first day by which there is time for it', () => {
    fc.assert(
      fc.property(anyTime, anyDay, fc.integer({ min: 0, max: 20_000 }), ({ time, week }, from, minutes) => {
        const done = time.doneOn(from, minutes)
        if (!week.some(Boolean)) return expect(done).toBeUndefined()
        expect(time.minutesWithin(from, done!)).toBeGreaterThanOrEqual(Math.max(1, minutes))
        expect(time.minutesWithin(from, done! - 1)).toBeLessThan(Math.max(1, minutes))
      }),
      runs(300, 10_000),
    )
    expect(fromDayNumber(christmas.doneOn(dayNumber('2026-12-24'), 960)!)).toBe('2026-12-28')
  })
})
