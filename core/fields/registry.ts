import type { DecimalMark } from '../base/decimals'
import { checkbox } from './checkbox'
import { email, phone, webLink } from './contacts'
import type { FieldType, FieldTypeName } from './contract'
import { date } from './date'
import { dateTime } from './date-time'
import { duration } from './duration'
import { plainFigures, type Figures } from './figures'
import { health } from './health'
import { longText } from './long-text'
import { money } from './money'
import { number } from './number'
import { oneOption } from './one-option'
import { people } from './people'
import { rating } from './rating'
import { relation } from './relation'
import { severalOptions } from './several-options'
import type { FieldSettings } from './settings'
import { shortText } from './short-text'
import { votes } from './votes'
import { computed, lookUp, rollUp } from './worked-out'

/** Every field type there is, by name. */
export const fieldTypes: Readonly<Record<FieldTypeName, FieldType>> = {
  shortText, longText, number, money, duration, oneOption, severalOptions, people, date, dateTime, checkbox, rating,
  health, webLink, email, phone, relation, votes, computed, rollUp, lookUp,
} // prettier-ignore

/** A field, as far as one asks what it holds. */
export interface Typed {
  readonly type: FieldTypeName
  readonly settings: FieldSettings
}
/** The name of the type as which a field's values are read and shown: of what is worked out, what it gives. */
export const shownType = ({ type, settings }: Typed): FieldTypeName =>
  (fieldTypes[type].isWorkedOut && settings.gives) || type
/** The type as which a field's values are read and shown. */
export const typeOf = (field: Typed): FieldType => fieldTypes[shownType(field)]
/** Whether a field is worked out from others, so that nobody fills it in. */
export const isWorkedOut = (field: Typed): boolean => !!fieldTypes[field.type].isWorkedOut

/** Whether the values of a field stand in the item itself: they are neither worked out nor links. */
export const isInItem = ({ type }: Pick<Typed, 'type'>): boolean =>
  !fieldTypes[type].isWorkedOut && !fieldTypes[type].isLinked

/** How the numbers of a field are said and read; plain ones where it has none, or is not there. */
export const figuresOf = (field: Typed | undefined, mark?: DecimalMark): Figures =>
  (field && typeOf(field).figures?.(field.settings, mark)) ?? plainFigures
