import { checkbox } from './checkbox'
import type { FieldType, FieldTypeName } from './contract'
import { date } from './date'
import { longText } from './long-text'
import { number } from './number'
import { oneOption } from './one-option'
import { people } from './people'
import { severalOptions } from './several-options'
import { shortText } from './short-text'

/** Every field type there is, by name. */
export const fieldTypes: Readonly<Record<FieldTypeName, FieldType>> = {
  shortText, longText, number, oneOption, severalOptions, people, date, checkbox,
} // prettier-ignore
