import type { AutomaticFact } from './contract'

/** The order of what stands inside the same item, for sorting alone. */
export const place: AutomaticFact = {
  name: 'place',
  label: 'place among siblings',
  kind: 'text',
  source: ({ table }) => ({ kind: 'text', column: table.siblingRank }),
  isForSortingOnly: true,
  words: { sort: ['in its own order', 'against its own order'] },
}
