import * as z from 'zod/mini'
import { distinct } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { firstProblem, must } from '../base/result'
import { applied, defineCommand } from '../change/command'
import { changeOf, changeStatus, checkItem, checkStatus, stamp, StayIds } from './changes'
import { ranksAt } from './ranks'
import { placeRecord } from './place'

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
    return applied(
      body.items.flatMap((one) => {
        const item = must(reader.maybe('item', one.item), 'item')
        const status = one.status ? changeStatus(reader, item, one.status.to, context, stays) : []
        const placed = one.place ? ranksAt(reader, item.project, one.place, 1, new Set([item.id])) : undefined
        const rank = placed ? changeOf(item, 'rank', item.rank, placed.ranks[0]) : []
        if (!status.length && !rank.length) return []
        return [...(placed?.spread ?? []), ...status, ...rank, ...(status.length ? stamp(item, context) : [])]
      }),
    )
  },
})
