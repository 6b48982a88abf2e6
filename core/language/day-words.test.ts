import { describe, expect, it } from 'vitest'
import { fromDayNumber } from '../base/dates'
import type { Day } from '../model/records'
import { garden } from '../test-kit/garden'
import { today } from '../test-kit/workspace'
import { spanWords } from './day-words'
import { dayMeant } from '../facts/viewer'

const { view, state } = garden()
const read = (words: string) => {
  const [condition] = view(`due ${words}`).where
  if (condition?.about !== 'fact' || condition.test.is !== 'days') throw new Error(`no days: ${words}`)
  return condition.test
}
/** The first and the last day that words speak of, on Wednesday, 25 November 2026. */
const days = (words: string): string => {
  const { from, to } = read(words)
  const on = (day: Day | null) => (day === null ? '…' : fromDayNumber(dayMeant(day, today, state.workingTime())))
  return `${on(from)} ${on(to)}`
}

describe('days in words', () => {
  it.each([
    ['today', '2026-11-25 2026-11-25'],
    ['yesterday', '2026-11-24 2026-11-24'],
    ['before today', '… 2026-11-24'],
    ['after today', '2026-11-26 …'],
    ['this week', '2026-11-23 2026-11-29'],
    ['last week', '2026-11-16 2026-11-22'],
    ['the week in 5 weeks', '2026-12-28 2027-01-03'],
    ['this month', '2026-11-01 2026-11-30'],
    ['the month 9 months ago', '2026-02-01 2026-02-28'],
    ['next quarter', '2027-01-01 2027-03-31'],
    ['this year', '2026-01-01 2026-12-31'],
    ['next 3 days', '2026-11-25 2026-11-28'],
    // Saturday and Sunday are no working days, nor is 25 December.
    ['next 3 working days', '2026-11-25 2026-11-30'],
    ['next 22 working days', '2026-11-25 2026-12-28'],
    ['in the last 3 working days', '2026-11-20 2026-11-25'],
    ['by the end of next month', '… 2026-12-31'],
    ['from the start of this quarter to tomorrow', '2026-10-01 2026-11-26'],
    ['from 5 days ago on', '2026-11-20 …'],
    ['from 2026-11-01 to 2026-11-07', '2026-11-01 2026-11-07'],
    ['on 7 December 2026', '2026-12-07 2026-12-07'],
    ['any day', '… …'],
  ])('%s: %s', (words, those) => expect(days(words)).toBe(those))

  it('are said as they are read', () => {
    for (const words of ['before today', 'this week', 'in the next 10 working days', 'from today to the end of this month', 'by tomorrow', 'after today', 'the year 2 years ago'])
      expect(spanWords(read(words), (date) => date)).toBe(words) // prettier-ignore
  })
})
