import { ref } from 'vue'
import { dropOn as dropOnColumn, type Drop } from '#core/board/columns'
import type { Row } from '#core/layouts/rows'
import type { ItemId } from '#core/model/records'
import { cardWords } from '../words'
import { useChanges } from '../../data/changes'
import type { Lift } from './context'
import { followPointer } from './pointer'
import { rowsOf, type ShownColumn, type useColumns } from './use-columns'

interface Board {
  readonly columns: ReturnType<typeof useColumns>
  mayMove(): boolean
  /** Cards are in the order that they are dragged into. */
  isSortedByRank(): boolean
  hold(items: readonly string[]): void
}

/** Cards that are picked up by pointer or keyboard, carried over the columns and put down. */
export function useLift({ columns, mayMove, isSortedByRank, hold }: Board) {
  const changes = useChanges()
  const lift = ref<Lift>()
  /** What happens, for those who hear it. */
  const said = ref('')

  /** What dropping the card there would do to the column's limit. */
  function dropOn(row: Row, { column, amount, limit, say }: ShownColumn): Drop {
    const isHere = columns.columnOf(row)?.column.id === column.id
    const brings = limit?.of ? Number(row.item.values[limit.of] ?? 0) : 1
    return dropOnColumn(amount, limit, isHere ? 0 : brings, say)
  }
  /** The others of a column, in order, without the lifted card. */
  const others = (column: ShownColumn, item: string) => rowsOf(column).filter((row) => row.item.id !== item)
  const fromOf = (column: ShownColumn): number => column.answer?.stretch.from ?? 0

  /**
   * Puts a card into a column, at a place among its cards (undefined: where the view's order has it), and says so, or why
   * it stays where it was.
   */
  function put(row: Row, column: ShownColumn, index: number | undefined): void {
    const isHere = columns.columnOf(row)?.column.id === column.column.id
    const statusTo = isHere ? undefined : columns.statusIn(column, row.item.kind)
    said.value = cardWords.putDown(row.item.title, column.column.name)
    if (!isHere && !statusTo) {
      said.value = cardWords.cancelled(row.item.title)
      return changes.say(cardWords.notOfKind(column.column.name))
    }
    const i = index === undefined ? undefined : Math.max(0, index - fromOf(column))
    const place = i === undefined || !isSortedByRank() ? undefined : placeAt(others(column, row.item.id), i)
    if (!statusTo && !place) return
    // Put back where it was: nothing to do.
    const own = rowsOf(column).findIndex((one) => one.item.id === row.item.id)
    if (!statusTo && own === i) return
    const status = statusTo && { status: { from: row.item.status, to: statusTo } }
    void changes.send({ type: 'items.move', items: [{ item: row.item.id, ...status, ...(place && { place }) }] })
  }

  function start(row: Row, by: Lift['by']): void {
    const column = columns.columnOf(row)
    if (!column || !mayMove()) return
    const index = fromOf(column) + rowsOf(column).findIndex((one) => one.item.id === row.item.id)
    lift.value = { row, by, column: column.column.id, index, x: 0, y: 0, width: 0 }
    hold([row.item.id])
    said.value = cardWords.pickedUp(row.item.title, column.column.name, index + 1, column.answer?.shown ?? 1)
  }
  function end(isDropped: boolean): void {
    const now = lift.value
    lift.value = undefined
    hold([])
    if (!now) return
    const { title, id } = now.row.item
    const column = isDropped ? columns.byId(now.column) : undefined
    if (column) put(now.row, column, now.index)
    else said.value = cardWords.cancelled(title)
    if (now.by === 'keyboard') keepFocusOn(id)
  }
  function moveTo(row: Row, column: ShownColumn): void {
    put(row, column, undefined)
    keepFocusOn(row.item.id)
  }

  /** A key while a card is lifted. */
  function onKey(event: KeyboardEvent): void {
    const now = lift.value
    if (!now) return
    const open = columns.columns.value.filter((column) => !column.isFolded)
    const at = open.findIndex(({ column }) => column.id === now.column)
    if (event.key === 'Escape') end(false)
    else if (event.key === ' ' || event.key === 'Enter') end(true)
    else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
      const next = open[at + (event.key === 'ArrowRight' ? 1 : -1)]
      const last = next && others(next, now.row.item.id).length
      if (next) lift.value = { ...now, column: next.column.id, index: Math.min(now.index, last ?? 0) }
    } else if (event.key === 'ArrowUp') lift.value = { ...now, index: Math.max(0, now.index - 1) }
    else if (event.key === 'ArrowDown')
      lift.value = { ...now, index: Math.min(open[at]?.answer?.shown ?? 0, now.index + 1) }
    else return
    event.preventDefault()
    const over = lift.value && columns.byId(lift.value.column)
    if (lift.value && over)
      said.value = cardWords.over(over.column.name, lift.value.index + 1, dropOn(lift.value.row, over).words)
  }

  const pointer = followPointer({
    start: (row, box) => {
      start(row, 'pointer')
      if (lift.value) lift.value = { ...lift.value, x: box.x, y: box.y, width: box.width }
    },
    move(x, y, over) {
      if (lift.value) lift.value = { ...lift.value, x, y, ...(over && { column: over.column, index: over.index }) }
    },
    end,
  })

  return { lift, said, pointer, dropOn, start, end, moveTo, onKey }
}

function placeAt(around: readonly Row[], i: number): { before: ItemId } | { after: ItemId } | undefined {
  const [before, after] = [around[i], around[i - 1]]
  if (before) return { before: before.item.id }
  return after && { after: after.item.id }
}

export const focusCard = (item: string): void => document.getElementById(`card-${item}`)?.focus()
/** A moved card is redrawn in its column: the focus that is lost by that comes back to it. */
function keepFocusOn(item: string, frames = 40): void {
  if (!document.activeElement || document.activeElement === document.body) focusCard(item)
  if (frames) requestAnimationFrame(() => keepFocusOn(item, frames - 1))
}
