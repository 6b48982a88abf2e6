import { ColumnPlaces, heldByColumn } from '../board/columns'
import type { Reader } from '../model/reader'
import type { LiveView } from '../views/live'
import { mergedRows } from '../views/sort'
import type { Layout } from './contract'
import type { Row, Stretch, ViewAnswer } from './rows'

/** A column of a board as it is answered. */
export interface ColumnAnswer {
  readonly column: string
  /** Every item of the project in it that is not archived, whatever the view leaves out. */
  readonly held: number
  /** What its limit counts: items, or the sum of a field at its scale. */
  readonly amount: number
  /** Those of them that are in the view. */
  readonly shown: number
  readonly stretch: Stretch<Row>
}
/** A board as it is answered. */
export interface BoardAnswer extends ViewAnswer<'board'> {
  readonly columns: readonly ColumnAnswer[]
  /** Statuses that no column holds, with how many of the project's items stand in them. */
  readonly outside: readonly { readonly status: string; readonly held: number }[]
}

/** Columns of a board of the project, each with its cards in the view's order. */
export const board: Layout<'board', BoardAnswer> = {
  question: (reader, { board, where, sort, totals }) => ({
    where,
    sort,
    totals,
    // A board is grouped by what its columns hold.
    group: [{ by: { fact: 'status' } }, ...(asksForKinds(reader, board) ? [{ by: { fact: 'kind' as const } }] : [])],
  }),
  answer({ reader, project, definition, live, sums, window, rowAt }) {
    const places = new ColumnPlaces(reader, definition.board)
    const held = heldByColumn(reader, project.id, places)
    const lists = rowsByColumn(places, live, asksForKinds(reader, definition.board))
    const columns = places.columns.map(({ id }): ColumnAnswer => {
      const rows = lists.get(id) ?? new Int32Array(0)
      const [from, to] = window(id, rows.length)
      const stretch = { from, rows: Array.from(rows.subarray(from, to), rowAt) }
      return {
        column: id,
        held: held.columns.get(id) ?? 0,
        amount: held.sums.get(id) ?? held.columns.get(id) ?? 0,
        shown: rows.length,
        stretch,
      }
    })
    const outside = [...held.outside].map(([status, held]) => ({ status, held }))
    return { layout: 'board', sums, columns, outside }
  },
}

/** Whether some column of the board holds a status for one kind alone. */
function asksForKinds(reader: Reader, board: string): boolean {
  for (const { kind, column } of reader.all('columnStatus'))
    if (kind && reader.maybe('column', column)?.board === board) return true
  return false
}

/** Rows by column, each in the view's order: a column may hold several statuses. */
function rowsByColumn(places: ColumnPlaces, live: LiveView, isByKind: boolean): Map<string, Int32Array> {
  const parts = new Map<string, Int32Array[]>()
  const inner = isByKind ? live.groups.flatMap((group) => group.groups) : live.groups
  for (const { path, rows, n } of inner) {
    const column = places.columnOf(String(path[1] ?? ''), String(path[0]))?.id
    if (column) parts.set(column, [...(parts.get(column) ?? []), rows.subarray(0, n)])
  }
  return new Map([...parts].map(([column, all]) => [column, all.reduce((a, b) => mergedRows(live.plan.order, a, b))]))
}
