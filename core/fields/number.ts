import { printDecimal, tryParseDecimal } from '../base/decimals'
import { fail, ok, problem } from '../base/result'
import { NumberColumn } from './columns/column'
import type { FieldType } from './contract'

/** Stored as a whole number at the field's scale: 2.5 h with two decimals is 250. */
export const number: FieldType = {
  name: 'number',
  label: 'number',
  several: false,
  kind: 'number',
  column: () => new NumberColumn(),
  source(column) {
    const numbers = column as NumberColumn
    return { kind: 'number', column: numbers, at: (row) => numbers.a[row]! }
  },
  check: (value) => (typeof value === 'number' && Number.isSafeInteger(value) ? undefined : problem('wrong-value')),
  parse(text, { settings }) {
    if (!text.trim()) return ok(null)
    const { unit, decimals = 0 } = settings
    const bare = unit && text.trim().endsWith(unit) ? text.trim().slice(0, -unit.length) : text
    const value = tryParseDecimal(bare, decimals)
    return value === undefined ? fail(problem('no-such-number', { text: text.trim(), decimals })) : ok(value)
  },
  print(value, { settings }) {
    if (typeof value !== 'number') return ''
    const digits = printDecimal(value, settings.decimals ?? 0)
    return settings.unit ? `${digits} ${settings.unit}` : digits
  },
  compare: (a, b) => Number(a) - Number(b),
  fit: (test) => (test.is === 'between' ? (test.from ?? test.to ?? undefined) : undefined),
}
