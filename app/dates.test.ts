import { describe, expect, it } from 'vitest'
import { dayWords, momentWords } from './dates'

describe('a day in words', () => {
  it('leaves this year out, says another, and is whole without today', () => {
    expect(dayWords('2026-11-05', 'en-GB', '2026-11-26')).toBe('5 Nov')
    expect(dayWords('2027-01-31', 'en-GB', '2026-11-26')).toBe('31 Jan 2027')
    expect(dayWords('2026-11-26', 'en-GB')).toBe('Thu, 26 Nov 2026')
    expect(dayWords('1969-12-28', 'en-GB')).toBe('Sun, 28 Dec 1969')
  })

  it('puts the month first where that is the custom', () => {
    expect(dayWords('2026-11-05', 'en-US', '2026-11-26')).toBe('Nov 5')
    expect(dayWords('2027-01-31', 'en-US', '2026-11-26')).toBe('Jan 31, 2027')
    expect(dayWords('2026-11-26', 'en-US')).toBe('Thu, Nov 26, 2026')
  })

  it('names every day of two years as the library does', () => {
    const library = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' }) // prettier-ignore
    for (let i = 0; i < 731; i++) {
      const at = new Date(Date.UTC(2027, 0, 1 + i))
      // The library writes September with four letters in British English.
      expect(dayWords(at.toISOString().slice(0, 10), 'en-GB')).toBe(library.format(at).replace('Sept', 'Sep'))
    }
  })
})

describe('a moment in words', () => {
  it('is a time today, and a day before it otherwise, in the workspace’s zone', () => {
    expect(momentWords('2026-11-25T23:30:00Z', 'en-GB', '2026-11-26', 'Europe/Berlin')).toMatch(/^(00:30|12:30 AM)$/)
    expect(momentWords('2026-11-24T12:40:00Z', 'en-GB', '2026-11-26', 'Europe/Berlin')).toMatch(
      /^24 Nov (13:40|01:40 PM)$/,
    )
  })
})
