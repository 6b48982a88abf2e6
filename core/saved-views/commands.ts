import * as z from 'zod/mini'
import { name } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { must, ok, problem, type Problem } from '../base/result'
import { isSameValue } from '../base/sorted-ids'
import { needsRole } from '../access/access'
import { defineCommand, type Context } from '../change/command'
import { makes } from '../change/patch'
import type { Reader } from '../model/reader'
import type { View } from '../model/records'
import { viewDefinition, viewRecord } from '../model/schemas'

/** One's own views are one's own; shared ones are kept by leads. */
function mayKeep(reader: Reader, view: Pick<View, 'owner' | 'project'>, context: Context): Problem | undefined {
  if (view.owner !== null && view.owner !== context.by) return problem('not-allowed', { needs: 'owner' })
  return needsRole(reader, context.by, view.project, view.owner ? 'reader' : 'lead')
}

export const addView = defineCommand({
  type: 'views.add',
  v: 1,
  body: z.object({ view: viewRecord }),
  projects: (_reader, body) => [body.view.project],
  check(reader, { view }, context) {
    if (!reader.maybe('project', view.project)) return problem('gone')
    if (reader.maybe('view', view.id)) return problem('id-taken')
    return mayKeep(reader, view, context)
  },
  apply: (_reader, { view }) => ok([makes('view', view)]),
})

/** Keeps a view as it now is; carries the definition and the name it was made from. */
export const setView = defineCommand({
  type: 'views.set',
  v: 1,
  body: z.object({
    view: ids.viewId,
    definition: z.optional(z.object({ from: viewDefinition, to: viewDefinition })),
    name: z.optional(z.object({ from: z.string(), to: name })),
  }),
  projects: (reader, body) => [reader.maybe('view', body.view)?.project ?? []].flat(),
  check(reader, body, context) {
    const view = reader.maybe('view', body.view)
    if (!view) return problem('gone')
    const refused = mayKeep(reader, view, context)
    if (refused) return refused
    for (const field of ['definition', 'name'] as const) {
      const change = body[field]
      if (change && !isSameValue(view[field], change.from) && !isSameValue(view[field], change.to))
        return problem('changed-meanwhile', { name: view.name }, [{ field }])
    }
    return undefined
  },
  apply(reader, body) {
    const view = must(reader.maybe('view', body.view), 'view')
    return ok(
      (['definition', 'name'] as const).flatMap((field) => {
        const change = body[field]
        if (!change || isSameValue(view[field], change.to)) return []
        return [{ entity: 'view' as const, id: view.id, field, before: view[field], after: change.to }]
      }),
    )
  },
})

export const removeView = defineCommand({
  type: 'views.remove',
  v: 1,
  body: z.object({ view: ids.viewId }),
  projects: (reader, body) => [reader.maybe('view', body.view)?.project ?? []].flat(),
  check(reader, body, context) {
    const view = reader.maybe('view', body.view)
    return view ? mayKeep(reader, view, context) : problem('gone')
  },
  apply(reader, body) {
    const view = must(reader.maybe('view', body.view), 'view')
    return ok([{ entity: 'view', id: view.id, field: '*', before: view, after: null }])
  },
})
