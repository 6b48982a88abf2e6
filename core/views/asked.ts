import type { Rows } from '../fields/columns/codes'
import type { Kin } from '../facts/contract'
import * as scan from './scans'

/** One condition over the rows of a table. */
export interface Test {
  /** Of one row. */
  test(row: number): boolean
  /** Writes those of `from[0..m)`, ascending, that meet it to `to`, which may be `from`; gives their number. */
  keep(from: Int32Array, m: number, to: Int32Array): number
  /** The same of all `n` rows there are, where that is quicker. */
  keepAll?(n: number, to: Int32Array): number | undefined
  /** Keeps those too that are marked: `any of` without another walk, where the loop is there. */
  keepOr?(marks: Uint8Array, from: Int32Array, m: number, to: Int32Array): number
  /** What is met where this is not, where there is a quicker way to ask it. */
  negated?(): Test
  /** Sets `marks[k]` where `from[k]` meets it; leaves the others as they are. */
  mark(from: Int32Array, m: number, marks: Uint8Array): void
  /** Every row there is meets it, and it need not be asked. */
  isMetByAll?(): boolean
  /** What it costs about, per row; the cheapest is asked first. */
  readonly cost: number
  /** Rows that alone can meet it, where they are known beforehand. */
  readonly candidates?: Candidates
  /** What an item's relatives are decides whether it meets this. */
  readonly kin?: Kin
}
export interface Candidates {
  /** How many at most. */
  most(): number
  /** Ascending, each once; not to be written to. */
  rows(): Pick<Rows, 'n' | 'a'>
}

/** A test that is asked row by row. */
export const tested = (test: (row: number) => boolean, cost = 5, kin?: Kin): Test => ({
  test, cost, ...(kin && { kin }),
  keep: (from, m, to) => scan.keepTested(test, from, m, to),
  mark: (from, m, marks) => scan.markTested(test, from, m, marks),
}) // prettier-ignore
