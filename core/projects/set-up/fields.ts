import * as z from 'zod/mini'
import { name, text } from '../../base/schemas'
import * as ids from '../../base/id-schemas'
import { problem } from '../../base/result'
import { isSameValue } from '../../base/sorted-ids'
import type { Change } from '../../change/patch'
import { fieldsOf } from '../../model/reader'
import { figuresOf, typeOf } from '../../fields/registry'
import { fieldSettings, settingsOf } from '../../fields/settings'
import { fallbackRecord, fieldRecord } from '../../model/schemas'
import { fallbackRefusal } from '../../items/fallbacks'
import { recordCommands } from '../../setup/record-commands'
import { archivedNow } from './in-project'
import { fieldsRefusal } from './most-fields'
import { endsOf, endsRefusal, ruleRefusal } from './relations'
import { otherEnd } from '../../model/links'
import { workedRefusal } from '../../facts/workings'

const required = z.optional(z.nullable(z.boolean()))
const fallback = z.optional(z.nullable(fallbackRecord))
/** Adding, changing, removing and ordering the fields of a project. What items have in a removed one stays with them. */
export const fields = recordCommands({
  entity: 'field',
  record: fieldRecord,
  id: ids.fieldId,
  fields: { name, help: text(500), settings: fieldSettings, required, fallback },
  siblings: (reader, field) => fieldsOf(reader, field.project),
  called: (field) => field.name,
  check(reader, field) {
    const stored = reader.maybe('field', field.id)
    if (!stored)
      return (
        fieldsRefusal(reader, field.project, 1) ??
        fallbackRefusal(reader, field) ??
        workedRefusal(reader, field) ??
        endsRefusal(reader, [field])
      )
    const isFit = settingsOf[field.type].safeParse(field.settings).success
    // Of another scale all values would be others.
    if (!isFit || figuresOf(stored).decimals !== figuresOf(field).decimals)
      return problem('wrong-value', { field: 'settings' })
    // One that cannot be worked out any more can still be named and moved.
    const isSame = isSameValue(stored.settings, field.settings) && !field.required && !field.fallback
    // Views ask for it as what it gives.
    if (typeOf(stored).kind !== typeOf(field).kind) return problem('wrong-value', { field: 'settings' })
    if (otherEnd(stored) !== otherEnd(field)) return problem('wrong-value', { field: 'settings' })
    return fallbackRefusal(reader, field) ?? ruleRefusal(field) ?? (isSame ? undefined : workedRefusal(reader, field))
  },
  removal: z.object({}),
  remove(reader, field) {
    const changes: Change[] = endsOf(reader, field).map((end) => archivedNow('field', end))
    const project = reader.maybe('project', field.project)
    if (project) {
      const { uses, id } = project
      const after = Object.fromEntries(Object.entries(uses).map(([use, by]) => [use, by === field.id ? null : by]))
      if (!isSameValue(uses, after)) changes.push({ entity: 'project', id, field: 'uses', before: uses, after })
    }
    for (const step of reader.all('step'))
      if (step.turn.of === 'field' && step.turn.field === field.id)
        changes.push({ entity: 'step', id: step.id, field: 'turn', before: step.turn, after: { of: 'assignees' } })
    return changes
  },
})
