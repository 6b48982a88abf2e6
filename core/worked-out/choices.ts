/** What of a project can be read by fields that are worked out. */
import type { RollUpName } from '../fields/names'
import { typeOf } from '../fields/registry'
import type { Field } from '../model/records'

/** Which roll-ups a field can be read by; none where nothing can be made of many of its values. */
export function rollUpsOf(field: Field): RollUpName[] {
  const { kind, name, isApart, isOwn, isLinked } = typeOf(field)
  if (isApart || isOwn || isLinked) return []
  if (kind === 'number') return ['sum', 'average', 'least', 'most']
  if (kind === 'day' || kind === 'instant') return ['earliest', 'latest']
  return name === 'health' ? ['worst'] : []
}
/** Whether the share that is finished can be weighed by a field. */
export const canWeigh = (field: Field): boolean => rollUpsOf(field).includes('sum')
/** Whether what an item has in a field can be looked up from others. */
export const canBeLookedUp = (field: Field): boolean =>
  field.type !== 'lookUp' && !typeOf(field).isApart && !typeOf(field).isOwn && !typeOf(field).isLinked
