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
  if (from.type.name === to.type.name) return rescaled(value, from, to)
  const read = to.type.parse(`${from.type.print(value, from.context)}${unit && ` ${unit}`}`, to.context)
  return read.ok && !isEmptyValue(read.value) && !to.type.check(read.value, to.context) ? read.value : null
}

/** The same value under other settings: of a number at another scale, null where that has too few decimals. */
function rescaled(value: Value, from: FieldAs, to: FieldAs): Value {
  const scale = ({ type, context }: FieldAs): number => type.figures?.(context.settings).decimals ?? 0
  const kept = typeof value === 'number' ? value * 10 ** (scale(to) - scale(from)) : value
  if (typeof kept === 'number' && !Number.isSafeInteger(kept)) return null
  return to.type.check(kept, to.context) ? null : kept
}
