import { isSameText } from '../base/collation'
import { fail, ok, problem } from '../base/result'
import { CodeColumn } from './columns/codes'
import type { FieldContext, FieldType } from './contract'
import { choiceOf, placesOf } from './source'

const placeOf = (id: unknown, { options }: FieldContext) => options.findIndex((option) => option.id === id)

/** One of the field's options. Stored as the option's id; ordered as the options are. */
export const oneOption: FieldType = {
  name: 'oneOption',
  label: 'one option',
  several: false,
  choices: 'options',
  kind: 'choice',
  column: () => new CodeColumn(),
  source: (column, { options }) =>
    choiceOf(
      column as CodeColumn,
      placesOf(() => options.map((option) => option.id)),
    ),
  check: (value, { options }) =>
    options.some((option) => option.id === value && !option.archived) ? undefined : problem('wrong-value'),
  parse(text, { options }) {
    if (!text.trim()) return ok(null)
    const option = options.find((candidate) => !candidate.archived && isSameText(candidate.label, text))
    return option ? ok(option.id) : fail(problem('wrong-value', { text: text.trim() }))
  },
  print: (value, { options }) => options.find((option) => option.id === value)?.label ?? '',
  compare: (a, b, context) => placeOf(a, context) - placeOf(b, context),
  fit: (test) => (test.is === 'anyOf' ? test.values[0] : undefined),
}
