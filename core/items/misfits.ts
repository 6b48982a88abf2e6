import { fieldTypes } from '../fields/registry'
import type { FieldSettings } from '../fields/settings'
import { idsOf, type Value } from '../fields/value'
import { fieldContext, type Reader } from '../model/reader'
import { fieldRef } from '../facts/registry'
import type { Condition, FactTest, Field } from '../model/records'

/** What of a field's settings says which values it takes: those from before it was said stay. */
const rules = ['least', 'most', 'unique', 'scale', 'single', 'craft', 'among'] as const satisfies readonly (keyof FieldSettings)[] // prettier-ignore
const hasRule = ({ settings }: Field): boolean => rules.some((rule) => settings[rule] !== undefined)

/** The rows of unarchived items that hold something in a field which it would not take today. */
export function misfitsOf(reader: Reader, field: Field): number[] {
  const table = reader.table(field.project)
  const column = table.values.get(field.id)
  if (!column || !hasRule(field)) return []
  const { check } = fieldTypes[field.type]
  const context = fieldContext(reader, field)
  const first = new Map<Value, number>()
  const found = new Set<number>()
  for (let row = 0; row < table.n; row++) {
    if (!table.listed[row] || column.isEmpty(row)) continue
    const value = column.get(row)
    if (check(value, context)) found.add(row)
    const other = field.settings.unique ? first.get(value) : undefined
    if (other !== undefined) found.add(other).add(row)
    else if (field.settings.unique) first.set(value, row)
  }
  return [...found].sort((a, b) => a - b)
}

/** So many stretches of keys are asked for at most: the others come when these have been seen to. */
export const mostStretches = 60

/** What asks for them in a view: what the rule rules out where a condition can say so, the keys of the others. */
export function misfitCondition(reader: Reader, field: Field): Condition | undefined {
  const table = reader.table(field.project)
  const column = table.values.get(field.id)
  const rows = misfitsOf(reader, field)
  if (!column || !rows.length) return undefined
  const { least, most, scale } = field.settings
  const below = least ?? -Infinity
  const above = most ?? scale ?? Infinity
  const isPerson = fieldTypes[field.type].choices === 'people'
  const context = fieldContext(reader, field)
  const wrong = new Set<string>()
  const numbers: number[] = []
  for (const row of rows) {
    const value = column.get(row)
    const ids = isPerson ? idsOf(value).filter((id) => fieldTypes[field.type].check([id], context)) : []
    for (const id of ids) wrong.add(id)
    const isOut = typeof value === 'number' && (value < below || value > above)
    if (!ids.length && !isOut) numbers.push(table.number.a[row]!)
  }
  const of = (test: FactTest): Condition => ({ about: 'fact', fact: fieldRef(field.id), test })
  const parts: Condition[] = [
    ...(Number.isFinite(below) ? [of({ is: 'between', from: null, to: below - 1 })] : []),
    ...(Number.isFinite(above) ? [of({ is: 'between', from: above + 1, to: null })] : []),
    ...(wrong.size ? [of({ is: 'anyOf', values: [...wrong].sort() })] : []),
    ...stretches(numbers)
      .slice(0, mostStretches)
      .map(([from, to]): Condition => ({ about: 'fact', fact: { fact: 'key' }, test: { is: 'between', from, to } })),
  ]
  return parts.length === 1 ? parts[0] : { about: 'any', of: parts }
}

/** Whole numbers, those that follow one another as one stretch. */
function stretches(numbers: readonly number[]): [from: number, to: number][] {
  const all: [number, number][] = []
  for (const n of [...numbers].sort((a, b) => a - b)) {
    const last = all.at(-1)
    if (last && n === last[1] + 1) last[1] = n
    else all.push([n, n])
  }
  return all
}
