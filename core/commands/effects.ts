import { fail, ok, type Result } from '../base/result'
import type { Context } from '../change/command'
import { isSetChange, type Patch } from '../change/patch'
import { idsIn } from '../model/entities'
import type { Reader } from '../model/reader'
import type { EntityName } from '../model/records'
import { turnOf } from '../model/turn'
import { judge, type Command } from './registry'

/** What a command would touch, before it is done. */
export interface Effects {
  /** How many records of each entity it makes, changes or takes out of use. */
  readonly touched: Readonly<Partial<Record<EntityName, number>>>
  /** Ids of the views that speak of what it takes out of use: their phrases stay, and say so. */
  readonly views: readonly string[]
  /** Ids of the people whose queue holds one of its items. */
  readonly queues: readonly string[]
}

/** Works out the command's patch by the same code that then does it, and counts. A problem: it cannot be done. */
export function effects(reader: Reader, command: Command, context: Context): Result<Effects> {
  const judged = judge(reader, command, context)
  if (!judged.ok) return fail(judged.problem)
  const { patch } = judged.value
  return ok({
    touched: countsOf(patch),
    views: viewsThatName(reader, takenOut(patch)),
    queues: queuesOf(reader, patch),
  })
}

function countsOf(patch: Patch): Partial<Record<EntityName, number>> {
  const counts: Partial<Record<EntityName, number>> = {}
  const seen = new Set<string>()
  for (const { entity, id } of patch) {
    const key = `${entity} ${id}`
    if (!seen.has(key)) counts[entity] = (counts[entity] ?? 0) + 1
    seen.add(key)
  }
  return counts
}

/** What is gone afterwards, or archived. */
const takenOut = (patch: Patch): ReadonlySet<string> =>
  new Set(
    patch.flatMap((change) =>
      !isSetChange(change) &&
      ((change.field === '*' && change.after === null) || (change.field === 'archived' && !!change.after))
        ? [change.id]
        : [],
    ),
  )

const viewsThatName = (reader: Reader, ids: ReadonlySet<string>): string[] =>
  [...reader.all('view')]
    .filter((view) => !ids.has(view.id) && idsIn('view', view).some(({ id }) => ids.has(id)))
    .map((view) => view.id)

function queuesOf(reader: Reader, patch: Patch): string[] {
  const people = new Set<string>()
  for (const id of new Set(patch.flatMap((change) => (change.entity === 'item' ? [change.id] : [])))) {
    const item = reader.maybe('item', id)
    if (item) for (const person of turnOf(reader, item).people) people.add(person)
  }
  return [...people].sort()
}
