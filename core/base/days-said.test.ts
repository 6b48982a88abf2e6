import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromDayNumber, isPlainDate } from './dates'
import { weekOf, WorkingTime } from './working-time'
import { plainSpeech, printMoment, readDay, readDays, readMoment, type Speech } from './days-said'

/** A Wednesday. */
const today = '2026-11-25'
const speech: Speech = { ...plainSpeech, today, timeZone: 'Europe/Berlin', calendar: new WorkingTime(weekOf([1, 2, 3, 4, 5]), [{ from: '2026-12-25', to: '2026-12-25' }]) } // prettier-ignore
const american: Speech = { ...speech, first: 'month' }

describe('a day as people type it', () => {
  it.each([
    ['today', '2026-11-25'], ['Tomorrow', '2026-11-26'], ['yesterday', '2026-11-24'],
    ['fri', '2026-11-27'], ['wed', '2026-12-02'], ['mo', '2026-11-30'], ['next fri', '2026-12-04'], ['this mon', '2026-11-23'], ['last friday', '2026-11-20'],
    ['+3d', '2026-11-28'], ['3 days', '2026-11-28'], ['in 2 weeks', '2026-12-09'], ['2w', '2026-12-09'], ['-1 d', '2026-11-24'], ['3 days ago', '2026-11-22'],
    ['+3wd', '2026-11-30'], ['in 2 working days', '2026-11-27'], ['+1m', '2026-12-25'], ['in 1 year', '2027-11-25'],
    ['24.11.', '2026-11-24'], ['24.11', '2026-11-24'], ['24.11.26', '2026-11-24'], ['24.11.2026', '2026-11-24'], ['24/11', '2026-11-24'], ['3.1.', '2027-01-03'],
    ['29.2.', '2028-02-29'], ['24 nov', '2026-11-24'], ['24. November 2027', '2027-11-24'], ['Nov 24, 2026', '2026-11-24'], ['nov 24', '2026-11-24'],
    ['end of month', '2026-11-30'], ['the end of the month', '2026-11-30'], ['end of next month', '2026-12-31'], ['end of week', '2026-11-27'], ['end of year', '2026-12-31'],
    ['next week', '2026-11-30'], ['next month', '2026-12-01'], ['start of next quarter', '2027-01-01'], ['2026-11-24', '2026-11-24'],
  ])('%s is %s', (typed, day) => expect(readDay(typed, speech)).toBe(day)) // prettier-ignore
  it('has the month first between strokes where one writes it so, never between points', () => {
    expect(['11/24', '11/24/2026', '24.11.', '1/12'].map((typed) => readDay(typed, american))).toEqual(['2026-11-24', '2026-11-24', '2026-11-24', '2027-01-12']) // prettier-ignore
  })
  it.each(['soon', '', '32.1.', '30.2.2026', 'week', 'month', 'frit', '2026-02-30', '13/13', '+3', '5'])(
    '%s is none',
    (typed) => {
      expect(readDay(typed, speech)).toBeUndefined()
    },
  )
  it('without a today only whole dates are read', () => {
    const known = ['2026-11-24', '24.11.2026', '24 Nov 2026', 'fri', '24.11.', '+3d', 'end of month']
    expect(known.map((typed) => readDay(typed, plainSpeech))).toEqual(['2026-11-24', '2026-11-24', '2026-11-24', ...[4, 5, 6, 7].map(() => undefined)]) // prettier-ignore
  })
  it('the last day of a short month stands for one that it does not have', () => {
    expect(readDay('+3m', { ...speech, today: '2026-11-30' })).toBe('2027-02-28')
  })
  it('whatever is typed, it is a day that the calendar has, or none', () => {
    const part = fc.constantFrom('next ', 'last ', 'in ', '+', '-', '31', '29', '2', '.', '/', 'feb', 'fri', 'week', ' month', 'd', 'wd', ' ago', 'end of ', '9999', '00') // prettier-ignore
    fc.assert(
      fc.property(fc.array(part, { maxLength: 6 }), fc.integer({ min: 0, max: 40_000 }), (parts, day) => {
        const read = readDay(parts.join(''), { ...speech, today: fromDayNumber(day) })
        expect(read === undefined || isPlainDate(read)).toBe(true)
      }),
    )
  })
})

describe('a moment as people type it', () => {
  it.each([
    ['2026-11-24 14:00', '2026-11-24T13:00:00.000Z'], ['fri 2pm', '2026-11-27T13:00:00.000Z'], ['9:30', '2026-11-25T08:30:00.000Z'],
    ['tomorrow at 14h', '2026-11-26T13:00:00.000Z'], ['fri', '2026-11-27T08:00:00.000Z'], ['24.7.2026 12:00 am', '2026-07-23T22:00:00.000Z'], ['12:15 p', '2026-11-25T11:15:00.000Z'],
  ])('%s is %s', (typed, moment) => expect(readMoment(typed, speech)).toBe(moment)) // prettier-ignore
  it.each(['25:00', '9:75', 'soon', '', '13pm', '0am', 'fri 99h'])('%s is none', (typed) => {
    expect(readMoment(typed, speech)).toBeUndefined()
  })
  it('is printed as the clocks say it, and read back', () => {
    expect(printMoment('2026-11-24T13:00:00.000Z', 'Europe/Berlin')).toBe('2026-11-24 14:00')
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000_000 }), fc.constantFrom('Europe/Berlin', 'America/New_York', 'Asia/Kathmandu', 'UTC'), (minute, timeZone) => {
        const printed = printMoment(new Date(minute * 60_000).toISOString(), timeZone)
        const read = readMoment(printed, { ...plainSpeech, timeZone })
        expect(read && printMoment(read, timeZone)).toBe(printed)
      }),
    ) // prettier-ignore
  })
  it('where the clocks jump over it, it is as long after midnight as was said', () => {
    expect(readMoment('2026-03-29 02:30', speech)).toBe('2026-03-29T01:30:00.000Z')
  })
})

describe('days from one to another', () => {
  it.each([
    ['24 dec – 2 jan', '2026-12-24', '2027-01-02'],
    ['24.12. - 2.1.', '2026-12-24', '2027-01-02'],
    ['2026-12-24..2026-12-31', '2026-12-24', '2026-12-31'],
    ['mon to fri', '2026-11-30', '2026-12-04'],
    ['tomorrow', '2026-11-26', '2026-11-26'],
    ['24 Dec 2026–2 Jan 2027', '2026-12-24', '2027-01-02'],
    ['2026-12-24 until 2026-12-01', '2026-12-24', '2026-12-01'],
  ])('%s', (text, from, to) => expect(readDays(text, speech)).toEqual({ from, to }))
  it.each(['', '–', 'mon –', '1 jan – 2 jan – 3 jan', 'soon to be'])('%s are none', (text) =>
    expect(readDays(text, speech)).toBeUndefined(),
  )
})
