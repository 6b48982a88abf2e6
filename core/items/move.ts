import * as z from 'zod/mini'
import { distinct } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { firstProblem, must } from '../base/result'
import { applied, defineCommand } from '../change/command'
import type { Change } from '../change/patch'
import type { Reader } from '../model/reader'
import type { ItemId, ProjectId } from '../model/records'
import { changeOf, changeStatus, checkItem, checkStatus, stamp, StayIds } from './changes'
import { ranksAt } from './ranks'
import { placeRecord, type Place } from './place'

/**
 * Moves cards: to another status, to another place in the project's order, or both at once. A status carries the one
 * it was moved from; a place takes the last word.
 */
export const moveItems = defineCommand({
  type: 'items.move',
  v: 1,
  body: z.object({
    items: distinct(
      z.object({
        item: ids.itemId,
        status: z.optional(z.object({ from: ids.statusId, to: ids.statusId })),
        place: z.optional(placeRecord),
      }),
      1000,
      ({ item }) => item,
    ),
  }),
  projects: (reader, body) => [...new Set(body.items.flatMap(({ item }) => reader.maybe('item', item)?.project ?? []))],
  check: (reader, body, context) =>
    firstProblem(body.items, (one) => {
      const refused = checkItem(reader, one.item, context)
      if (refused || !one.status) return refused
      const item = must(reader.maybe('item', one.item), 'item')
      return checkStatus(reader, item, one.status.from, one.status.to)
    }),
  apply(reader, body, context) {
    const stays = new StayIds(context.command)
    const placed = placesOf(reader, body.items)
    return applied(
      body.items.flatMap((one) => {
        const item = must(reader.maybe('item', one.item), 'item')
        const status = one.status ? changeStatus(reader, item, one.status.to, context, stays) : []
        const { to, spread = [] } = placed.get(one.item) ?? {}
        const rank = to ? changeOf(item, 'rank', item.rank, to) : []
        if (!status.length && !rank.length) return []
        return [...spread, ...status, ...rank, ...(status.length ? stamp(item, context) : [])]
      }),
    )
  },
})

/** The keys that items get; those that come to the same place stand there in the order in which they are named. */
function placesOf(
  reader: Reader,
  items: readonly { readonly item: ItemId; readonly place?: Place | undefined }[],
): ReadonlyMap<string, { readonly to: string; readonly spread?: readonly Change[] }> {
  const together = new Map<string, ItemId[]>()
  const all = new Set<string>()
  for (const { item, place } of items) {
    if (!place) continue
    all.add(item)
    const key = `${reader.placeOf(item)?.table.project} ${JSON.stringify(place)}`
    together.set(key, [...(together.get(key) ?? []), item])
  }
  const placed = new Map<string, { to: string; spread?: readonly Change[] }>()
  for (const [key, ids] of together) {
    const [project, place] = [key.slice(0, key.indexOf(' ')) as ProjectId, JSON.parse(key.slice(key.indexOf(' '))) as Place] // prettier-ignore
    const { ranks, spread } = ranksAt(reader, project, place, ids.length, all)
    ids.forEach((id, i) => placed.set(id, { to: must(ranks[i], 'rank'), ...(!i && { spread }) }))
  }
  return placed
}
