import * as z from 'zod/mini'
import { name } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { viewDefinition } from '../model/definition'
import { viewRecord } from '../model/schemas'
import { recordCommands, unmade } from '../setup/record-commands'

/** Adding, keeping, removing and ordering views. */
export const views = recordCommands({
  entity: 'view',
  record: viewRecord,
  id: ids.viewId,
  fields: { definition: viewDefinition, name },
  siblings: (reader, view) => [...reader.all('view')].filter((one) => one.project === view.project),
  removal: z.object({}),
  remove: (_reader, view) => [unmade('view', view)],
})
