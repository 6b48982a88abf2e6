import { dateIn } from '../base/dates'
import { workingDaysAfter } from '../base/working-time'
import { must, problem, type Problem } from '../base/result'
import type { StayId } from '../base/ids'
import { isSameValue } from '../base/sorted-ids'
import { makes, type Change } from '../change/patch'
import { personIn, type Context } from '../change/command'
import { may, refusal } from '../access/access'
import type { Actor } from '../change/actor'
import { isOver } from '../model/turn'
import type { Reader } from '../model/reader'
import type { Item, ItemId, ProjectId, StatusId, Stay } from '../model/records'

/** The item, if it is there and the person may change it. */
export function checkItem(reader: Reader, id: ItemId, context: Context): Problem | undefined {
  const item = reader.maybe('item', id)
  if (!item) return problem('gone', undefined, [{ item: id }])
  return refusal(reader, context.by, 'change items', item.project)
}

/** Why someone may change items of no project. */
export const changesNowhere = (reader: Reader, by: Actor): Problem | undefined =>
  [...reader.all('project')].some((project) => may(reader, by, 'change items', project.id))
    ? undefined
    : problem('not-allowed', { act: 'change items' })

/** The projects of some items. */
export const projectsOf = (reader: Reader, items: readonly ItemId[]) => [
  ...new Set(items.flatMap((id) => reader.maybe('item', id)?.project ?? [])),
]

/** One field from a value to a value; nothing where they are the same. */
export function changeOf(item: Pick<Item, 'id'>, field: string, before: unknown, after: unknown): Change[] {
  return isSameValue(before, after)
    ? []
    : [{ entity: 'item', id: item.id, field, before: before ?? null, after: after ?? null }]
}

/** That it was changed now, by this person. */
export const stamp = (item: Item, context: Context): Change[] => [
  ...changeOf(item, 'changed', item.changed, context.now),
  ...changeOf(item, 'changedBy', item.changedBy, personIn(context)),
]

/** The first of `n` numbers in a row that items made now get; only the room gives numbers. */
export const firstNumber = (reader: Reader, project: ProjectId, n: number, context: Context): number =>
  context.firstNumber?.(project, n) ?? must(reader.maybe('project', project), 'project').nextNumber

/** Names the stays that a command opens: its id and a counter. */
export class StayIds {
  #next = 1
  constructor(readonly command: string) {}
  next(): StayId {
    return `${this.command}/${this.#next++}` as StayId
  }
}

/** The stay that an item calls its open one. */
export const stayOf = (item: Item): Stay => ({
  id: item.stay,
  item: item.id,
  status: item.status,
  from: item.statusSince,
  until: null,
})

/** The working days of an item in the active phase, once it leaves it. */
function activeDaysOf(reader: Reader, { activeDays, phaseSince }: Item, { today }: Context): number {
  return activeDays + workingDaysAfter(dateIn(reader.workspace().timeZone, phaseSince), today, reader.workingTime())
}

/** A change of status with its stays: the open one ends now, a new one begins; started and finished follow the phase. */
export function changeStatus(reader: Reader, item: Item, to: StatusId, context: Context, stays: StayIds): Change[] {
  if (item.status === to) return []
  const phase = must(reader.maybe('status', to), 'status').phase
  const was = reader.maybe('status', item.status)?.phase
  const stay = stays.next()
  return [
    ...changeOf(item, 'status', item.status, to),
    ...changeOf(item, 'statusSince', item.statusSince, context.now),
    ...changeOf(item, 'phaseSince', item.phaseSince, was === phase ? item.phaseSince : context.now),
    ...changeOf(
      item,
      'activeDays',
      item.activeDays,
      was === 'active' && phase !== 'active' ? activeDaysOf(reader, item, context) : item.activeDays,
    ),
    ...changeOf(item, 'stay', item.stay, stay),
    ...changeOf(item, 'started', item.started, item.started ?? (phase === 'active' ? context.now : null)),
    ...changeOf(item, 'finished', item.finished, isOver(phase) ? context.now : null),
    { entity: 'stay', id: item.stay, field: 'until', before: null, after: context.now },
    makes('stay', { id: stay, item: item.id, status: to, from: context.now, until: null }),
  ]
}

/** Refuses a status that is not there, or a move from one in which the item no longer is. */
export function checkStatus(reader: Reader, item: Item, from: StatusId, to: StatusId): Problem | undefined {
  if (!reader.maybe('status', to)) return problem('wrong-value', { field: 'status' })
  return item.status === from || item.status === to ? undefined : changedMeanwhile(item, 'status', to, item.status)
}

/** That an item’s field no longer holds what the change was made from. */
export const changedMeanwhile = (item: Item, field: string, yours: unknown, stored: unknown): Problem =>
  problem('changed-meanwhile', undefined, [
    { item: item.id, field, yours: yours ?? null, stored: stored ?? null, by: item.changedBy, when: item.changed },
  ])
