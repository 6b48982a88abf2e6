import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  fieldTypeNames,
  isEmptyValue,
  splitSeveral,
  type FieldSettings,
  type FieldTypeName,
  type Names,
  type Value,
} from './contract'
import { fieldTypes } from './registry'

const people = new Map([
  ['p1', 'Imke Sorrel'],
  ['p2', 'Hamid Torvald'],
  ['p3', 'Łucja Brandt'],
])
const names: Names = {
  person: (id) => people.get(id),
  personNamed: (name) => [...people].find(([, held]) => held.toLowerCase() === name.toLowerCase())?.[0],
}
const settings: FieldSettings = {
  decimals: 2, unit: 'h',
  options: [{ id: 'o1', label: 'must', colour: 'pond' }, { id: 'o2', label: 'should', colour: 'rain' }, { id: 'o3', label: 'not now', colour: 'slate' }],
} // prettier-ignore

/** Values that each type stores. */
const valueOf: Record<Exclude<FieldTypeName, 'longText'>, fc.Arbitrary<Value>> = {
  shortText: fc.stringMatching(/^[a-zA-Zé0-9]( ?[a-z0-9]){0,30}$/),
  number: fc.integer({ min: -1_000_000, max: 1_000_000 }),
  oneOption: fc.constantFrom('o1', 'o2', 'o3'),
  severalOptions: fc.subarray(['o1', 'o2', 'o3'], { minLength: 1 }).map((list) => [...list].sort()),
  people: fc.subarray(['p1', 'p2', 'p3'], { minLength: 1 }).map((list) => [...list].sort()),
  date: fc.integer({ min: 0, max: 30_000 }).map((day) => new Date(day * 86_400_000).toISOString().slice(0, 10)),
  checkbox: fc.constant(true),
}

describe('every field type', () => {
  it('is in the registry under its own name', () => {
    for (const name of fieldTypeNames) expect(fieldTypes[name].name).toBe(name)
  })
  for (const [name, values] of Object.entries(valueOf) as [keyof typeof valueOf, fc.Arbitrary<Value>][]) {
    const type = fieldTypes[name]
    it(`${name}: takes its values, prints them, and reads them back the same`, () => {
      fc.assert(
        fc.property(values, (value) => {
          expect(type.check(value, settings, names)).toBeUndefined()
          expect(type.parse(type.print(value, settings, names), settings, names)).toEqual({ ok: true, value })
        }),
      )
    })
    it(`${name}: its order is an order`, () => {
      const sign = (n: number) => Math.sign(n)
      fc.assert(
        fc.property(values, values, values, (a, b, c) => {
          const compare = (x: Value, y: Value) => sign(type.compare(x, y, settings, names))
          expect(compare(a, a)).toBe(0)
          expect(compare(a, b) + compare(b, a)).toBe(0)
          if (compare(a, b) <= 0 && compare(b, c) <= 0) expect(compare(a, c)).toBeLessThanOrEqual(0)
        }),
      )
    })
    it(`${name}: empty text is empty, and prints as nothing`, () => {
      const parsed = type.parse('  ', settings, names)
      expect(parsed.ok && isEmptyValue(parsed.value)).toBe(true)
      expect(type.print(null, settings, names)).toBe('')
    })
  }
})

describe('what does not fit is refused', () => {
  it.each([
    ['shortText', 7], ['shortText', 'x'.repeat(501)], ['number', 1.5], ['number', '1'], ['oneOption', 'o9'], ['severalOptions', ['o1', 'o9']],
    ['people', ['p9']], ['date', '2026-02-30'], ['checkbox', 'yes'], ['longText', 'words'],
  ] as [FieldTypeName, Value][])('%s: %j', (name, value) => expect(fieldTypes[name].check(value, settings, names)).toBeDefined()) // prettier-ignore
  it('says both numbers of a text that is too long', () => {
    expect(fieldTypes.shortText.check('x'.repeat(501), settings, names)?.said).toEqual({ length: 501, most: 500 })
  })
  it('tells a day that does not exist from no day at all', () => {
    const code = (text: string) => { const read = fieldTypes.date.parse(text, settings, names); return read.ok ? '' : read.problem.code } // prettier-ignore
    expect([code('2026-02-30'), code('soon')]).toEqual(['no-such-day', 'wrong-value'])
  })
})

it('cells of several are split at semicolons and commas, the same one twice counts once', () => {
  expect(splitSeveral('a; b,c ;; a')).toEqual(['a', 'b', 'c'])
})
