import { fail, ok, problem } from '../base/result'
import { NumberColumn } from './columns/column'
import type { FieldType } from './contract'
import { plainFigures } from './figures'
import { numberSource } from './number'

/** The most that a rating can be where its field says nothing. */
export const usualMost = 5

/** How good, how hard, how well: 1 to the field's most. Stored as that number. */
export const rating: FieldType = {
  name: 'rating',
  label: 'rating',
  several: false,
  kind: 'number',
  column: () => new NumberColumn(),
  source: numberSource,
  figures: () => plainFigures,
  check(value, { settings: { scale = usualMost } }) {
    if (typeof value !== 'number' || !Number.isInteger(value)) return problem('wrong-value')
    return value < 1 || value > scale ? problem('out-of-bounds', { text: String(value), least: '1', most: String(scale) }) : undefined // prettier-ignore
  },
  parse(text, { settings: { scale = usualMost } }) {
    if (!text.trim()) return ok(null)
    const match = /^(\d{1,2})(?:\s*(?:\/|of|out of)\s*(\d{1,2}))?$/i.exec(text.trim())
    if (!match || (match[2] && Number(match[2]) !== scale)) return fail(problem('wrong-value', { text: text.trim() }))
    const value = Number(match[1])
    const isWithin = value >= 1 && value <= scale
    return isWithin ? ok(value) : fail(problem('out-of-bounds', { text: text.trim(), least: '1', most: String(scale) }))
  },
  print: (value, { settings: { scale = usualMost } }) => (typeof value === 'number' ? `${value} of ${scale}` : ''),
  compare: (a, b) => Number(a) - Number(b),
  fit: (test) => (test.is === 'between' ? (test.from ?? test.to ?? undefined) : undefined),
}
