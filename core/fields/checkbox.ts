import { isSameText } from '../base/collation'
import { fail, ok, problem } from '../base/result'
import { FlagColumn } from './columns/column'
import type { FieldType } from './contract'

/** What people write for yes and for no. */
export const wordsForYes = ['yes', 'y', 'true', 'x', '1', '✓']
/** Words that are read as no. */
export const wordsForNo = ['no', 'n', 'false', '0', '-']

/** Yes or no; empty is no. Stored as true, or absent. */
export const checkbox: FieldType = {
  name: 'checkbox',
  label: 'checkbox',
  several: false,
  isTicked: true,
  kind: 'flag',
  column: () => new FlagColumn(),
  source: (column) => ({ kind: 'flag', isSet: (row) => !column.isEmpty(row) }),
  check: (value) => (value === true ? undefined : problem('wrong-value')),
  parse(text) {
    if (!text.trim() || wordsForNo.some((word) => isSameText(word, text))) return ok(null)
    if (wordsForYes.some((word) => isSameText(word, text))) return ok(true)
    return fail(problem('wrong-value', { text: text.trim() }))
  },
  print: (value) => (value === true ? 'yes' : ''),
  compare: (a, b) => Number(a === true) - Number(b === true),
  fit: (test) => (test.is === 'filled' ? true : undefined),
  describe: (change, name) => ('after' in change && change.after ? `ticked ${name}` : `unticked ${name}`),
}
