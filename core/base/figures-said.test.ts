import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { printDecimal, tryParseDecimal } from './decimals'
import { beginDuration, printDuration, tryParseDuration } from './durations'

describe('a number as people type it', () => {
  it.each([
    ['1 200', 0, '.', 1200], ['1.2k', 0, '.', 1200], ['2,5', 1, '.', 25], ['2.5', 1, ',', 25], ['1,200', 0, '.', 1200], ['1.200', 0, ',', 1200],
    ['1.200', 3, '.', 1200], ['1,200', 3, ',', 1200], ['1.234,50', 2, '.', 123_450], ['1,234.50', 2, ',', 123_450], ['1.234.567', 0, '.', 1_234_567],
    ['1’000', 0, '.', 1000], ['-0.25', 2, '.', -25], ['−3', 0, '.', -3], ['+3', 0, '.', 3], ['12.50', 1, '.', 125], ['2k', 2, '.', 200_000],
  ] as const)('%s at scale %i is read', (text, scale, mark, value) => expect(tryParseDecimal(text, scale, mark)).toBe(value)) // prettier-ignore
  it.each(['', 'k', '1 2', '1.2.3', '1,2,3', '1.2345k', '1 20', '1.', '.5', '--1', '99999999999999999', '1,23.4,5'])(
    '%s is none',
    (text) => {
      expect(tryParseDecimal(text, 0)).toBeUndefined()
    },
  )
  it('is read as it was printed, with either mark', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e12, max: 1e12 }), fc.integer({ min: 0, max: 6 }), fc.constantFrom('.', ','), fc.boolean(), (n, scale, mark, inFull) => {
        expect(tryParseDecimal(printDecimal(n, scale, mark, inFull), scale, mark)).toBe(n)
      }),
    ) // prettier-ignore
  })
})

describe('a duration as people type it', () => {
  const day = 480
  it.each([
    ['1d 4h', 720], ['1 day 4 hours', 720], ['90 min', 90], ['90m', 90], ['1:30', 90], ['2,5 h', 150], ['2.5', 150], ['1w', 2400], ['2 weeks', 4800], ['1.5d', 720], ['0', 0], ['1d4h30min', 750],
  ])('%s is %i minutes', (text, minutes) => expect(tryParseDuration(text, day)).toBe(minutes)) // prettier-ignore
  it.each(['', 'soon', '1x', '1h foo', '-1h', '1:75', 'd'])('%s is none', (text) => {
    expect(tryParseDuration(text, day)).toBeUndefined()
  })
  it('is read as it was printed, whatever a day is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e7 }), fc.integer({ min: 15, max: 1440 }), (minutes, dayMinutes) => {
        expect(tryParseDuration(printDuration(minutes, dayMinutes), dayMinutes)).toBe(minutes)
      }),
    )
  })
  it('ends where other words begin', () => {
    expect(beginDuration('1 d 4 h or more', day)).toEqual({ minutes: 720, length: 7 })
    expect(beginDuration('4 horses', day)).toBeUndefined()
  })
})
