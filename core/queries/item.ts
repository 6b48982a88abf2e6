import { rowOf, rowWithPath, type Row, type RowWithPath } from '../layouts/rows'
import { recomputed, watchedQuery, type QueryContext } from './contract'
import { compareSiblings, fieldsOf } from '../model/reader'
import { findItem } from './find'

/** An item with what is inside it. */
export interface ItemAnswer {
  readonly row: RowWithPath
  /** Its children in their order, without those that are archived. */
  readonly inside: readonly Row[]
}

/** An item by its key or id; undefined where there is none. */
export const item = watchedQuery<{ readonly key: string }, ItemAnswer | undefined>((context, { key }) =>
  recomputed(
    () => true,
    () => answer(context, key),
  ),
)

function answer({ state, today }: QueryContext, key: string): ItemAnswer | undefined {
  const found = findItem(state, key)
  if (!found) return undefined
  const inside = [...state.childrenOf(found.id)].filter((child) => !child.archived).sort(compareSiblings)
  const row = rowWithPath(state, today(), found, [], fieldsOf(state, found.project))
  return { row, inside: inside.map((child) => rowOf(state, today(), child)) }
}
