import { askedQuery, recomputed, watchedQuery } from './contract'
import type { FoundItem, SearchInput } from './found'

/** How items are searched for is no part of what a page begins with. */
export const fetchSearch = () => import('./found')

/**
 * Items that are not archived, by their key or by words of their title, accents and case aside: a key first, then titles
 * that begin with what was typed, then those in which a word does, then the rest; where these are few, those that differ
 * by a letter in a word. Items of the first projects come first among those that fit as well.
 */
export const search = askedQuery<SearchInput, FoundItem[]>(async ({ state }, input) =>
  (await fetchSearch()).found(state, input),
)

/** Keys and titles of items, of those that are there. */
export const itemNames = watchedQuery<{ readonly items: readonly string[] }, FoundItem[]>(({ state }, { items }) =>
  recomputed(
    (changed) => changed.all || items.some((id) => changed.items.has(id)),
    () => items.flatMap((id) => (state.names.item(id) ? [{ id, ...state.names.item(id)! }] : [])),
  ),
)
