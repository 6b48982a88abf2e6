import type { Instant, PlainDate } from '#core/base/dates'
import { fieldTypes } from '#core/fields/registry'
import type { Value } from '#core/fields/value'
import { fieldContext } from '#core/model/reader'
import type { Field } from '#core/model/records'
import { dayWords, momentWords } from '../dates'
import { speechOf } from '../data/speech'
import type { Directory } from './marks'

/** What was understood of what was typed, in words; '' where it says the same, or nothing that the field can have. */
export function understoodWords(directory: Directory, field: Field, typed: string, value: Value): string {
  if (!typed.trim() || value === null) return ''
  const words = said(directory, field, value)
  return words.toLowerCase() === typed.trim().toLowerCase() ? '' : words
}

function said(directory: Directory, field: Field, value: Value): string {
  const { kind } = fieldTypes[field.type]
  if (kind === 'day') return typeof value === 'string' ? dayWords(value as PlainDate, directory.language) : ''
  if (kind === 'instant')
    return momentWords(value as Instant, directory.language, directory.today, directory.reader.workspace().timeZone)
  return fieldTypes[field.type].print(value, fieldContext(directory.reader, field, speechOf(directory)))
}
