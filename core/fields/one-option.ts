import { isSameText } from '../base/collation'
import { fail, ok, problem } from '../base/result'
import { CodeColumn } from './columns/codes'
import type { FieldSettings, FieldType } from './contract'

const place = (id: unknown, settings: FieldSettings) => settings.options?.findIndex((option) => option.id === id) ?? -1

/** One of the field's options. Stored as the option's id; ordered as the options are. */
export const oneOption: FieldType = {
  name: 'oneOption',
  label: 'one option',
  several: false,
  kind: 'choice',
  column: () => new CodeColumn(),
  check: (value, settings) => (place(value, settings) < 0 ? problem('wrong-value') : undefined),
  parse(text, settings) {
    if (!text.trim()) return ok(null)
    const option = settings.options?.find((candidate) => isSameText(candidate.label, text))
    return option ? ok(option.id) : fail(problem('wrong-value', { text: text.trim() }))
  },
  print: (value, settings) => settings.options?.find((option) => option.id === value)?.label ?? '',
  compare: (a, b, settings) => place(a, settings) - place(b, settings),
}
