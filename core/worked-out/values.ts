/** What formulas reckon with, and how it is read from facts and becomes the value of a field. */
import { oneLine } from '../base/text'
import { noDay, type Column } from '../fields/columns/column'
import { longestShortText } from '../fields/contract'
import { fieldTypes, figuresOf, shownType } from '../fields/registry'
import type { FieldSettings } from '../fields/settings'
import type { Source } from '../fields/source'
import { fieldContext } from '../model/reader'
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

/** The type of what a fact is in a formula; what it is linked to are items, to be walked over. */
export const typeInFormulas = (fact: Pick<Fact, 'kind' | 'field'>): string =>
  isLinkedFact(fact) ? 'list<Item>' : typeOfKind[fact.kind]
/** Whether a fact is what an item is linked to. */
export const isLinkedFact = ({ field }: Pick<Fact, 'field'>): boolean => !!field && !!fieldTypes[field.type].isLinked

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
  for (const { id, label } of fact.field ? fieldContext(reader, fact.field).options : []) names.set(id, label)
  return (id) => (id ? (names.get(id) ?? reader.names.person(id) ?? reader.maybe('status', id)?.name ?? '') : '')
}

/** What is so near to a half is one: the rest comes from fractions that are none in binary. */
const nearHalf = 1e-13
/** A number as whole ones at a scale, halves away from zero; NaN where it is none. */
export function wholeAt(x: number, scale: number): number {
  const size = Math.abs(x) * scale
  const floor = Math.floor(size)
  const whole = size - floor >= 0.5 - nearHalf * (size + 1) ? floor + 1 : floor
  return whole <= Number.MAX_SAFE_INTEGER ? (x < 0 ? 0 - whole : whole) : Number.NaN
}
const [firstDay, lastDay] = [-719162, 2932896]
const isDay = (x: unknown): x is Day => x instanceof Day && x.n >= firstDay && x.n <= lastDay

const numberOf = (result: unknown): number =>
  typeof result === 'number' ? result : typeof result === 'bigint' ? Number(result) : Number.NaN

/** Writes what a formula came to, row by row, to the column of its field as it is now. */
export type ResultWriter = (row: number, result: unknown) => void
/** How what a formula came to is written. */
export function resultWriter(settings: FieldSettings): (column: Column) => ResultWriter {
  switch (settings.gives) {
    case 'number':
    case 'money':
    case 'duration': {
      const scale = scaleOf({ type: 'computed', settings })
      return (column) => {
        const write = writerOf(column)
        return (row, result) => write(row, wholeAt(numberOf(result), scale))
      }
    }
    case 'date':
      return (column) => {
        const write = writerOf(column)
        return (row, result) => write(row, isDay(result) ? Math.floor(result.n) : Number.NaN)
      }
    case 'checkbox':
      return (column) => (row, result) => column.set(row, result === true ? true : null)
    case 'shortText': {
      const cleaned = remembering(
        (text: string) =>
          oneLine(text.slice(0, 2 * longestShortText))
            .slice(0, longestShortText)
            .trim() || null,
      )
      return (column) => (row, result) => column.set(row, typeof result === 'string' ? cleaned(result) : null)
    }
    default:
      return (column) => (row) => column.set(row, null)
  }
}
/** Results are often few different ones. */
function remembering<T>(make: (text: string) => T): (text: string) => T {
  const known = new Map<string, T>()
  return (text) => {
    const before = known.get(text)
    if (before !== undefined) return before
    if (known.size >= mostKnown) known.clear()
    const made = make(text)
    known.set(text, made)
    return made
  }
}
const mostKnown = 500
