import { keyOfPath } from '../views/evaluate'
import type { Group } from '../views/live'
import type { TotalValues } from '../views/totals'
import type { Layout } from './contract'
import type { GroupHead, ListLine, Row, Stretch, ViewAnswer } from './rows'

/** A table as it is answered. */
export interface TableAnswer extends ViewAnswer<'table'> {
  readonly totals: TotalValues
  /** Lines in all: items and heads of groups. */
  readonly lines: number
  readonly stretch: Stretch
}

/** All items one under another, in groups with heads that fold. */
export const table: Layout<'table', TableAnswer> = {
  question: (_reader, { where, group, sort, totals }) => ({ where, group, sort, totals }),
  answer({ live, turned, foldedFrom, totals, sums, window, rowAt }) {
    const blocks = blocksOf(live.groups, (head, level) => level >= foldedFrom !== turned.has(head), totals.length)
    const lines = blocks.reduce((sum, block) => sum + lengthOf(block), 0)
    const [from, to] = window('', lines)
    return { layout: 'table', sums, totals, lines, stretch: { from, rows: linesOf(blocks, from, to, rowAt) } }
  },
}

/** Some lines that come after one another: the head of a group, or items. */
type Block = { readonly head: GroupHead } | { readonly rows: Int32Array }
const lengthOf = (block: Block): number => ('head' in block ? 1 : block.rows.length)

function blocksOf(
  groups: readonly Group[],
  isFolded: (head: string, level: number) => boolean,
  totals: number,
): Block[] {
  return groups.flatMap((group): Block[] => {
    const { path, count, n } = group
    const inside = group.groups.length
      ? blocksOf(group.groups, isFolded, totals)
      : n
        ? [{ rows: group.rows.subarray(0, n) }]
        : []
    if (!path.length) return inside
    const head = keyOfPath(path)
    const one = { head, path, count, totals: group.totals.slice(0, totals), folded: isFolded(head, path.length - 1) }
    return [{ head: { ...one, v: JSON.stringify([count, one.totals, one.folded]) } }, ...(one.folded ? [] : inside)]
  })
}

function linesOf(blocks: readonly Block[], from: number, to: number, rowAt: (row: number) => Row): ListLine[] {
  const lines: ListLine[] = []
  let at = 0
  for (const block of blocks) {
    const length = lengthOf(block)
    if (at + length > from && at < to) {
      if ('head' in block) lines.push(block.head)
      else for (const row of block.rows.subarray(Math.max(0, from - at), to - at)) lines.push(rowAt(row))
    }
    at += length
  }
  return lines
}
