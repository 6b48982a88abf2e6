import * as z from 'zod/mini'
import * as ids from '../base/id-schemas'
import { firstInPieces, inPieces, type Pieces } from '../base/pieces'
import { must, problem, type Problem, type Result } from '../base/result'
import { distinct } from '../base/schemas'
import { applied, defineCommand, type Applied } from '../change/command'
import type { Change } from '../change/patch'
import { changeOf, changesNowhere, checkItem, projectsOf, stamp } from './changes'
import { bytesOfMost, mostAtOnce, mostInTurn } from './limits'
import { placeRecord } from './place'
import { siblingRanksAt } from './ranks'

/**
 * Puts items inside another, or at the top, one after another in the order given: at a place among those there, or after
 * them. Places take the last word. That an item does not come to stand inside itself is a law.
 */
export const nestItems = defineCommand({
  type: 'items.nest',
  v: 1,
  body: z.object({
    items: distinct(ids.itemId, mostAtOnce, (id) => id),
    parent: z.nullable(ids.itemId),
    place: z.optional(placeRecord),
  }),
  mostBytes: bytesOfMost,
  isLarge: ({ items }) => items.length > mostInTurn,
  refusedAnywhere: changesNowhere,
  projects: (reader, { items }) => projectsOf(reader, items),
  *check(reader, { items, parent }, context): Pieces<Problem | undefined> {
    return (
      (yield* firstInPieces(items, (id) => checkItem(reader, id, context))) ??
      (parent && !reader.placeOf(parent) ? problem('gone', undefined, [{ item: parent }]) : undefined) ??
      (projectsOf(reader, items).length > 1 ? problem('other-project') : undefined)
    )
  },
  *apply(reader, { items, parent, place }, context): Pieces<Result<Applied>> {
    const { project } = must(reader.maybe('item', items[0]!), 'item')
    const { ranks, spread } = siblingRanksAt(reader, project, parent, place, items.length, new Set(items))
    const changes: Change[] = []
    yield* inPieces(items, (id, i) => {
      const item = must(reader.maybe('item', id), 'item')
      const moved = [
        ...changeOf(item, 'parent', item.parent, parent),
        ...changeOf(item, 'siblingRank', item.siblingRank, ranks[i]),
      ]
      if (moved.length) changes.push(...moved, ...stamp(item, context))
    })
    return applied([...changes, ...spread])
  },
})
