import { compareRanked, longestRank, rankBetween, ranksBetween } from '../base/ranks'
import { must, problem, type Problem } from '../base/result'
import type { StayId } from '../base/ids'
import { isSameValue } from '../base/sorted-ids'
import { makes, type Change } from '../change/patch'
import type { Context } from '../change/command'
import { needsRole } from '../access/access'
import { isOver } from '../model/turn'
import type { Reader } from '../model/reader'
import type { Item, ItemId, ProjectId, StatusId } from '../model/records'
import type { Place } from './place'

/** The item, if it is there and the person may change it. */
export function checkItem(reader: Reader, id: ItemId, context: Context): Problem | undefined {
  const item = reader.maybe('item', id)
  if (!item) return problem('gone', undefined, [{ item: id }])
  return needsRole(reader, context.by, item.project, 'contributor')
}

/** One field from a value to a value; nothing where they are the same. */
export function changeOf(item: Item, field: string, before: unknown, after: unknown): Change[] {
  return isSameValue(before, after)
    ? []
    : [{ entity: 'item', id: item.id, field, before: before ?? null, after: after ?? null }]
}

/** That it was changed now, by this person. */
export const stamp = (item: Item, context: Context): Change[] => [
  ...changeOf(item, 'changed', item.changed, context.now),
  ...changeOf(item, 'changedBy', item.changedBy, context.by),
]

/** Names the stays that a command opens: its id and a counter. */
export class StayIds {
  #next = 1
  constructor(readonly command: string) {}
  next(): StayId {
    return `${this.command}/${this.#next++}` as StayId
  }
}

/** A change of status with its stays: the open one ends now, a new one begins; started and finished follow the phase. */
export function changeStatus(reader: Reader, item: Item, to: StatusId, context: Context, stays: StayIds): Change[] {
  if (item.status === to) return []
  const phase = must(reader.maybe('status', to), 'status').phase
  const stay = stays.next()
  return [
    ...changeOf(item, 'status', item.status, to),
    ...changeOf(item, 'statusSince', item.statusSince, context.now),
    ...changeOf(item, 'stay', item.stay, stay),
    ...changeOf(item, 'started', item.started, item.started ?? (phase === 'active' ? context.now : null)),
    ...changeOf(item, 'finished', item.finished, isOver(phase) ? context.now : null),
    { entity: 'stay', id: item.stay, field: 'until', before: null, after: context.now },
    makes('stay', { id: stay, item: item.id, status: to, from: context.now, until: null }),
  ]
}

/** Refuses a status that the item's kind does not have, or a move from a status in which it no longer is. */
export function checkStatus(
  reader: Reader,
  item: Item,
  kind: string,
  from: StatusId,
  to: StatusId,
): Problem | undefined {
  const status = reader.maybe('status', to)
  if (!status || status.workflow !== reader.maybe('kind', kind)?.workflow)
    return problem('wrong-value', { field: 'status' })
  return item.status === from || item.status === to ? undefined : changedMeanwhile(item, 'status', to, item.status)
}

export const changedMeanwhile = (item: Item, field: string, yours: unknown, stored: unknown): Problem =>
  problem('changed-meanwhile', undefined, [
    { item: item.id, field, yours: yours ?? null, stored: stored ?? null, by: item.changedBy, when: item.changed },
  ])

/**
 * Keys for `n` items that come to stand at a place in the project's order, together with the changes that make room
 * there where keys have grown past 40 characters (the 100 neighbours on either side are spread anew).
 */
export function ranksAt(
  reader: Reader,
  project: ProjectId,
  place: Place | undefined,
  n: number,
  moving: ReadonlySet<string>,
): { ranks: string[]; spread: Change[] } {
  const { before, after } = neighbours(reader, project, place, moving)
  const ranks = n === 1 ? [rankBetween(before?.rank, after?.rank)] : ranksBetween(before?.rank, after?.rank, n)
  if (ranks.every((rank) => rank.length <= longestRank)) return { ranks, spread: [] }
  return spreadAround(reader, project, before, n, moving)
}

/** The items between which a place lies: one pass over the project. No place, or its item gone: the end. */
function neighbours(reader: Reader, project: ProjectId, place: Place | undefined, moving: ReadonlySet<string>) {
  const anchorId = place && ('before' in place ? place.before : place.after)
  const anchor = anchorId ? reader.maybe('item', anchorId) : undefined
  const isBefore = !!place && 'before' in place && !!anchor
  let [before, after]: [Item | undefined, Item | undefined] = isBefore ? [undefined, anchor] : [anchor, undefined]
  for (const item of reader.itemsOf(project)) {
    if (moving.has(item.id)) continue
    if (!anchor) {
      if (!before || compareRanked(item, before) > 0) before = item
    } else if (isBefore) {
      if (compareRanked(item, anchor) < 0 && (!before || compareRanked(item, before) > 0)) before = item
    } else if (compareRanked(item, anchor) > 0 && (!after || compareRanked(item, after) < 0)) after = item
  }
  // Two items that two people put at the same place at once share a rank: there is no key between them.
  if (before && after && before.rank === after.rank) return { before, after: nextOther(reader, project, after, moving) }
  return { before, after }
}

function nextOther(reader: Reader, project: ProjectId, than: Item, moving: ReadonlySet<string>): Item | undefined {
  let next: Item | undefined
  for (const item of reader.itemsOf(project))
    if (!moving.has(item.id) && item.rank > than.rank && (!next || compareRanked(item, next) < 0)) next = item
  return next
}

function spreadAround(
  reader: Reader,
  project: ProjectId,
  before: Item | undefined,
  n: number,
  moving: ReadonlySet<string>,
) {
  const all = [...reader.itemsOf(project)].filter((item) => !moving.has(item.id)).sort(compareRanked)
  const at = before ? all.indexOf(before) + 1 : 0
  const [from, to] = [Math.max(0, at - 100), Math.min(all.length, at + 100)]
  const fresh = ranksBetween(all[from - 1]?.rank, all[to]?.rank, to - from + n)
  const spread = all.slice(from, to).flatMap((item, i) => {
    const rank = must(fresh[i < at - from ? i : i + n], 'rank')
    return changeOf(item, 'rank', item.rank, rank)
  })
  return { ranks: fresh.slice(at - from, at - from + n), spread }
}

/** The key for one more item at the end of a parent's children. */
export function lastSiblingRank(reader: Reader, project: ProjectId, parent: ItemId | null): string | undefined {
  let last: string | undefined
  const siblings = parent ? reader.childrenOf(parent) : reader.itemsOf(project)
  for (const item of siblings)
    if (item.parent === parent && (last === undefined || item.siblingRank > last)) last = item.siblingRank
  return last
}

/** Refuses a parent in another project, or one that lies inside the item. */
export function checkParent(
  reader: Reader,
  item: Pick<Item, 'id' | 'project'>,
  parent: ItemId | null,
): Problem | undefined {
  if (!parent) return undefined
  const found = reader.maybe('item', parent)
  if (!found) return problem('gone', undefined, [{ item: parent }])
  if (found.project !== item.project) return problem('other-project')
  const seen = new Set<string>()
  for (
    let at: Item | undefined = found;
    at && !seen.has(at.id);
    at = at.parent ? reader.maybe('item', at.parent) : undefined
  ) {
    if (at.id === item.id) return problem('loop', undefined, [{ item: item.id, field: 'parent' }])
    seen.add(at.id)
  }
  return undefined
}
