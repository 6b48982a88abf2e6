import { fail, problem } from '../base/result'
import { MarkColumn } from './columns/column'
import type { FieldType, LongTextMark } from './contract'

/** Plain text of any length, kept apart from the item, which holds `{revision}` where it is filled. */
export const longText: FieldType = {
  name: 'longText',
  label: 'long text',
  several: false,
  kind: 'flag',
  column: () => new MarkColumn(),
  check: (value) => (isLongTextMark(value) ? undefined : problem('wrong-value')),
  parse: () => fail(problem('wrong-value')),
  print: (value) => (isLongTextMark(value) ? 'filled' : ''),
  compare: () => 0,
}

export const isLongTextMark = (value: unknown): value is LongTextMark =>
  typeof value === 'object' && value !== null && 'revision' in value && Number.isInteger(value.revision)

/** 0: nothing has been written. */
export const revisionOf = (value: unknown): number => (isLongTextMark(value) ? value.revision : 0)
