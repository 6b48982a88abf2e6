import { afterEach, describe, expect, it, vi } from 'vitest'
import { dayWords, momentWords } from './dates'

const speaking = (language: string) => vi.stubGlobal('navigator', { language })
afterEach(() => vi.unstubAllGlobals())

describe('a day in words', () => {
  it('leaves this year out, says another, and is whole without today', () => {
    speaking('en-GB')
    expect(dayWords('2026-11-05', '2026-11-26')).toBe('5 Nov')
    expect(dayWords('2027-01-31', '2026-11-26')).toBe('31 Jan 2027')
    expect(dayWords('2026-11-26')).toBe('Thu, 26 Nov 2026')
    expect(dayWords('1969-12-28')).toBe('Sun, 28 Dec 1969')
  })

  it('puts the month first where that is the custom', () => {
    speaking('en-US')
    expect(dayWords('2026-11-05', '2026-11-26')).toBe('Nov 5')
    expect(dayWords('2027-01-31', '2026-11-26')).toBe('Jan 31, 2027')
    expect(dayWords('2026-11-26')).toBe('Thu, Nov 26, 2026')
  })

  it('names every day of two years as the library does', () => {
    speaking('en-GB')
    const library = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' }) // prettier-ignore
    for (let i = 0; i < 731; i++) {
      const at = new Date(Date.UTC(2027, 0, 1 + i))
      // The library writes September with four letters in British English.
      expect(dayWords(at.toISOString().slice(0, 10))).toBe(library.format(at).replace('Sept', 'Sep'))
    }
  })
})

describe('a moment in words', () => {
  it('is a time today, and a day before it otherwise, in the workspace’s zone', () => {
    speaking('en-GB')
    expect(momentWords('2026-11-25T23:30:00Z', '2026-11-26', 'Europe/Berlin')).toMatch(/^(00:30|12:30 AM)$/)
    expect(momentWords('2026-11-24T12:40:00Z', '2026-11-26', 'Europe/Berlin')).toMatch(/^24 Nov (13:40|01:40 PM)$/)
  })
})
