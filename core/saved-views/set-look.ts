import * as z from 'zod/mini'
import * as ids from '../base/id-schemas'
import type { PersonId } from '../base/ids'
import { text, whole } from '../base/schemas'
import { problem } from '../base/result'
import { isSameValue } from '../base/sorted-ids'
import { isIn } from '../access/access'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand, personIn } from '../change/command'
import { makes, type Change } from '../change/patch'
import { foldsRecord } from '../model/definition'
import { entities } from '../model/entities'
import { lookId } from '../model/looks'
import { automaticFactNames, leastWidth, mostWidth } from '../model/names'
import type { Reader } from '../model/reader'
import type { Look, View } from '../model/records'

/**
 * Makes columns of a view as wide as one likes them, for oneself (null: as wide as the view has them), and says what is folded
 * (null: what the view folds). The last word wins.
 */
export const setLook = defineCommand({
  type: 'look.set',
  v: 1,
  body: z.object({
    view: ids.viewId,
    widths: z.optional(z.record(text(64), z.nullable(whole(leastWidth, mostWidth)))),
    folds: z.optional(z.nullable(foldsRecord)),
  }),
  projects: (reader, { view }) => [reader.maybe('view', view)?.project ?? []].flat(),
  check(reader, { view, widths = {} }, context) {
    const found = reader.maybe('view', view)
    const me = personIn(context)
    if (!found || !isIn(reader, me, entities.view.scope(found, reader))) return problem('gone')
    if (Object.keys(widths).some((of) => !isColumn(reader, found, of)))
      return problem('wrong-value', { field: 'widths' })
    return changeRefusal(reader, context.by, 'look', lookOf(found, me, {}))
  },
  apply(reader, { view, widths = {}, folds }, context) {
    const me = personIn(context)
    const id = lookId(view, me)
    const before = reader.maybe('look', id)
    const found = reader.maybe('view', view)
    const after = merged(before?.widths ?? {}, widths)
    if (!before) return applied(found ? [makes('look', { ...lookOf(found, me, after), ...(folds && { folds }) })] : [])
    const change = (field: 'widths' | 'folds', to: unknown): Change[] =>
      isSameValue(before[field] ?? null, to) ? [] : [{ entity: 'look', id, field, before: before[field] ?? null, after: to }] // prettier-ignore
    return applied([...change('widths', after), ...(folds === undefined ? [] : change('folds', folds))])
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
