import { computed, shallowRef } from 'vue'

/** A cell of a table, by its line and column. */
export interface CellAt {
  readonly row: number
  readonly column: number
}
/** Cells from one corner to the other; both are in it. */
export interface CellSpan {
  readonly rows: readonly [from: number, to: number]
  readonly columns: readonly [from: number, to: number]
}

/** A rectangle of selected cells: from where it was begun to where it was extended last. */
export function useCellSpan() {
  const ends = shallowRef<readonly [from: CellAt, to: CellAt]>()
  const span = computed((): CellSpan | undefined => {
    if (!ends.value) return undefined
    const [from, to] = ends.value
    return { rows: inOrder(from.row, to.row), columns: inOrder(from.column, to.column) }
  })
  /** Goes on to a cell, from where it was begun or, where there is none, from here. */
  const extend = (here: CellAt, to: CellAt): void => void (ends.value = [ends.value?.[0] ?? here, to])
  const clear = (): void => void (ends.value = undefined)
  /** The columns of a line that are in it. */
  const columnsOn = (row: number): CellSpan['columns'] | undefined =>
    span.value && row >= span.value.rows[0] && row <= span.value.rows[1] ? span.value.columns : undefined
  return { span, extend, clear, columnsOn }
}
const inOrder = (a: number, b: number): [number, number] => (a <= b ? [a, b] : [b, a])
