/** Relations come and go with the fields at both of their ends. */
import { problem, type Problem } from '../../base/result'
import { fieldTypes } from '../../fields/registry'
import { otherEnd } from '../../model/links'
import type { Reader } from '../../model/reader'
import type { Field } from '../../model/records'

/** The fields that are removed with one: what shows the same links from the other end. */
export function endsOf(reader: Reader, field: Field): Field[] {
  const far = fieldTypes[field.type].isLinked ? reader.maybe('field', otherEnd(field)) : undefined
  return far && far.id !== field.id && !far.archived ? [field, far] : [field]
}

/** What stands at both ends is nothing that one item alone must have. */
export const ruleRefusal = ({ type, required, name }: Field): Problem | undefined =>
  required && fieldTypes[type].isLinked ? problem('wrong-value', { field: name }) : undefined

/** Undefined where new fields that are ends of relations are each other’s. */
export function endsRefusal(reader: Reader, made: readonly Field[]): Problem | undefined {
  for (const field of made) {
    if (!fieldTypes[field.type].isLinked) continue
    const far = made.find(({ id }) => id === otherEnd(field))
    const isWhole = far?.type === field.type && far.project === field.project && otherEnd(far) === field.id
    if (!isWhole || reader.maybe('field', field.id)) return problem('wrong-value', { field: 'settings' })
    const refused = ruleRefusal(field)
    if (refused) return refused
  }
  return undefined
}
