import { isPlainDate } from '../base/dates'
import { printMoment, readMoment } from '../base/days-said'
import { fail, ok, problem } from '../base/result'
import { InstantColumn } from './columns/column'
import type { FieldType } from './contract'

/** A day with a time, to the minute. Stored as a moment in UTC, said as the workspace's clocks do. */
export const dateTime: FieldType = {
  name: 'dateTime',
  label: 'date and time',
  several: false,
  kind: 'instant',
  column: () => new InstantColumn(),
  source: (column) => ({ kind: 'instant', column: column as InstantColumn }),
  check: (value) => (typeof value === 'string' && isMinute(value) ? undefined : problem('no-such-day')),
  parse(text, { speech }) {
    if (!text.trim()) return ok(null)
    const moment = readMoment(text, speech)
    return moment ? ok(moment) : fail(problem('no-such-moment', { text: text.trim() }))
  },
  print: (value, { speech }) => (typeof value === 'string' ? printMoment(value, speech.timeZone) : ''),
  compare: (a, b) => Date.parse(String(a)) - Date.parse(String(b)),
  fit: () => undefined,
}

const shape = /^(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):[0-5]\d:00\.000Z$/
const isMinute = (text: string): boolean => isPlainDate(shape.exec(text)?.[1] ?? '')
