import { fail, problem } from '../base/result'
import { MarkColumn } from './columns/column'
import type { FieldType, LongTextMark } from './contract'

/** Plain text of any length, kept apart from the item, which holds `{revision}` where it is filled. */
export const longText: FieldType = {
  name: 'longText',
  label: 'long text',
  several: false,
  isApart: true,
  kind: 'flag',
  column: () => new MarkColumn(),
  source: (column) => ({ kind: 'flag', isSet: (row) => !column.isEmpty(row) }),
  check: (value) => (isLongTextMark(value) ? undefined : problem('wrong-value')),
  parse: () => fail(problem('wrong-value')),
  print: (value) => (isLongTextMark(value) ? 'filled' : ''),
  compare: () => 0,
  fit: () => undefined,
  describe(change, name) {
    if (!('after' in change) || !change.after) return `emptied ${name}`
    return change.before ? `rewrote ${name}` : `wrote ${name}`
  },
}

/** Whether a value says that the item has a long text. */
export const isLongTextMark = (value: unknown): value is LongTextMark =>
  typeof value === 'object' && value !== null && 'revision' in value && Number.isInteger(value.revision)

/** 0: nothing has been written. */
export const revisionOf = (value: unknown): number => (isLongTextMark(value) ? value.revision : 0)
