import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { compareText, isSameText, TextIndex } from './collation'
import {
  dateIn,
  hourIn,
  dayNumber,
  fromDayNumber,
  instantOf,
  isPlainDate,
  startOf,
  tryParseDate,
  weekday,
  ZoneDays,
} from './dates'
import { printDecimal, tryParseDecimal } from './decimals'
import { isRank, rankBetween, ranksBetween } from './ranks'
import { problemCodes } from './result'
import { changeIds, isSameValue } from './sorted-ids'
import { problemWords } from '../access/problem-words'

describe('plain dates', () => {
  it.each([
    ['2026-02-28', true], ['2026-02-29', false], ['2024-02-29', true], ['1900-02-29', false], ['2000-02-29', true],
    ['2026-13-01', false], ['2026-04-31', false], ['2026-1-1', false], ['0000-01-01', false],
  ])('%s: %s', (text, is) => expect(isPlainDate(text)).toBe(is)) // prettier-ignore
  it('day numbers go there and back', () => {
    fc.assert(
      fc.property(fc.integer({ min: -300_000, max: 300_000 }), (day) => {
        expect(dayNumber(fromDayNumber(day))).toBe(day)
      }),
    )
    expect(dayNumber('1970-01-01')).toBe(0)
  })
  it('an instant is written as Date writes it, at both ends of the calendar too', () => {
    const ms = fc.oneof(
      fc.integer({ min: -8.64e15, max: 8.64e15 }),
      fc.integer({ min: -1e12, max: 5e12 }),
      fc.constantFrom(0, -1, -62_135_596_800_000, -62_135_596_800_001, 253_402_300_799_999, 253_402_300_800_000, 0.5),
    )
    fc.assert(
      fc.property(ms, (at) => {
        expect(instantOf(at)).toBe(new Date(at).toISOString())
      }),
    )
    expect(() => instantOf(NaN)).toThrow(RangeError)
  })
  it('knows weekdays', () => {
    expect([weekday('2026-11-23'), weekday('2026-11-29'), weekday('1969-12-31')]).toEqual([1, 7, 3])
  })
  it('the day is the workspace’s, not the machine’s', () => {
    expect(dateIn('Europe/Berlin', '2026-11-24T23:30:00.000Z')).toBe('2026-11-25')
    expect(dateIn('America/New_York', '2026-11-24T03:30:00.000Z')).toBe('2026-11-23')
    expect(hourIn('Europe/Berlin', '2026-11-24T23:30:00.000Z')).toBe(0)
    expect(hourIn('America/New_York', '2026-11-24T03:30:00.000Z')).toBe(22)
  })
  it.each([
    ['24.11.2026', '2026-11-24'],
    ['24/11/2026', '2026-11-24'],
    ['2026/1/5', '2026-01-05'],
    ['2026-02-30', undefined],
    ['soon', undefined],
  ])('reads %s', (text, date) => expect(tryParseDate(text)).toBe(date))
})

describe('periods', () => {
  const first = (period: Parameters<typeof startOf>[0], day: string, n = 0) => fromDayNumber(startOf(period, dayNumber(day), n)) // prettier-ignore
  it.each([
    ['day', '2026-11-25', 0, '2026-11-25'], ['week', '2026-11-25', 0, '2026-11-23'], ['week', '2026-11-29', 0, '2026-11-23'], ['week', '2027-01-01', 0, '2026-12-28'],
    ['week', '1969-12-31', 0, '1969-12-29'], ['month', '2026-11-30', 3, '2027-02-01'], ['month', '2026-01-31', -1, '2025-12-01'], ['quarter', '2026-11-25', 0, '2026-10-01'],
    ['quarter', '2026-11-25', -4, '2025-10-01'], ['year', '2026-11-25', 1, '2027-01-01'], ['year', '0050-06-01', 0, '0050-01-01'],
  ] as const)('the %s of %s, %i on, begins on %s', (period, day, n, begins) => expect(first(period, day, n)).toBe(begins)) // prettier-ignore
  it('follow one another without a gap', () => {
    fc.assert(
      fc.property(fc.constantFrom('day', 'week', 'month', 'quarter', 'year'), fc.integer({ min: -9000, max: 30_000 }), (period, day) => {
        const [begins, next] = [startOf(period, day), startOf(period, day, 1)]
        expect(begins).toBeLessThanOrEqual(day)
        expect(next).toBeGreaterThan(day)
        expect(startOf(period, begins)).toBe(begins)
        expect(startOf(period, next - 1)).toBe(begins)
        expect(startOf(period, next, -1)).toBe(begins)
      }),
    ) // prettier-ignore
  })
})

describe('days in a time zone', () => {
  const zones = ['UTC', 'Europe/Berlin', 'America/St_Johns', 'Asia/Kathmandu', 'Pacific/Kiritimati', 'Pacific/Apia', 'America/Sao_Paulo', 'Africa/Casablanca'] // prettier-ignore
  it('are those of the calendar there, whatever the clocks do', () => {
    fc.assert(
      fc.property(fc.constantFrom(...zones), fc.integer({ min: 1_000_000, max: 1_900_000_000 }), (zone, seconds) => {
        const days = new ZoneDays(zone)
        const ms = seconds * 1000
        const day = days.dayOf(ms)
        expect(fromDayNumber(day)).toBe(dateIn(zone, new Date(ms).toISOString()))
        expect(days.begin(day)).toBeLessThanOrEqual(ms)
        expect(days.begin(day + 1)).toBeGreaterThan(ms)
        expect(dateIn(zone, new Date(days.begin(day) - 1).toISOString()) < fromDayNumber(day)).toBe(true)
      }),
      { numRuns: 300 },
    )
  })
  it.each([
    ['Europe/Berlin', '2026-03-29', '2026-03-28T23:00:00.000Z'],
    ['Europe/Berlin', '2026-03-30', '2026-03-29T22:00:00.000Z'],
    ['Europe/Berlin', '2026-10-26', '2026-10-25T23:00:00.000Z'],
    // Midnight did not exist: clocks jumped from 0:00 to 1:00.
    ['America/Sao_Paulo', '2018-11-04', '2018-11-04T03:00:00.000Z'],
  ])('in %s %s begins at %s', (zone, day, begins) =>
    expect(new Date(new ZoneDays(zone).begin(dayNumber(day))).toISOString()).toBe(begins),
  )
})

