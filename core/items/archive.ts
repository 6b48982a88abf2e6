import * as z from 'zod/mini'
import { firstInPieces, inPieces, type Pieces } from '../base/pieces'
import { distinct } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { must, type Problem, type Result } from '../base/result'
import { applied, defineCommand, type Applied } from '../change/command'
import type { Change } from '../change/patch'
import type { Reader } from '../model/reader'
import type { Item, ItemId } from '../model/records'
import { changeOf, changesNowhere, checkItem, projectsOf, stamp } from './changes'
import { bytesOfMost, mostAtOnce, mostInTurn } from './limits'

/**
 * Takes items out of every view, or puts them back where they stood. What stands inside an item stays where it is, unless
 * it is named too, or `inside` is said: then all of it goes with it, and what went with it comes back with it.
 */
export const archiveItems = defineCommand({
  type: 'items.archive',
  v: 1,
  body: z.object({
    items: distinct(ids.itemId, mostAtOnce, (id) => id),
    archived: z.boolean(),
    inside: z.optional(z.boolean()),
  }),
  mostBytes: bytesOfMost,
  isLarge: ({ items }) => items.length > mostInTurn,
  refusedAnywhere: changesNowhere,
  projects: (reader, { items }) => projectsOf(reader, items),
  check: (reader, { items }, context): Pieces<Problem | undefined> =>
    firstInPieces(items, (id) => checkItem(reader, id, context)),
  *apply(reader, { items, archived, inside }, context): Pieces<Result<Applied>> {
    const changes: Change[] = []
    const all = new Map(items.map((id) => [id, must(reader.maybe('item', id), 'item')]))
    if (inside)
      yield* inPieces([...all.values()], (item) => {
        for (const one of archived ? insideOf(reader, item) : wentWith(reader, item))
          if (!archived || !one.archived) all.set(one.id, one)
      })
    yield* inPieces(all.values(), (item) => {
      const change = changeOf(item, 'archived', item.archived, archived ? (item.archived ?? context.now) : null)
      if (change.length) changes.push(...change, ...stamp(item, context))
    })
    return applied(changes)
  },
})

/** All that stands inside an item, at any depth, archived or not. */
function* insideOf(reader: Reader, item: Pick<Item, 'id'>): Generator<Item> {
  const left: ItemId[] = [item.id]
  for (let id = left.pop(); id; id = left.pop())
    for (const child of reader.childrenOf(id)) {
      yield child
      left.push(child.id)
    }
}

/** What stands inside an item that is in the bin and went there with it. */
export function* wentWith(reader: Reader, item: Pick<Item, 'id' | 'archived'>): Generator<Item> {
  for (const one of insideOf(reader, item)) if (one.archived && one.archived === item.archived) yield one
}
