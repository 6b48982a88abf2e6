import type { Problem, Result } from '../base/result'
import type { Column } from './columns/column'
import type { FactKind } from './kinds'
import type { Value } from './value'

export type { LongTextMark, Value } from './value'

export interface Option {
  readonly id: string
  readonly label: string
  readonly colour: OptionColour
}

export const optionColours = [
  'moss', 'reed', 'flax', 'oat', 'bark', 'blossom', 'foxglove', 'lilac', 'iris', 'rain', 'pond', 'slate',
] as const // prettier-ignore
export type OptionColour = (typeof optionColours)[number]

export const fieldTypeNames = [
  'shortText', 'longText', 'number', 'oneOption', 'severalOptions', 'people', 'date', 'checkbox',
] as const // prettier-ignore
export type FieldTypeName = (typeof fieldTypeNames)[number]

/** All settings that a field may have; each type reads its own. */
export interface FieldSettings {
  readonly unit?: string
  /** Decimals kept, 0 to 6. */
  readonly decimals?: number
  readonly options?: readonly Option[]
  /** No two items of the project may hold the same value. */
  readonly unique?: boolean
}

/** What a type needs to turn ids into words and words into ids. */
export interface Names {
  /** A person's name; undefined where there is no such person. */
  person(id: string): string | undefined
  /** The person of that name, case, accents and blanks aside. */
  personNamed(name: string): string | undefined
}

/** The one contract of all field types. */
export interface FieldType {
  readonly name: FieldTypeName
  /** The type in the interface's words. */
  readonly label: string
  /** Holds several values, which change by add and remove. */
  readonly several: boolean
  /** How its values are matched, grouped and totalled. */
  readonly kind: FactKind
  /** A new column for values of the type. */
  column(): Column
  /** Undefined where the value may be stored. */
  check(value: Value, settings: FieldSettings, names: Names): Problem | undefined
  /** Typed or pasted text to a value; empty text is null. */
  parse(text: string, settings: FieldSettings, names: Names): Result<Value>
  /** The value in words; empty is ''. Reading it back gives the same value (long text aside). */
  print(value: Value, settings: FieldSettings, names: Names): string
  /** Order of two filled values. */
  compare(a: Value, b: Value, settings: FieldSettings, names: Names): number
}

export const isEmptyValue = (value: Value | undefined): value is null | undefined =>
  value === null || value === undefined || value === '' || (Array.isArray(value) && value.length === 0)

/** Splits a cell of several at `;` or `,`; the same one twice counts once, blanks are dropped. */
export function splitSeveral(text: string): string[] {
  const parts = text.split(/[;,]/).map((part) => part.trim())
  return [...new Set(parts.filter(Boolean))]
}

/** The most characters that a title or a short text may hold. */
export const longestShortText = 500
/** The most characters that a long text may hold. */
export const longestLongText = 100_000
