import type { PlainDate } from '../base/dates'
import type { Speech } from '../base/days-said'
import type { DecimalMark } from '../base/decimals'
import type { Problem, Result } from '../base/result'
import type { Column } from './columns/column'
import type { Figures } from './figures'
import type { FactKind } from './kinds'
import type { FieldTypeName, OptionColour } from './names'
import type { FieldSettings } from './settings'
import type { Source } from './source'
import type { Day, FactTest } from './test'
import type { Value } from './value'

export { isEmptyValue, type LongTextMark, type Value } from './value'
export { fieldTypeNames, optionColours, type FieldTypeName, type OptionColour } from './names'
export type { FieldSettings } from './settings'

/** One allowed value of a choice field, as its type needs it. */
export interface Option {
  readonly id: string
  readonly label: string
  readonly colour: OptionColour
  /** Removed: it keeps its name where it is held, and can be chosen no more. */
  readonly archived: boolean
}

/** What a type needs to turn ids into words and words into ids. */
export interface Names {
  /** A person's name; undefined where there is no such person. */
  person(id: string): string | undefined
  /** The id of the person of that name; case, accents and blanks aside. */
  personNamed(name: string): string | undefined
  /** A person's craft; undefined where they have none. */
  craftOf(id: string): string | undefined
  /** An item's key and title; undefined where there is no such item. */
  item(id: string): { readonly key: string; readonly title: string } | undefined
  /** The id of the item of that key. */
  itemNamed(key: string): string | undefined
  /** Everyone's id, in the order of their names. */
  peopleInOrder(): readonly string[]
}

/** A field, as far as its type needs to know it. */
export interface FieldContext {
  readonly settings: FieldSettings
  /** In their order, those that were removed among them. */
  readonly options: readonly Option[]
  readonly names: Names
  /** How numbers and days are written and read there. */
  readonly speech: Speech
}

/** What the words of a condition mean to whoever is looking, today. */
export interface Meaning {
  /** Ids, with `me` and `craft` replaced by people. */
  ids(values: readonly string[]): string[]
  day(day: Day): PlainDate
}

/** One value changed into another, or ids that came into a field of several and left it. */
export type ValueChange =
  | { readonly before: unknown; readonly after: unknown }
  | { readonly added: readonly string[]; readonly removed: readonly string[] }

/** The one contract of all field types. */
export interface FieldType {
  readonly name: FieldTypeName
  /** The type in the interface's words. */
  readonly label: string
  /** Holds several values, which change by add and remove. */
  readonly several: boolean
  /** What its values are chosen from; none where they are typed. */
  readonly choices?: 'options' | 'people' | 'items' | 'listed' | undefined
  /** Of `listed`: the same few for every field, in their order. */
  readonly listed?: readonly { readonly id: string; readonly name: string }[]
  /** Its values are people, of whom everybody puts in and takes out themselves alone. */
  readonly isOwn?: boolean
  /** The item holds a mark only; the words are a record of their own (`setText`). */
  readonly isApart?: boolean
  /** Its values are links, which are records of their own and stand at both ends. */
  readonly isLinked?: boolean
  /** Worked out from other things: never typed and never stored. `typeOf` says as what its values are read and shown. */
  readonly isWorkedOut?: boolean
  /** Having a value is said as being ticked. */
  readonly isTicked?: boolean
  /** How its values are matched, grouped and totalled. */
  readonly kind: FactKind
  /** Of numbers: how they are said and read. */
  figures?(settings: FieldSettings, mark?: DecimalMark): Figures
  /** A new column for values of the type. */
  column(): Column
  /** How views read the column; the column is one that `column()` made. */
  source(column: Column, context: FieldContext): Source
  /** Undefined where the value may be stored. */
  check(value: Value, context: FieldContext): Problem | undefined
  /** Typed or pasted text as a value; empty text is null. */
  parse(text: string, context: FieldContext): Result<Value>
  /** The value in words; empty is ''. Reading it back gives the same value (long text aside). */
  print(value: Value, context: FieldContext): string
  /** Order of two filled values: below 0, 0 or above 0. */
  compare(a: Value, b: Value, context: FieldContext): number
  /** The value that makes an item meet a test; undefined where none is clear. */
  fit(test: FactTest, meaning: Meaning): Value | undefined
  /**
   * A change of a field called `name` in words, without who and when: `set effort to 2.5 h`. Undefined: as most types say
   * it (`describe.ts`).
   */
  describe?(change: ValueChange, name: string): string
}

/** Splits a cell of several at `;` or `,`; doubles count once, blanks are dropped. */
export function splitSeveral(text: string): string[] {
  const parts = text.split(/[;,]/).map((part) => part.trim())
  return [...new Set(parts.filter(Boolean))]
}

/** The most characters that a title or a short text may hold. */
export const longestShortText = 500
/** The most characters that a long text may hold. */
export const longestLongText = 100_000
