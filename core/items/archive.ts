import * as z from 'zod/mini'
import { firstInPieces, inPieces, type Pieces } from '../base/pieces'
import { distinct } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { must, type Problem, type Result } from '../base/result'
import { applied, defineCommand, type Applied } from '../change/command'
import type { Change } from '../change/patch'
import { changeOf, changesNowhere, checkItem, projectsOf, stamp } from './changes'
import { bytesOfMost, mostAtOnce, mostInTurn } from './limits'

/** Takes items out of every view, or puts them back. What stands inside an item stays where it is, unless it is named too. */
export const archiveItems = defineCommand({
  type: 'items.archive',
  v: 1,
  body: z.object({ items: distinct(ids.itemId, mostAtOnce, (id) => id), archived: z.boolean() }),
  mostBytes: bytesOfMost,
  isLarge: ({ items }) => items.length > mostInTurn,
  refusedAnywhere: changesNowhere,
  projects: (reader, { items }) => projectsOf(reader, items),
  check: (reader, { items }, context): Pieces<Problem | undefined> =>
    firstInPieces(items, (id) => checkItem(reader, id, context)),
  *apply(reader, { items, archived }, context): Pieces<Result<Applied>> {
    const changes: Change[] = []
    yield* inPieces(items, (id) => {
      const item = must(reader.maybe('item', id), 'item')
      const change = changeOf(item, 'archived', item.archived, archived ? (item.archived ?? context.now) : null)
      if (change.length) changes.push(...change, ...stamp(item, context))
    })
    return applied(changes)
  },
})
