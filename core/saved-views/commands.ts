import * as z from 'zod/mini'
import { instant, name, text } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { must, problem } from '../base/result'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand } from '../change/command'
import { defaultsRefusal } from '../items/fallbacks'
import { allowsRecord, viewDefinition } from '../model/definition'
import { audienceRecord, defaultsRecord, viewRecord } from '../model/schemas'
import { recordCommands, unmade } from '../setup/record-commands'

/** Adding, keeping, naming, ordering and sharing views; what is removed is in the bin. */
export const views = recordCommands({
  entity: 'view',
  record: viewRecord,
  id: ids.viewId,
  fields: {
    definition: viewDefinition,
    name,
    about: z.nullable(text(500)),
    heading: z.nullable(name),
    gives: defaultsRecord,
    allows: z.nullable(allowsRecord),
    audience: audienceRecord,
    /** Null: it comes back from the bin. */
    archived: z.nullable(instant),
  },
  siblings: (reader, view) => [...reader.all('view')].filter((one) => one.project === view.project),
  check(reader, { id, project, gives, archived }) {
    // When it went into the bin is said by removing it alone.
    const isSaid = (archived ?? null) === null || archived === reader.maybe('view', id)?.archived
    return isSaid ? defaultsRefusal(reader, project, gives) : problem('wrong-value', { field: 'archived' })
  },
  removal: z.object({}),
  remove: (_reader, view, _how, context) => [
    { entity: 'view', id: view.id, field: 'archived', before: null, after: context.now },
  ],
})

/** Deletes a view that is in the bin, for good, with how each person has it look: nothing undoes it. */
export const deleteView = defineCommand({
  type: 'view.delete',
  v: 1,
  body: z.object({ view: ids.viewId }),
  projects: (reader, { view }) => [reader.maybe('view', view)?.project ?? []].flat(),
  check(reader, { view }, { by }) {
    const found = reader.maybe('view', view)
    if (!found) return problem('gone')
    return changeRefusal(reader, by, 'view', found) ?? (found.archived ? undefined : problem('not-in-bin'))
  },
  apply(reader, { view }) {
    const looks = [...reader.all('look')].filter((look) => look.view === view)
    return applied([
      ...looks.map((look) => unmade('look', look)),
      unmade('view', must(reader.maybe('view', view), 'view')),
    ])
  },
})
