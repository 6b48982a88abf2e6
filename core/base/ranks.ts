import { generateKeyBetween, generateNKeysBetween } from 'fractional-indexing'

/**
 * Fractional ordering keys (https://observablehq.com/@dgreensp/implementing-fractional-indexing): strings over
 * 0-9A-Za-z that compare by code unit, as COLLATE "C" does. Between any two there is room for another.
 */
export type Rank = string

/** A key longer than this has its neighbourhood respaced. */
export const longestRank = 40

/** `n` keys in order, after `before` and before `after` (undefined: the open end). */
export const ranksBetween = (before: Rank | undefined, after: Rank | undefined, n: number): Rank[] =>
  generateNKeysBetween(before ?? null, after ?? null, n)

/** A key after `before` and before `after` (undefined: the open end). Throws where `before` is not below `after`. */
export const rankBetween = (before: Rank | undefined, after: Rank | undefined): Rank =>
  generateKeyBetween(before ?? null, after ?? null)

/** The key after the last of some records; the first key there is where there are none. */
export const rankAfter = (all: Iterable<{ readonly rank: Rank }>): Rank => {
  let last: Rank | undefined
  for (const { rank } of all) if (last === undefined || rank > last) last = rank
  return rankBetween(last, undefined)
}

const digits = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz'
/** The key of a place that is a whole number, 0 to 3,843; beyond that the last. Places compare as their keys do. */
export function rankOfPlace(place: number): Rank {
  const n = Math.min(Math.max(0, Math.trunc(place)), 62 * 62 - 1)
  return `b${digits.charAt(Math.floor(n / 62))}${digits.charAt(n % 62)}`
}

/** Whether a text is a key that others can be put before and after. */
export function isRank(text: string): boolean {
  if (!/^[0-9A-Za-z]+$/.test(text)) return false
  try {
    rankBetween(text, undefined)
    return true
  } catch {
    return false
  }
}
