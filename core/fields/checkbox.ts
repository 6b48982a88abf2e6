import { isSameText } from '../base/collation'
import { fail, ok, problem } from '../base/result'
import { FlagColumn } from './columns/column'
import type { FieldType } from './contract'

export const wordsForYes = ['yes', 'y', 'true', 'x', '1', '✓']
export const wordsForNo = ['no', 'n', 'false', '0', '-']

/** Yes or no; empty is no. Stored as true, or absent. */
export const checkbox: FieldType = {
  name: 'checkbox',
  label: 'checkbox',
  several: false,
  kind: 'flag',
  column: () => new FlagColumn(),
  check: (value) => (value === true ? undefined : problem('wrong-value')),
  parse(text) {
    if (!text.trim() || wordsForNo.some((word) => isSameText(word, text))) return ok(null)
    if (wordsForYes.some((word) => isSameText(word, text))) return ok(true)
    return fail(problem('wrong-value', { text: text.trim() }))
  },
  print: (value) => (value === true ? 'yes' : ''),
  compare: (a, b) => Number(a === true) - Number(b === true),
}
