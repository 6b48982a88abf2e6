import type { DecimalMark } from '../base/decimals'
import { fail, ok, problem, type Problem } from '../base/result'
import { NumberColumn, type Column } from './columns/column'
import type { FieldType, Value } from './contract'
import { decimalFigures, type Figures } from './figures'
import type { FieldSettings } from './settings'
import type { NumberSource } from './source'

const figures = ({ decimals = 0, unit = '' }: FieldSettings, mark?: DecimalMark): Figures =>
  decimalFigures(decimals, unit, mark)

/** Stored as a whole number at the field's scale: 2.5 h with two decimals is 250. */
export const number: FieldType = {
  name: 'number',
  label: 'number',
  several: false,
  kind: 'number',
  column: () => new NumberColumn(),
  source: numberSource,
  figures,
  check: (value, { settings }) => boundsRefusal(value, settings, figures(settings)),
  parse(text, { settings, speech }) {
    if (!text.trim()) return ok(null)
    const value = figures(settings, speech.decimal).read(text)
    const { decimals = 0 } = settings
    return value === undefined ? fail(problem('no-such-number', { text: text.trim(), decimals })) : ok(value)
  },
  print: (value, { settings, speech }) =>
    typeof value === 'number' ? figures(settings, speech.decimal).say(value) : '',
  compare: (a, b) => Number(a) - Number(b),
  fit: (test) => (test.is === 'between' ? (test.from ?? test.to ?? undefined) : undefined),
}

/** How views read a column of whole numbers. */
export function numberSource(column: Column): NumberSource {
  const numbers = column as NumberColumn
  return { kind: 'number', column: numbers, at: (row) => numbers.a[row]! }
}

/** Undefined where a value is a whole number within the field's bounds. */
export function boundsRefusal(value: Value, { least, most }: FieldSettings, { say }: Figures): Problem | undefined {
  if (typeof value !== 'number' || !Number.isSafeInteger(value)) return problem('wrong-value')
  if (least !== undefined && value < least) return problem('out-of-bounds', { text: say(value), least: say(least) })
  if (most !== undefined && value > most) return problem('out-of-bounds', { text: say(value), most: say(most) })
  return undefined
}
