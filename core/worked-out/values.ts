/** What formulas reckon with, and how it is read from facts and becomes the value of a field. */
import { oneLine } from '../base/text'
import { noDay, type Column } from '../fields/columns/column'
import { longestShortText } from '../fields/contract'
import { figuresOf, shownType } from '../fields/registry'
import type { FieldSettings } from '../fields/settings'
import type { Source } from '../fields/source'
import type { Fact, ViewContext } from '../facts/contract'
import { daysOf } from '../facts/viewer'
import { writerOf } from './working'

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
/** What is nearer to a half than that may be one. */
const nearHalf = 1e-6
/** A number as whole ones at a scale, halves away from zero; NaN where it is none. */
export function wholeAt(x: number, scale: number): number {
  const size = Math.abs(x) * scale
  const whole = Math.floor(size)
  const rest = size - whole
  const isNearHalf = Math.abs(rest - 0.5) < nearHalf * Math.max(1, size)
  const rounded = isNearHalf ? Math.round(Number(size.toPrecision(digits))) : rest < 0.5 ? whole : whole + 1
  return rounded <= Number.MAX_SAFE_INTEGER ? (x < 0 ? 0 - rounded : rounded) : Number.NaN
}
const [firstDay, lastDay] = [-719162, 2932896]
const isDay = (x: unknown): x is Day => x instanceof Day && x.n >= firstDay && x.n <= lastDay

/** How what a formula came to is written to the column of its field. */
export function resultWriter(settings: FieldSettings): (row: number, result: unknown, column: Column) => void {
  const numbers = (result: unknown): number =>
    typeof result === 'number' ? result : typeof result === 'bigint' ? Number(result) : Number.NaN
  switch (settings.gives) {
    case 'number':
    case 'money':
    case 'duration': {
      const scale = scaleOf({ type: 'computed', settings })
      return (row, result, column) => {
        const whole = wholeAt(numbers(result), scale)
        column.set(row, whole === whole ? whole : null)
      }
    }
    case 'date':
      return (row, result, column) => writerOf(column)(row, isDay(result) ? Math.floor(result.n) : Number.NaN)
    case 'checkbox':
      return (row, result, column) => column.set(row, result === true ? true : null)
    case 'shortText': {
      const cleaned = remembering((text: string) => oneLine(text).slice(0, longestShortText).trim() || null)
      return (row, result, column) => column.set(row, typeof result === 'string' ? cleaned(result) : null)
    }
    default:
      return (row, _result, column) => column.set(row, null)
  }
}
/** The same text again is most often the one before. */
function remembering<T>(make: (text: string) => T): (text: string) => T {
  let last: { readonly text: string; readonly made: T } | undefined
  return (text) => (last?.text === text ? last : (last = { text, made: make(text) })).made
}
