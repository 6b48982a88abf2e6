/** What formulas reckon with, and how it is read from facts and becomes the value of a field. */
import { fromDayNumber } from '../base/dates'
import { oneLine } from '../base/text'
import { noDay } from '../fields/columns/column'
import { longestShortText, type Value } from '../fields/contract'
import { figuresOf, shownType } from '../fields/registry'
import type { FieldSettings } from '../fields/settings'
import type { Source } from '../fields/source'
import type { Fact, ViewContext } from '../facts/contract'
import { daysOf } from '../facts/viewer'

/** A day; `n` is not a number where there is none. */
export class Day {
  constructor(readonly n: number) {}
}
/** What a formula reckons with. What is empty is not a number, no text, no day, false or no list. */
export type Reckoned = number | bigint | string | boolean | Day | readonly string[]

/** The types of the language, by the kinds of facts. */
export const typeOfKind = {
  text: 'string', number: 'double', day: 'Day', instant: 'Day', choice: 'string', choices: 'list<string>', flag: 'bool',
} as const satisfies Readonly<Record<Fact['kind'], string>> // prettier-ignore

const minutesInHour = 60
/** How many of what is stored make one of what a formula reckons with: durations count in hours. */
export const scaleOf = (field: Parameters<typeof figuresOf>[0]): number =>
  field && shownType(field) === 'duration' ? minutesInHour : 10 ** figuresOf(field).decimals

/** How a fact is read row by row. */
export function readerOf(context: ViewContext, fact: Fact, source: Source): (row: number) => Reckoned {
  switch (source.kind) {
    case 'number': {
      const scale = scaleOf(fact.field)
      return (row) => source.at(row) / scale
    }
    case 'day':
      return (row) => new Day(source.column.a[row] === noDay ? Number.NaN : source.column.a[row]!)
    case 'instant': {
      const days = daysOf(context.reader.workspace())
      return (row) => new Day(source.column.isEmpty(row) ? Number.NaN : days.dayOf(source.column.a[row]!))
    }
    case 'text':
      return (row) => (source.column.get(row) ?? '') as string
    case 'flag':
      return (row) => source.isSet(row)
    case 'choice': {
      const name = namesOf(context, fact)
      return (row) => name(source.valueOf(source.column.a[row]!))
    }
    case 'choices': {
      const name = namesOf(context, fact)
      return (row) => source.valuesAt(row).map(name)
    }
  }
}

/** Options, people, statuses by their names; what has been removed keeps the name that it had. */
function namesOf({ reader, project }: ViewContext, fact: Fact): (id: string) => string {
  const own = reader.maybe('project', project)
  const names = new Map((own && fact.values?.(reader, own))?.map(({ id, name }) => [id, name]))
  for (const { id, label } of fact.field ? reader.optionsOf(fact.field.id) : []) names.set(id, label)
  return (id) => (id ? (names.get(id) ?? reader.names.person(id) ?? reader.maybe('status', id)?.name ?? '') : '')
}

/** Digits of a number that can be relied on: the rest comes from halves that are none in binary. */
const digits = 15
/** A number as whole ones at a scale, halves away from zero; null where it is none. */
export function wholeAt(x: number, scale: number): number | null {
  const whole = Math.sign(x) * Math.round(Number((Math.abs(x) * scale).toPrecision(digits)))
  return Number.isSafeInteger(whole) ? whole + 0 : null
}
const [firstDay, lastDay] = [-719162, 2932896]

/** What a formula came to as the value of a field; null where it is none. */
export function valueOf(result: unknown, settings: FieldSettings): Value {
  const x = typeof result === 'bigint' ? Number(result) : result
  switch (settings.gives) {
    case 'number':
    case 'money':
    case 'duration':
      return typeof x === 'number' ? wholeAt(x, scaleOf({ type: 'computed', settings })) : null
    case 'date':
      return x instanceof Day && x.n >= firstDay && x.n <= lastDay ? fromDayNumber(Math.floor(x.n)) : null
    case 'checkbox':
      return x === true ? true : null
    case 'shortText':
      return typeof x === 'string' ? oneLine(x).slice(0, longestShortText).trim() || null : null
    default:
      return null
  }
}
