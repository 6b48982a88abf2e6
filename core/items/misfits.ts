import { fieldTypes } from '../fields/registry'
import type { FieldSettings } from '../fields/settings'
import type { Value } from '../fields/value'
import { fieldContext, type Reader } from '../model/reader'
import type { Field } from '../model/records'

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
