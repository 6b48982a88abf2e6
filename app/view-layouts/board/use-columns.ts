import { computed } from 'vue'
import { amountSaid, ColumnPlaces, roomOf, type Room } from '#core/board/columns'
import type { BoardAnswer, ColumnAnswer } from '#core/layouts/board'
import type { Row } from '#core/layouts/rows'
import { heldBy, limitSetOf, statusesOfKind, type LimitSet } from '#core/model/reader'
import type { BoardColumn, ColumnStatus, Status, StatusId } from '#core/model/records'
import { useDirectory } from '../../data/directory'
import { useBoardLook } from './board-look'

/** A column as it is drawn. */
export interface ShownColumn {
  readonly column: BoardColumn
  readonly limit: LimitSet | null
  readonly holds: readonly ColumnStatus[]
  /** What its leaf shows: the first status that it holds. */
  readonly sign: Status | undefined
  readonly answer: ColumnAnswer | undefined
  /** Of the project's items, whatever the view leaves out. */
  readonly held: number
  /** What its limit counts: items, or the sum of a field. */
  readonly amount: number
  readonly room: Room
  readonly isOver: boolean
  /** How an amount is said. */
  readonly say: (amount: number) => string
  readonly isFolded: boolean
  /** In px, where somebody has dragged it. */
  readonly width: number | undefined
}

/** The columns of a board with their cards, and how somebody has them look. */
export function useColumns(board: () => string, answer: () => BoardAnswer | undefined) {
  const directory = useDirectory()
  const places = computed(() => new ColumnPlaces(directory.reader, board()))
  const signOf = (holds: readonly ColumnStatus[]) => directory.reader.maybe('status', holds[0]?.status ?? '')

  /** Until somebody folds one: those of what was dropped. */
  const dropped = () =>
    places.value.columns
      .filter(({ id }) => signOf(heldBy(directory.reader, id))?.phase === 'dropped')
      .map(({ id }) => id)
  const { folded, hidden, fold, hide, widthOf, stretch } = useBoardLook(board, dropped)
  const all = computed(() =>
    places.value.columns.map((column): ShownColumn => {
      const { id } = column
      const limit = limitSetOf(directory.reader, id)
      const holds = heldBy(directory.reader, id)
      const inColumn = answer()?.columns.find((one) => one.column === id)
      const held = inColumn?.held ?? 0
      const amount = inColumn?.amount ?? 0
      const room = roomOf(amount, limit?.most ?? null, limit?.least)
      return {
        column,
        limit,
        holds,
        sign: signOf(holds),
        answer: inColumn,
        held,
        amount,
        room,
        isOver: room.is === 'over',
        say: amountSaid(directory.reader, limit?.of ?? null),
        isFolded: folded.value.has(id),
        width: widthOf(id),
      }
    }),
  )
  const columns = computed(() => all.value.filter(({ column }) => !hidden.value.has(column.id)))
  const hiddenColumns = computed(() => all.value.filter(({ column }) => hidden.value.has(column.id)))
  const byId = (id: string): ShownColumn | undefined => all.value.find(({ column }) => column.id === id)
  const columnOf = ({ item }: Row): ShownColumn | undefined =>
    byId(places.value.columnOf(item.kind, item.status)?.id ?? '')

  /** The statuses that an item of a kind can get in a column: those that it holds for the kind and its workflow has, in its order. */
  function statusesIn({ column, holds }: ShownColumn, kind: string): StatusId[] {
    const held = new Set(holds.map(({ status }) => status))
    return statusesOfKind(directory.reader, kind).flatMap(({ id }) =>
      held.has(id) && places.value.columnOf(kind, id)?.id === column.id ? id : [],
    )
  }
  /** The first of them. */
  const statusIn = (column: ShownColumn, kind: string): StatusId | undefined => statusesIn(column, kind)[0]

  return { columns, hiddenColumns, byId, columnOf, statusIn, statusesIn, fold, hide, stretch }
}

export const rowsOf = (column: ShownColumn | undefined): readonly Row[] => column?.answer?.stretch.rows ?? []
