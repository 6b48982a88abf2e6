import { firstInPieces, type Pieces } from '../base/pieces'
import { problem, type Problem } from '../base/result'
import type { Reader } from '../model/reader'
import type { After } from './after'

/** An item that comes into one whose kind holds others alone, or that is of another kind than may be where it is. */
export function refusedInside(reader: Reader, after: After): Pieces<Problem | undefined> {
  const kindOf = (item: string) => after.maybe('kind', after.column(item, 'kind') ?? '')
  const clash = (parent: string, child: string): Problem | undefined => {
    const [above, below] = [kindOf(parent), kindOf(child)]
    return !above?.inside || !below || above.inside.includes(below.id)
      ? undefined
      : problem('not-inside', { what: below.name, other: above.name }, [{ item: child, field: 'parent' }] as never)
  }
  return firstInPieces(after.of('item'), ({ id, made, set }) => {
    if (after.isGone('item', id) || !(made || set.has('parent') || set.has('kind'))) return undefined
    const parent = after.column(id, 'parent')
    const place = set.has('kind') ? reader.placeOf(id) : undefined
    const refused = parent ? clash(parent, id) : undefined
    if (refused || !place) return refused
    for (const row of place.table.childrenOf(place.row)) {
      const child = place.table.ids[row] ?? ''
      const below = after.isGone('item', child) || after.column(child, 'parent') !== id ? undefined : clash(id, child)
      if (below) return below
    }
    return undefined
  })
}
