/** What a column of a file becomes, as the choice of a list. */
import type { ColumnPlan, ColumnTarget } from '#core/bring-in/columns'
import type { Unsure, Written } from '#core/bring-in/guess'
import type { FieldTypeName } from '#core/fields/names'
import { fieldTypes } from '#core/fields/registry'

export function targetKey(target: ColumnTarget): string {
  if (target.to === 'field') return `field ${target.field}`
  return target.to === 'new' ? `new ${target.type}` : target.to
}

function targetOf(key: string, header: string): ColumnTarget {
  const [to, more = ''] = key.split(' ')
  if (to === 'field') return { to, field: more }
  if (to !== 'new') return { to: to as 'title' }
  return { to, name: header, type: more as FieldTypeName, settings: more === 'number' ? { decimals: 2 } : {} }
}

/** What has to be said of how a column is written: only what its type reads. */
export function isOpen({ unsure }: ColumnPlan, type: FieldTypeName): Unsure[] {
  const { kind } = fieldTypes[type]
  const read: Unsure | undefined =
    kind === 'day' || kind === 'instant' ? 'first' : kind === 'number' ? 'decimal' : undefined
  return unsure.filter((one) => one === read)
}

/** The columns with what was said of how the i-th is written; a new number has as many decimals as that makes. */
export const rewritten = (columns: readonly ColumnPlan[], i: number, said: Partial<Written>): ColumnPlan[] =>
  columns.map((column, j) => {
    if (j !== i) return column
    const { target, decimals } = column
    const isNumber = target.to === 'new' && target.type === 'number' && said.decimal
    return {
      ...column,
      target: isNumber ? { ...target, settings: { ...target.settings, decimals: decimals[said.decimal!] } } : target,
      written: { ...column.written, ...said },
      unsure: column.unsure.filter((one) => !(one in said)),
    }
  })

/** The columns with another target for the i-th. What only one column can be, the other gives up. */
export function retargeted(columns: readonly ColumnPlan[], i: number, key: string): ColumnPlan[] {
  const target = targetOf(key, columns[i]?.header ?? '')
  const isTaken = (columnPlan: ColumnPlan) =>
    target.to !== 'new' && target.to !== 'nothing' && targetKey(columnPlan.target) === key
  return columns.map((columnPlan, j) => {
    if (j === i) return { ...columnPlan, target }
    return isTaken(columnPlan) ? { ...columnPlan, target: { to: 'nothing' } } : columnPlan
  })
}

/** The field that is proposed is named; the others are named by their type. */
export const newFieldWords = ({ target }: ColumnPlan, type: FieldTypeName): string =>
  target.to === 'new' && target.type === type ? `${target.name}, ${fieldTypes[type].label}` : fieldTypes[type].label
