import { isSameValue } from '../base/sorted-ids'
import type { FieldContext, FieldType, Value } from './contract'
import { isEmptyValue } from './value'

/** A field's type with what it needs to know of the field. */
export interface FieldAs {
  readonly type: FieldType
  readonly context: FieldContext
}

/**
 * What is kept of a value when its field becomes of another type: what the new type can read of it in words. Null where
 * nothing is kept; a long text, whose words are elsewhere, never is. `unit` is written behind them.
 */
export function convertValue(value: Value, from: FieldAs, to: FieldAs, unit = ''): Value {
  if (isEmptyValue(value) || from.type.isApart || to.type.isApart) return null
  if (from.type.name === to.type.name && isSameValue(from.context.settings, to.context.settings)) return value
  const read = to.type.parse(`${from.type.print(value, from.context)}${unit && ` ${unit}`}`, to.context)
  return read.ok && !isEmptyValue(read.value) && !to.type.check(read.value, to.context) ? read.value : null
}
