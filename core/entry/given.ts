import type { PlainDate } from '../base/dates'
import { addWorkingDays } from '../base/working-time'
import { fieldTypes, isInItem } from '../fields/registry'
import { fieldContext, type Reader } from '../model/reader'
import type { Fallback, Item, PersonId, View } from '../model/records'

/** What a view gives to the items that are added through it, as far as its fields still take it. */
export function givenBy(
  reader: Reader,
  { project, gives }: Pick<View, 'project' | 'gives'>,
  me: PersonId,
  today: PlainDate,
): Item['values'] {
  const valueOf = (fallback: Fallback) => {
    if (fallback.is === 'value') return fallback.value
    if (fallback.is === 'maker') return [me]
    return fallback.is === 'today' ? addWorkingDays(today, fallback.days, reader.workingTime()) : null
  }
  return Object.fromEntries(
    Object.entries(gives ?? {}).flatMap(([id, fallback]) => {
      const field = reader.maybe('field', id)
      const value = valueOf(fallback)
      const isGone = !field || field.archived || field.project !== project || !isInItem(field)
      return isGone || value === null || fieldTypes[field.type].check(value, fieldContext(reader, field))
        ? []
        : [[id, value]]
    }),
  )
}
