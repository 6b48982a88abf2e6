import type { AutomaticFact } from './contract'

/** The team's order, for sorting alone. */
export const rank: AutomaticFact = {
  name: 'rank',
  label: 'rank',
  kind: 'text',
  source: ({ table }) => ({ kind: 'text', column: table.rank }),
  isForSortingOnly: true,
  words: { sort: ['in the team’s order', 'against the team’s order'] },
}
