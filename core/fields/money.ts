import { currencies, currencyOf } from './currencies'
import { decimalFigures, withoutUnit } from './figures'
import { fail, ok, problem } from '../base/result'
import { NumberColumn } from './columns/column'
import type { FieldType } from './contract'
import { boundsRefusal, numberSource } from './number'
import type { FieldSettings } from './settings'
import type { DecimalMark } from '../base/decimals'

const figures = ({ currency }: FieldSettings, mark?: DecimalMark) => {
  const { sign, decimals } = currencyOf(currency)
  return decimalFigures(decimals, sign, mark, true)
}

/** An amount in the field's currency. Stored as a whole number of its smallest coins: € 12.50 is 1250. */
export const money: FieldType = {
  name: 'money',
  label: 'money',
  several: false,
  kind: 'number',
  column: () => new NumberColumn(),
  source: numberSource,
  figures,
  check: (value, { settings }) => boundsRefusal(value, settings, figures(settings)),
  parse(text, { settings, speech }) {
    if (!text.trim()) return ok(null)
    const { currency = currencies[0] } = settings
    const amount = figures(settings, speech.decimal).read(withoutUnit(text, currency))
    const { decimals } = currencyOf(currency)
    return amount === undefined ? fail(problem('no-such-number', { text: text.trim(), decimals })) : ok(amount)
  },
  print: (value, { settings, speech }) =>
    typeof value === 'number' ? figures(settings, speech.decimal).say(value) : '',
  compare: (a, b) => Number(a) - Number(b),
  fit: (test) => (test.is === 'between' ? (test.from ?? test.to ?? undefined) : undefined),
}
