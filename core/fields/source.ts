/** A fact of a project's items, ready to be read from the columns: what the view engine filters, sorts, groups and totals. */
import type { CodeColumn, CodesColumn } from './columns/codes'
import type { DayColumn, InstantColumn, NumberColumn } from './columns/column'
import type { TextColumn } from './columns/texts'

/** One id a row: an option, a status, a person. */
export interface ChoiceSource {
  readonly kind: 'choice'
  readonly column: CodeColumn
  /** What a code of the column means; '' means none. */
  valueOf(code: number): string
  /** A value's place in the order of values; those that are in no list come last. */
  place(value: string): number
}
/** Several ids a row. */
export interface ChoicesSource {
  readonly kind: 'choices'
  /** Undefined: the values are computed. */
  readonly column?: CodesColumn
  /** The columns that they are computed from: a row has what any of them has. */
  readonly columns?: readonly CodesColumn[]
  valuesAt(row: number): readonly string[]
  place(value: string): number
}
/** Whole numbers at the fact’s scale; NaN: none. */
export interface NumberSource {
  readonly kind: 'number'
  /** Undefined: the values are computed. */
  readonly column?: NumberColumn
  /** NaN where there is none. */
  at(row: number): number
}
/** Days as day numbers. */
export interface DaySource {
  readonly kind: 'day'
  readonly column: DayColumn
}
/** Moments in ms since 1970. */
export interface InstantSource {
  readonly kind: 'instant'
  readonly column: InstantColumn
}
/** Texts, with the order that their column keeps. */
export interface TextSource {
  readonly kind: 'text'
  readonly column: TextColumn
}
/** Yes or no. */
export interface FlagSource {
  readonly kind: 'flag'
  isSet(row: number): boolean
}
/** A fact as it is read, row by row, by its kind. */
export type Source = ChoiceSource | ChoicesSource | NumberSource | DaySource | InstantSource | TextSource | FlagSource

/** The order of a list of ids; what is not in it comes after. Computed when it is first asked for. */
export function placesOf(ids: () => Iterable<string>): (value: string) => number {
  let known: Map<string, number> | undefined
  return (value) => {
    known ??= new Map([...ids()].map((id, i) => [id, i]))
    return known.get(value) ?? known.size
  }
}

/** A column of one code a row, whose codes mean themselves. */
export const choiceOf = (column: CodeColumn, place: ChoiceSource['place']): ChoiceSource => ({
  kind: 'choice', column, place, valueOf: (code) => column.codes.ids[code] ?? '',
}) // prettier-ignore

/** A column of several codes a row, whose codes mean themselves. */
export const choicesOf = (column: CodesColumn, place: ChoicesSource['place']): ChoicesSource => ({
  kind: 'choices',
  column,
  place,
  valuesAt: (row) => column.codesAt(row).map((code) => column.codes.ids[code] ?? ''),
})