describe('decimals', () => {
  it.each([
    ['12', 2, 1200],
    ['12,5', 2, 1250],
    ['-0.25', 2, -25],
    ['1.234', 2, undefined],
    ['1.230', 2, 123],
    ['about 3', 2, undefined],
    ['', 0, undefined],
    ['99999999999999999', 0, undefined],
  ])('%s at scale %d', (text, scale, value) => expect(tryParseDecimal(text, scale)).toBe(value))
  it('what is printed is read back', () => {
    fc.assert(
      fc.property(fc.integer(), fc.integer({ min: 0, max: 6 }), (value, scale) => {
        expect(tryParseDecimal(printDecimal(value, scale), scale)).toBe(value)
      }),
    )
  })
})

describe('ranks', () => {
  it('are recognised where they are none: nothing could be put before or after them', () => {
    expect(['a0', 'Zz', 'b00', 'a0V', 'c1AB'].filter(isRank)).toEqual(['a0', 'Zz', 'b00', 'a0V', 'c1AB'])
    expect(['', 'a', 'b0', 'z7', 'a00', '1', 'a!'].filter(isRank)).toEqual([])
  })

  it('there is room between any two', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(30), { maxLength: 60 }), (places) => {
        const ranks: string[] = []
        for (const place of places) {
          const at = Math.min(place, ranks.length)
          ranks.splice(at, 0, rankBetween(ranks[at - 1], ranks[at]))
        }
        expect([...ranks].sort()).toEqual(ranks)
        expect(new Set(ranks).size).toBe(ranks.length)
      }),
    )
    const many = ranksBetween('a0', 'a1', 500)
    expect([...many].sort()).toEqual(many)
  })
})

describe('text', () => {
  it('is the same to a reader whatever its case, accents and blanks', () => {
    expect(isSameText(' Séverine ', 'SEVERINE')).toBe(true)
    expect(isSameText('Łucja', 'lucja')).toBe(true)
    expect(isSameText('Palm  court', 'palm\u00a0court')).toBe(true)
    expect(isSameText('a b', 'ab')).toBe(false)
  })
  it('orders numbers within it by value', () =>
    expect(['bay 10', 'bay 9'].sort(compareText)).toEqual(['bay 9', 'bay 10']))
  it('finds the first entry that is the same, also one added after a miss', () => {
    const index = new TextIndex([['Palm court', 1]])
    expect(index.find('PALM COURT')).toBe(1)
    expect(index.find('north')).toBeUndefined()
    index.add('North', 2)
    expect(index.find('north')).toBe(2)
  })
})

describe('values', () => {
  it('a set is a sorted list, and null when nothing is left', () => {
    expect(changeIds(['b'], ['a'], [])).toEqual(['a', 'b'])
    expect(changeIds(['a'], [], ['a'])).toBeNull()
  })
  it('are the same by what they hold', () => {
    expect(isSameValue({ a: [1, { b: null }] }, { a: [1, {}] })).toBe(true)
    expect(isSameValue([1], [1, 2])).toBe(false)
    expect(isSameValue(null, undefined)).toBe(true)
    expect(isSameValue([], {})).toBe(false)
  })
})

it('there is a sentence for every problem, and it never says undefined where the values are given', () => {
  const said = {
    view: 'Board',
    what: 'R1',
    other: 'R2',
    key: 'GLH-4',
    act: 'change items',
    text: 'x',
    length: 600,
    most: 500,
    days: 1600,
    name: 'N',
    path: 'N → M → N',
    would: '501',
    held: 12,
    from: 'Noted',
    to: 'Accepted',
    asks: 'effort and a note',
    rows: 1,
    decimals: 2,
    type: 'number',
    value: 'v',
    field: 'due',
    seconds: 3,
    where: 'line 2',
    request: 'abc',
  }
  const naming = {
    key: () => 'GLH-1',
    field: () => 'title',
    value: (_: string, value: unknown) => String(value),
    person: () => 'Noor',
  }
  for (const code of problemCodes) {
    const words = problemWords(
      { code, said, at: [{ item: 'i', field: 'status', yours: 'a', stored: 'b', by: 'n' }] },
      naming,
    )
    expect(words).toMatch(/^(due: |v |“)?.{10,}\.$/s)
    expect(words).not.toMatch(/undefined|null/)
  }
  const clash = {
    code: 'changed-meanwhile',
    at: [{ item: 'i', field: 'status', yours: 'In hand', stored: 'Being checked', by: 'n' }],
  } as const
  expect(problemWords(clash, naming)).toBe(
    'Noor moved GLH-1 to Being checked just now, and that stays. You wanted In hand.',
  )
})
