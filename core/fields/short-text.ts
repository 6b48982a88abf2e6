import { compareText } from '../base/collation'
import { ok, problem } from '../base/result'
import { TextColumn } from './columns/texts'
import { longestShortText, type FieldType } from './contract'

/** One line of at most 500 characters. Stored as a string, never ''. */
export const shortText: FieldType = {
  name: 'shortText',
  label: 'short text',
  several: false,
  kind: 'text',
  column: () => new TextColumn(),
  source: (column) => ({ kind: 'text', column: column as TextColumn }),
  check(value) {
    if (typeof value !== 'string') return problem('wrong-value')
    if (value.length > longestShortText) return problem('too-long', { length: value.length, most: longestShortText })
    return undefined
  },
  parse: (text) => ok(text.trim() || null),
  print: (value) => (typeof value === 'string' ? value : ''),
  compare: (a, b) => compareText(String(a), String(b)),
  fit: () => undefined,
}
