import { isSameText } from '../base/collation'
import { fail, ok, problem } from '../base/result'
import { CodeColumn } from './columns/codes'
import type { FieldType } from './contract'
import { choiceOf, placesOf } from './source'

/** How something fares, best first; each has a colour and a shape of its own (`look`). */
export const healths = [
  { id: 'well', name: 'going well' },
  { id: 'watch', name: 'needs watching' },
  { id: 'trouble', name: 'in trouble' },
] as const
/** How something fares. */
export type Health = (typeof healths)[number]['id']

const placeOf = placesOf(() => healths.map(({ id }) => id))

/** How something fares: one of three. Stored as its id; ordered from well to trouble. */
export const health: FieldType = {
  name: 'health',
  label: 'health',
  several: false,
  choices: 'listed',
  listed: healths,
  kind: 'choice',
  column: () => new CodeColumn(),
  source: (column) => choiceOf(column as CodeColumn, placeOf),
  check: (value) => (healths.some(({ id }) => id === value) ? undefined : problem('wrong-value')),
  parse(text) {
    if (!text.trim()) return ok(null)
    const found = healths.find(({ id, name }) => isSameText(name, text) || isSameText(id, text))
    return found ? ok(found.id) : fail(problem('wrong-value', { text: text.trim() }))
  },
  print: (value) => healths.find(({ id }) => id === value)?.name ?? '',
  compare: (a, b) => placeOf(String(a)) - placeOf(String(b)),
  fit: (test) => (test.is === 'anyOf' ? test.values[0] : undefined),
}
