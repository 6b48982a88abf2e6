import { outline as outlineNumber } from '../facts/outline'
import { noRow } from '../model/item-table'
import type { ItemId } from '../model/records'
import { insideOf, seen, treeOf, type Tree } from '../views/tree'
import type { TotalValues } from '../views/totals'
import type { Layout } from './contract'
import type { OutlineRow, Stretch, ViewAnswer } from './rows'

/** An outline as it is answered. */
export interface OutlineAnswer extends ViewAnswer<'outline'> {
  readonly totals: TotalValues
  /** Lines in all. */
  readonly lines: number
  readonly stretch: Stretch<OutlineRow>
}

/** Items inside one another, open to a level; what is folded says the items that do not stand as that says. */
export const outline: Layout<'outline', OutlineAnswer> = {
  question: (_reader, { where, sort, totals }) => ({
    where,
    sort: sort.length ? sort : [{ by: { fact: 'place' }, down: false }],
    totals,
    group: [],
  }),
  answer({ definition, live, turned, totals, sums, window, rowAt }) {
    const tree = treeOf(live)
    const { table, order, level, end, isIn } = tree
    const isTurned = (row: number) => turned.size > 0 && turned.has(table.ids[row]!)
    // What stands there for the sake of what is inside it shows that.
    const isOpen = (row: number, at: number, isInView: boolean) =>
      (!isInView || at + 1 < definition.open) !== isTurned(row)
    const places = seen(tree, isOpen)
    const numbers = outlineNumber.source(live.plan.context)
    const [from, to] = window('', places.length)
    const rows = Array.from(places.subarray(from, to), (k): OutlineRow => {
      const row = order[k]!
      const held = rowAt(row)
      const around = end[k]! > k + 1 ? insideOf(live, tree, k) : undefined
      const own = {
        level: level[k]!,
        place: numbers.kind === 'text' ? (numbers.column.a[row] ?? '') : '',
        ...besideOf(tree, k),
        ...(around && { isOpen: isOpen(row, level[k]!, !!isIn[row]) }),
        ...(!isIn[row] && { isAside: true as const }),
        inside: around ? around.items - isIn[row]! : 0,
        ...(around && totals.length && { totals: around.totals.slice(0, totals.length) }),
      }
      return { ...held, ...own, v: `${held.v};${JSON.stringify(own)}` }
    })
    return { layout: 'outline', sums, totals, lines: places.length, stretch: { from, rows } }
  },
}

/** What stands around the row at a place, by ids. */
function besideOf(
  { table, order, previous, next }: Tree,
  place: number,
): Pick<OutlineRow, 'above' | 'below' | 'outer'> {
  const row = order[place]!
  const id = (of: number) => table.ids[of] as ItemId
  const [above, below, parent] = [previous[place]!, next[row]!, table.parent[row]!]
  return {
    ...(above !== noRow && { above: id(above) }),
    ...(below !== noRow && { below: id(below) }),
    ...(parent !== noRow && { outer: table.parentOf(parent) }),
  }
}
