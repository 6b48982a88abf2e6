import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing'

/**
 * Fractional ordering keys (https://observablehq.com/@dgreensp/implementing-fractional-indexing): strings over
 * 0-9A-Za-z that compare by code unit, as COLLATE "C" does. Between any two there is room for another.
 */
export type Rank = string

/** A key longer than this has its neighbourhood spread anew. */
export const longestRank = 40

/** `n` keys in order, after `before` and before `after` (undefined: the open end). */
export const ranksBetween = (before: Rank | undefined, after: Rank | undefined, n: number): Rank[] =>
  generateNKeysBetween(before ?? null, after ?? null, n)

export const rankBetween = (before: Rank | undefined, after: Rank | undefined): Rank =>
  generateKeyBetween(before ?? null, after ?? null)

/** Orders by rank, ties by id. */
export const compareRanked = (
  a: { readonly rank: Rank; readonly id: string },
  b: { readonly rank: Rank; readonly id: string },
): number => (a.rank < b.rank ? -1 : a.rank > b.rank ? 1 : a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
