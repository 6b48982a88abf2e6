import { dayNumber, fromDayNumber, isPlainDate, looksLikeDate } from '../base/dates'
import { readDay } from '../base/days-said'
import { fail, ok, problem } from '../base/result'
import { DayColumn } from './columns/column'
import type { FieldType } from './contract'

/** A day without time. Stored as `YYYY-MM-DD`. */
export const date: FieldType = {
  name: 'date',
  label: 'date',
  several: false,
  kind: 'day',
  column: () => new DayColumn(dayNumber, fromDayNumber),
  source: (column) => ({ kind: 'day', column: column as DayColumn }),
  check: (value) => (typeof value === 'string' && isPlainDate(value) ? undefined : problem('no-such-day')),
  parse(text, { speech }) {
    if (!text.trim()) return ok(null)
    const day = readDay(text, speech)
    if (day) return ok(day)
    return fail(problem(looksLikeDate(text) ? 'no-such-day' : 'wrong-value', { text: text.trim() }))
  },
  print: (value) => (typeof value === 'string' ? value : ''),
  compare: (a, b) => (String(a) < String(b) ? -1 : String(a) > String(b) ? 1 : 0),
  fit(test, meaning) {
    const day = test.is === 'days' ? (test.to ?? test.from) : null
    return day ? meaning.day(day) : undefined
  },
}
