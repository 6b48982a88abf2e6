import * as z from 'zod/mini'
import { name } from '../../base/schemas'
import * as ids from '../../base/id-schemas'
import { problem } from '../../base/result'
import { changeIds } from '../../base/sorted-ids'
import { optionColours } from '../../fields/names'
import { fieldTypes } from '../../fields/registry'
import type { OptionOfField } from '../../model/records'
import type { Reader } from '../../model/reader'
import { optionRecord } from '../../model/schemas'
import { recordCommands } from '../../setup/record-commands'
import { archivedNow, itemsWith, revalued } from './in-project'
import { optionsRefusal } from './most-fields'
import { idsOf } from '../../fields/value'

const fieldOf = (reader: Reader, option: OptionOfField) => reader.maybe('field', option.field)

/** Adding, changing, removing and ordering the options of a field. */
export const options = recordCommands({
  entity: 'option',
  record: optionRecord,
  id: ids.optionId,
  fields: { label: name, colour: z.enum(optionColours) },
  siblings: (reader, option) => reader.optionsOf(option.field).filter((one) => !one.archived),
  called: (option) => option.label,
  check(reader, option) {
    if (fieldTypes[fieldOf(reader, option)?.type ?? 'shortText'].choices !== 'options')
      return problem('wrong-value', { field: 'field' })
    return reader.maybe('option', option.id) ? undefined : optionsRefusal(reader.optionsOf(option.field).length + 1)
  },
  /** `to`: what items that have it get in its place; null: none. Without it they keep what they have. */
  removal: z.object({ to: z.optional(z.nullable(ids.optionId)) }),
  checkRemoval: (reader, option, { to }) =>
    typeof to !== 'string' || isAnother(reader, option, to) ? undefined : problem('wrong-value', { field: 'to' }),
  remove(reader, option, { to }, context) {
    const field = fieldOf(reader, option)
    if (to === undefined || !field) return [archivedNow('option', option)]
    const has = (value: unknown) => value === option.id || (Array.isArray(value) && value.includes(option.id))
    const items = itemsWith(reader, field.project, ({ values }) => has(values[field.id]))
    return [
      archivedNow('option', option),
      ...revalued(
        items,
        field.id,
        ({ values }) => {
          const value = values[field.id]
          if (!Array.isArray(value)) return to
          const next = changeIds(idsOf(value), to ? [to] : [], [option.id])
          return next?.length ? next : null
        },
        context,
      ),
    ]
  },
})

function isAnother(reader: Reader, option: OptionOfField, to: string): boolean {
  const other = reader.maybe('option', to)
  return !!other && other.id !== option.id && other.field === option.field && !other.archived
}
