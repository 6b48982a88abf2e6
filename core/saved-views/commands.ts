import * as z from 'zod/mini'
import { name } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { problem, type Problem } from '../base/result'
import { refusal } from '../access/access'
import { personIn, type Context } from '../change/command'
import type { Reader } from '../model/reader'
import type { View } from '../model/records'
import { viewDefinition } from '../model/definition'
import { viewRecord } from '../model/schemas'
import { recordCommands, unmade } from '../setup/record-commands'

function whyNot(reader: Reader, view: View, context: Context): Problem | undefined {
  if (!reader.maybe('project', view.project)) return problem('gone')
  const isMine = view.maker === personIn(context)
  // A new view is its maker's; another's own view is nobody else's to change, not even a lead's.
  if (!isMine && (view.audience.of === 'maker' || !reader.maybe('view', view.id)))
    return problem('not-allowed', { act: 'keep own views' })
  const act = view.audience.of === 'maker' ? 'keep own views' : 'keep views for everyone'
  return refusal(reader, context.by, act, view.project)
}

/** Adding, keeping, removing and ordering views. */
export const views = recordCommands({
  entity: 'view',
  record: viewRecord,
  id: ids.viewId,
  fields: { definition: viewDefinition, name },
  siblings: (reader, view) => [...reader.all('view')].filter((one) => one.project === view.project),
  refusal: whyNot,
  removal: z.object({}),
  remove: (_reader, view) => [unmade('view', view)],
})
