import { longestRank, rankBetween, ranksBetween } from '../base/ranks'
import { must, problem, type Problem } from '../base/result'
import type { StayId } from '../base/ids'
import { isSameValue } from '../base/sorted-ids'
import { makes, type Change } from '../change/patch'
import { personIn, type Context } from '../change/command'
import { refusal } from '../access/access'
import { isOver } from '../model/turn'
import { noRow } from '../model/item-table'
import type { Reader } from '../model/reader'
import type { Item, ItemId, ProjectId, StatusId, Stay } from '../model/records'
import type { Place } from './place'

/** The item, if it is there and the person may change it. */
export function checkItem(reader: Reader, id: ItemId, context: Context): Problem | undefined {
  const item = reader.maybe('item', id)
  if (!item) return problem('gone', undefined, [{ item: id }])
  return refusal(reader, context.by, 'change items', item.project)
}

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

/**
 * Keys for `n` items that come to stand at a place in the project's order, together with the changes that make room
 * there where keys have grown past 40 characters (the 100 neighbours on either side are respaced).
 */
export function ranksAt(
  reader: Reader,
  project: ProjectId,
  place: Place | undefined,
  n: number,
  moving: ReadonlySet<string>,
): { ranks: string[]; spread: Change[] } {
  const { before, after, at } = neighbours(reader, project, place, moving)
  const ranks = n === 1 ? [rankBetween(before, after)] : ranksBetween(before, after, n)
  if (ranks.every((rank) => rank.length <= longestRank)) return { ranks, spread: [] }
  return spreadAround(reader, project, at, n, moving)
}

/** The ranks between which a place lies. No place, or its item gone: the end. */
function neighbours(reader: Reader, project: ProjectId, place: Place | undefined, moving: ReadonlySet<string>) {
  const table = reader.table(project)
  const { order, n } = table.rank.ordering
  const anchorId = place && ('before' in place ? place.before : place.after)
  const anchor = anchorId ? table.maybeRow(anchorId) : undefined
  const rankAt = (at: number): string => table.rank.a[order[at]!]!
  const step = (from: number, way: 1 | -1, isIn: (at: number) => boolean): number => {
    let at = from
    while (at >= 0 && at < n && !isIn(at)) at += way
    return at
  }
  const stays = (at: number) => !moving.has(table.ids[order[at]!]!)
  // The place of what will stand after; the end where there is no anchor.
  const anchorAt = anchor === undefined ? n : table.rank.ordering.placeOf(anchor)
  const isBefore = !!place && 'before' in place && anchor !== undefined
  const beforeAt = isBefore || anchor === undefined ? step(anchorAt - 1, -1, stays) : anchorAt
  const before = beforeAt >= 0 ? rankAt(beforeAt) : undefined
  let afterAt = isBefore || anchor === undefined ? anchorAt : step(anchorAt + 1, 1, stays)
  // Two items that two people put at the same place at once share a rank: there is no key between them.
  if (before !== undefined) afterAt = step(afterAt, 1, (at) => rankAt(at) > before && (at === anchorAt || stays(at)))
  return { before, after: afterAt < n ? rankAt(afterAt) : undefined, at: beforeAt + 1 }
}

function spreadAround(reader: Reader, project: ProjectId, at: number, n: number, moving: ReadonlySet<string>) {
  const table = reader.table(project)
  const { order, n: count } = table.rank.ordering
  const stays = (row: number) => !moving.has(table.ids[row]!)
  const [before, after] = [order.subarray(0, at).filter(stays), order.subarray(at, count).filter(stays)]
  const [left, right] = [before.subarray(-100), after.subarray(0, 100)]
  const outer = [before[before.length - left.length - 1], after[right.length]]
  const [from, to] = outer.map((row) => (row === undefined ? undefined : table.rank.a[row]!))
  const fresh = ranksBetween(from, to, left.length + n + right.length)
  const spread = [...left, ...right].flatMap((row, i) => {
    const rank = must(fresh[i < left.length ? i : i + n], 'rank')
    return changeOf({ id: table.ids[row] as ItemId }, 'rank', table.rank.a[row], rank)
  })
  return { ranks: fresh.slice(left.length, left.length + n), spread }
}

/** The key for one more item at the end of a parent's children. */
export function lastSiblingRank(reader: Reader, project: ProjectId, parent: ItemId | null): string | undefined {
  const table = reader.table(project)
  const at = parent ? table.maybeRow(parent) : noRow
  let last: string | undefined
  for (const row of at === undefined ? [] : at === noRow ? table.rows() : table.childrenOf(at)) {
    const rank = table.siblingRank.a[row] as string
    if (table.parent[row] === at && (last === undefined || rank > last)) last = rank
  }
  return last
}
