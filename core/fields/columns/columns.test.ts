import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayNumber, fromDayNumber } from '../../base/dates'
import { lowerBound } from '../../base/search'
import { CodeColumn, CodesColumn, Codes, slotsOfRow } from './codes'
import { AnyColumn, DayColumn, FlagColumn, grown, InstantColumn, MarkColumn, NumberColumn, type Column } from './column'
import { LinksColumn } from './links'
import { TextColumn } from './texts'

const ids = ['a', 'b', 'c', 'd', 'e', 'f', 'g'] as const
const instant = fc.integer({ min: 0, max: 4e12 }).map((ms) => new Date(ms).toISOString())
const columns: Readonly<Record<string, [make: () => Column, values: fc.Arbitrary<unknown>]>> = {
  text: [() => new TextColumn(), fc.string()],
  number: [() => new NumberColumn(), fc.integer()],
  day: [() => new DayColumn(dayNumber, fromDayNumber), fc.integer({ min: -99_999, max: 99_999 }).map(fromDayNumber)],
  instant: [() => new InstantColumn(), fc.oneof(instant, instant.map((one) => one.replace('.000Z', 'Z')))],
  'one id': [() => new CodeColumn(), fc.constantFrom(...ids)],
  'several ids': [() => new CodesColumn(), fc.subarray([...ids], { minLength: 1 })],
  links: [() => new LinksColumn(), fc.subarray([...ids], { minLength: 1 })],
  flag: [() => new FlagColumn(), fc.constant(true)],
  mark: [() => new MarkColumn(), fc.integer({ min: 1, max: 99 }).map((revision) => ({ revision }))],
  any: [() => new AnyColumn(), fc.oneof(fc.string(), fc.integer(), fc.constant(['x']))],
} // prettier-ignore

describe.each(Object.entries(columns))('a column: %s', (_name, [make, values]) => {
  it('gives back what was written, in whatever order rows come, and null where nothing is', () => {
    const writes = fc.array(fc.tuple(fc.nat(40), fc.option(values, { nil: null })), { maxLength: 80 })
    fc.assert(
      fc.property(writes, (all) => {
        const column = make()
        column.grow(41)
        const plain = new Map<number, unknown>()
        for (const [row, value] of all) {
          column.set(row, value as never)
          plain.set(row, value)
        }
        for (let row = 0; row < 41; row++) {
          const value = plain.get(row) ?? null
          expect(column.get(row)).toEqual(value)
          expect(column.isEmpty(row)).toBe(value === null)
          // In fewer characters it means the same.
          const again = make()
          again.grow(1)
          again.set(0, column.compact ? column.compact(row) : column.get(row))
          expect(again.get(0)).toEqual(value)
        }
      }),
    )
  })
})

describe('several ids of a row', () => {
  it('are found by id, more than have a slot too, and stay found as they change', () => {
    const set = fc.option(fc.subarray([...ids]), { nil: null })
    const changes = fc.array(fc.tuple(fc.nat(20), set), { maxLength: 60 })
    fc.assert(
      fc.property(changes, changes, (before, after) => {
        const column = new CodesColumn()
        column.grow(21)
        const plain = new Map<number, readonly string[]>()
        const write = ([row, value]: [number, readonly string[] | null]) => {
          column.set(row, value?.length ? [...value] : null)
          plain.set(row, value ?? [])
        }
        before.forEach(write)
        void column.holding(1)
        after.forEach(write)
        for (const id of ids) {
          const { a, n } = column.holding(column.codes.of(id))
          const rows = [...plain].filter(([, value]) => value.includes(id)).map(([row]) => row)
          expect([...a.subarray(0, n)]).toEqual(rows.sort((x, y) => x - y))
        }
      }),
    )
    expect(ids.length).toBeGreaterThan(slotsOfRow)
  })

  it('have small whole numbers, and there is an end to them', () => {
    const codes = new Codes()
    expect([codes.of('x'), codes.of('y'), codes.of('x'), codes.maybe('z')]).toEqual([1, 2, 1, 0])
    for (let i = codes.ids.length; i <= 0xffff; i++) codes.of(`id ${i}`)
    expect(codes.of('x')).toBe(1)
    expect(() => codes.of('one more')).toThrow(RangeError)
  })
})

it('finds the first place that is not below', () => {
  const a = Int32Array.from([1, 3, 3, 7, 99])
  expect([0, 1, 2, 3, 4, 7, 8].map((x) => lowerBound(a, 4, x))).toEqual([0, 0, 1, 1, 3, 3, 4])
})

it('grows to what is asked for, and keeps what it held', () => {
  const a = Int32Array.from([1, 2])
  expect([...grown(a, 4, 7)]).toEqual([1, 2, 7, 7])
  expect(grown(a, 2)).toBe(a)
})

describe('the search for words', () => {
  it('finds the rows whose text has them, case and accents aside, also after changes', () => {
    const text = fc.constantFrom('Ridge glazing', 'Élan', 'ELAN vital', 'ridge', 'łąka', 'Straße', '', 'x'.repeat(40))
    fc.assert(
      fc.property(fc.array(text, { minLength: 1, maxLength: 60 }), fc.array(fc.tuple(fc.nat(59), text)), (texts, changes) => {
        const column = new TextColumn()
        texts.forEach((one, row) => column.set(row, one || null))
        const found = (words: string) => {
          const out = new Int32Array(100)
          return [...out.subarray(0, column.search(words, out))]
        }
        const plain = (words: string) => [...column.a.keys()].filter((row) => column.has(row, words))
        for (const words of ['ridge', 'elan', 'laka', 'strasse', 'x']) expect(found(words)).toEqual(plain(words))
        for (const [row, one] of changes) if (row < texts.length) column.set(row, one || null)
        for (const words of ['ridge', 'elan', 'laka', 'strasse', 'x']) expect(found(words)).toEqual(plain(words))
      }),
    ) // prettier-ignore
  })
})
