/** Orders by rank, ties by id. */
export const compareRanked = (
  a: { readonly rank: string; readonly id: string },
  b: { readonly rank: string; readonly id: string },
): number => (a.rank < b.rank ? -1 : a.rank > b.rank ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
