import * as z from 'zod/mini'
import * as ids from '../base/id-schemas'
import type { PersonId } from '../base/ids'
import { text, whole } from '../base/schemas'
import { problem } from '../base/result'
import { isIn } from '../access/access'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand, personIn } from '../change/command'
import type { Change } from '../change/patch'
import { entities } from '../model/entities'
import { lookId } from '../model/looks'
import { automaticFactNames, leastWidth, mostWidth } from '../model/names'
import type { Reader } from '../model/reader'
import type { Look, View } from '../model/records'

/** Makes columns of a view as wide as one likes them, for oneself; null: as wide as the view has them. The last word wins. */
export const setWidths = defineCommand({
  type: 'look.set',
  v: 1,
  body: z.object({ view: ids.viewId, widths: z.record(text(64), z.nullable(whole(leastWidth, mostWidth))) }),
  projects: (reader, { view }) => [reader.maybe('view', view)?.project ?? []].flat(),
  check(reader, { view, widths }, context) {
    const found = reader.maybe('view', view)
    const me = personIn(context)
    if (!found || !isIn(reader, me, entities.view.scope(found, reader))) return problem('gone')
    if (Object.keys(widths).some((of) => !isColumn(reader, found, of)))
      return problem('wrong-value', { field: 'widths' })
    return changeRefusal(reader, context.by, 'look', lookOf(found, me, {}))
  },
  apply(reader, { view, widths }, context) {
    const me = personIn(context)
    const id = lookId(view, me)
    const before = reader.maybe('look', id)
    const after = merged(before?.widths ?? {}, widths)
    const found = reader.maybe('view', view)
    const change: Change | undefined = before
      ? { entity: 'look', id, field: 'widths', before: before.widths, after }
      : found && { entity: 'look', id, field: '*', before: null, after: lookOf(found, me, after) }
    return applied(change ? [change] : [])
  },
})

const isColumn = (reader: Reader, view: View, of: string): boolean =>
  automaticFactNames.some((name) => name === of) || reader.maybe('field', of)?.project === view.project
const lookOf = (view: View, person: PersonId, widths: Look['widths']): Look => ({
  id: lookId(view.id, person), project: view.project, view: view.id, person, widths,
}) // prettier-ignore

const merged = (widths: Look['widths'], set: Readonly<Record<string, number | null>>): Record<string, number> =>
  Object.fromEntries(
    Object.entries({ ...widths, ...set }).filter((entry): entry is [string, number] => entry[1] !== null),
  )
