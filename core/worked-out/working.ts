import { CodeColumn } from '../fields/columns/codes'
import { DayColumn, noDay, NumberColumn, type Column } from '../fields/columns/column'

/** How a field is worked out. */
export interface Working {
  write(row: number, column: Column): void
  /** Writes every row at once. */
  fillAll?(column: Column): void
  /** A row is worked out from those inside it, which have to be before. */
  readonly isFromBelow?: boolean
}

/** Writes numbers as a column keeps them, NaN for none: whole numbers, days by number, codes by the place of their id. */
export function writerOf(column: Column, ids: readonly string[] = []): (row: number, x: number) => void {
  if (column instanceof NumberColumn) {
    const { a } = column
    column.version++
    return (row, x) => {
      a[row] = x
    }
  }
  if (column instanceof DayColumn) {
    const { a } = column
    return (row, x) => {
      a[row] = x === x ? x : noDay
    }
  }
  if (column instanceof CodeColumn) {
    const { a } = column
    const codes = ids.map((id) => column.codes.of(id))
    return (row, x) => {
      a[row] = x === x ? codes[x]! : 0
    }
  }
  return (row) => column.set(row, null)
}
