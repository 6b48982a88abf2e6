import { fail, ok, type Result } from '../base/result'
import { isSameValue } from '../base/sorted-ids'
import type { Context } from '../change/command'
import { isSetChange, type Change, type Patch } from '../change/patch'
import { idsIn, idsNeeded } from '../model/entities'
import { nameOf } from '../items/history'
import type { Reader } from '../model/reader'
import type { EntityName, Records, Step } from '../model/records'
import { turnOf } from '../model/turn'
import { After } from './after'
import { judge, type Command } from './registry'

/** What a command would touch, before it is done. */
export interface Effects {
  /** What it does, as undo would say it: `removing the status Being checked`. */
  readonly name: string
  /** How many records of each entity it makes, changes or takes out of use. */
  readonly touched: Readonly<Partial<Record<EntityName, number>>>
  /** What it takes out of use. */
  readonly gone: readonly { readonly entity: EntityName; readonly id: string }[]
  /** Ids of the views that speak of what it takes out of use: their phrases stay, and say so. */
  readonly views: readonly string[]
  /** Ids of the fields that are worked out from what it takes out of use: they stay, and are empty. */
  readonly fields: readonly string[]
  /** How many statuses ask for what it takes out of use before they are entered: nothing asks for it then. */
  readonly steps: number
  /** How many of its items are in the queue of each person, by id, as it is or as it would be. */
  readonly queues: Readonly<Record<string, number>>
}

/** Works out the command's patch by the same code that then does it, and counts. A problem: it cannot be done. */
export function effects(reader: Reader, command: Command, context: Context): Result<Effects> {
  const judged = judge(reader, command, context)
  if (!judged.ok) return fail(judged.problem)
  const { patch } = judged.value
  const gone = takenOut(patch)
  const ids = new Set(gone.map(({ id }) => id))
  return ok({
    name: nameOf(reader, command.type, patch),
    touched: countsOf(patch),
    gone,
    views: naming(reader, 'view', ids),
    fields: naming(reader, 'field', ids),
    steps: [...reader.all('step')].filter(asksForGone(ids)).length,
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
const takenOut = (patch: Patch): Effects['gone'] =>
  patch.flatMap((change) =>
    !isSetChange(change) &&
    ((change.field === '*' && change.after === null) || (change.field === 'archived' && !!change.after))
      ? [{ entity: change.entity, id: change.id }]
      : [],
  )

/** Ids of records that speak of what is gone without being held by it, and stay themselves. */
const naming = (reader: Reader, entity: 'view' | 'field', gone: ReadonlySet<string>): string[] =>
  [...reader.all(entity)]
    .filter((record) => !gone.has(record.id) && !('archived' in record && record.archived))
    .filter((record) => namesLoosely(entity, record, gone))
    .map(({ id }) => id)
function namesLoosely<E extends 'view' | 'field'>(entity: E, record: Records[E], gone: ReadonlySet<string>): boolean {
  const needed = new Set(idsNeeded(entity, record).map(({ id }) => id))
  return idsIn(entity, record).some(({ id }) => gone.has(id) && !needed.has(id))
}
const asksForGone = (gone: ReadonlySet<string>) => (step: Step) =>
  !!step.asks?.some((one) => one.asks === 'field' && gone.has(one.field))

/** What the patch changes itself, and what stands where it changes whose turn it is. */
function queuesOf(reader: Reader, patch: Patch): Record<string, number> {
  const after = new After(reader)
  const items = new Set<string>()
  const standing = new Set<string>()
  for (const change of patch) {
    after.add(change)
    if (change.entity === 'item') items.add(change.id)
    else if (change.entity === 'status') standing.add(change.id)
    else if (change.entity === 'step') standing.add(stepOf(reader, change)?.status ?? '')
  }
  const counts: Record<string, number> = {}
  const count = (people: Iterable<string>) => {
    for (const person of new Set(people)) counts[person] = (counts[person] ?? 0) + 1
  }
  for (const id of items) {
    const [before, now] = [reader.maybe('item', id), after.maybe('item', id)]
    count([...(before ? turnOf(reader, before).people : []), ...(now ? turnOf(after, now).people : [])])
  }
  for (const project of new Set([...standing].flatMap((id) => reader.maybe('status', id)?.project ?? [])))
    for (const item of reader.itemsOf(project)) {
      if (items.has(item.id) || !standing.has(item.status)) continue
      const [before, now] = [turnOf(reader, item).people, turnOf(after, item).people]
      if (!isSameValue(before, now)) count([...before, ...now])
    }
  return counts
}
const stepOf = (reader: Reader, { id }: Change) => reader.maybe('step', id)
