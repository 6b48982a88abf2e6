import * as z from 'zod/mini'
import * as ids from '../base/id-schemas'
import { firstInPieces, inPieces, type Pieces } from '../base/pieces'
import { must, problem, type Problem, type Result } from '../base/result'
import { distinct, whole } from '../base/schemas'
import { may, refusal } from '../access/access'
import { applied, defineCommand, type Applied } from '../change/command'
import type { Change } from '../change/patch'
import { compareSiblings, type Reader } from '../model/reader'
import type { Item, ItemId } from '../model/records'
import { unmade } from '../setup/record-commands'
import { changeOf, projectsOf, stamp, stayOf } from './changes'
import { bytesOfMost, mostAtOnce, mostInTurn } from './limits'
import { siblingRanksAt } from './ranks'

/**
 * Deletes items that are in the bin, for good: nothing undoes it. `number`: how many they are, which whoever does it has
 * to know. What stands inside one and stays moves up to its place, in its order; what was said of it and its links go.
 */
export const deleteItems = defineCommand({
  type: 'items.delete',
  v: 1,
  body: z.object({ items: distinct(ids.itemId, mostAtOnce, (id) => id), number: whole() }),
  mostBytes: bytesOfMost,
  isLarge: ({ items }) => items.length > mostInTurn,
  refusedAnywhere: (reader, by) =>
    [...reader.all('project')].some(({ id }) => may(reader, by, 'set up project', id))
      ? undefined
      : problem('not-allowed', { act: 'set up project' }),
  projects: (reader, { items }) => projectsOf(reader, items),
  *check(reader, { items, number }, { by }): Pieces<Problem | undefined> {
    const refused = yield* firstInPieces(items, (id) => {
      const item = reader.maybe('item', id)
      if (!item) return problem('gone', undefined, [{ item: id }])
      return (
        refusal(reader, by, 'set up project', item.project) ??
        (item.archived ? undefined : problem('not-in-bin', undefined, [{ item: id }]))
      )
    })
    return refused ?? (number === items.length ? undefined : problem('other-number', { held: items.length }))
  },
  *apply(reader, { items }, context): Pieces<Result<Applied>> {
    const gone = new Set<string>(items)
    const links = new Set<string>()
    const patch: Change[] = []
    yield* inPieces(items, (id) => {
      for (const link of reader.linksOf(id)) {
        if (!links.has(link.id)) patch.push(unmade('link', link))
        links.add(link.id)
      }
    })
    for (const entity of ['overrule', 'moveNote'] as const)
      for (const one of reader.all(entity)) if (gone.has(one.item)) patch.push(unmade(entity, one))
    yield* inPieces(items, (id) => {
      const item = must(reader.maybe('item', id), 'item')
      if (item.parent && gone.has(item.parent)) return
      const left = [...leftOf(reader, item, gone)]
      if (!left.length) return
      const moving = new Set(left.map((one) => one.id))
      const { ranks, spread } = siblingRanksAt(reader, item.project, item.parent, { after: item.id }, left.length, moving) // prettier-ignore
      patch.push(...spread.filter((change) => !gone.has(change.id)))
      for (const [i, one] of left.entries())
        patch.push(...changeOf(one, 'parent', one.parent, item.parent), ...changeOf(one, 'siblingRank', one.siblingRank, ranks[i]), ...stamp(one, context)) // prettier-ignore
    })
    yield* inPieces(items, (id) => {
      const item = must(reader.maybe('item', id), 'item')
      patch.push(unmade('item', item), unmade('stay', stayOf(item)))
    })
    return applied(patch)
  },
})

/** The topmost of what stays inside an item that goes, in their order. */
function* leftOf(reader: Reader, item: { readonly id: ItemId }, gone: ReadonlySet<string>): Generator<Item> {
  for (const child of [...reader.childrenOf(item.id)].sort(compareSiblings))
    if (gone.has(child.id)) yield* leftOf(reader, child, gone)
    else yield child
}
