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
import { severalOptions } from './several-options'
import type { FieldSettings } from './settings'
import { shortText } from './short-text'
import { votes } from './votes'

/** Every field type there is, by name. */
export const fieldTypes: Readonly<Record<FieldTypeName, FieldType>> = {
  shortText, longText, number, money, duration, oneOption, severalOptions, people, date, dateTime, checkbox, rating,
  health, webLink, email, phone, votes,
} // prettier-ignore

/** How the numbers of a field are said and read; plain ones where it has none, or is not there. */
export const figuresOf = (
  field: { readonly type: FieldTypeName; readonly settings: FieldSettings } | undefined,
  mark?: DecimalMark,
): Figures => (field && fieldTypes[field.type].figures?.(field.settings, mark)) ?? plainFigures
