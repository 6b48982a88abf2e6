import { ref, shallowRef } from 'vue'
import { dropOn as dropOnColumn, type Drop } from '#core/board/columns'
import type { Row } from '#core/layouts/rows'
import { entryWords, type EntryWords } from '#core/language/demand-words'
import type { ItemId, StatusId } from '#core/model/records'
import { cardWords } from '../words'
import { useChanges } from '../../data/changes'
import { useDirectory } from '../../data/directory'
import type { Lift } from './context'
import { followPointer } from './pointer'
import { rowsOf, type ShownColumn, type useColumns } from './use-columns'

/** A card and the statuses that it can get in a column. */
interface Asking {
  readonly row: Row
  readonly shown: ShownColumn
  readonly index: number | undefined
  readonly statuses: readonly StatusId[]
  /** Where it was let go of. */
  readonly point?: [x: number, y: number]
}
/** The columns in which cards take the first status that they can get: kept in this browser. */
function keptFirsts() {
  const key = 'wrenleaf-first-status'
  const read = () => new Set(JSON.parse(localStorage.getItem(key) ?? '[]') as string[])
  return {
    has: (column: string): boolean => read().has(column),
    add: (column: string): void => localStorage.setItem(key, JSON.stringify([...read().add(column)])),
  }
}

interface Board {
  readonly columns: ReturnType<typeof useColumns>
  mayMove(): boolean
  /** Cards are in the order that they are dragged into. */
  isRanked(): boolean
  hold(items: readonly string[]): void
  /** What moves along with a card: itself, and what is selected with it. */
  along(row: Row): readonly Row[]
}

/** Cards that are picked up by pointer or keyboard, carried over the columns and put down. */
export function useLift({ columns, mayMove, isRanked, hold, along }: Board) {
  const changes = useChanges()
  const directory = useDirectory()
  const lift = ref<Lift>()
  /** A card that has been put where it can get one of several statuses. */
  const asking = shallowRef<Asking>()
  const firsts = keptFirsts()
  /** What happens, for those who hear it. */
  const said = ref('')

  /** What dropping the card there would do to the column's limit, and what the status there asks for. */
  function dropOn(row: Row, shown: ShownColumn): Drop {
    const { column, amount, limit, say } = shown
    const isHere = columns.columnOf(row)?.column.id === column.id
    const brings = limit?.of ? Number(row.item.values[limit.of] ?? 0) : 1
    const drop = dropOnColumn(amount, limit, isHere ? 0 : brings, say)
    const entry = isHere ? undefined : entryInto(row, shown)
    if (!entry) return drop
    return entry.isOff
      ? { words: entry.words, isOver: true }
      : { ...drop, words: limit ? `${drop.words}; ${entry.words}` : entry.words }
  }
  const entryOf = (row: Row, to: string) => directory.me && entryWords(directory.reader, row.item, to, directory.me.id)
  /** What the first status asks for that a card may get there; where it may get none, why. */
  function entryInto(row: Row, shown: ShownColumn): EntryWords | undefined {
    const entries = columns.statusesIn(shown, row.item.kind).map((to) => entryOf(row, to))
    const open = entries.filter((entry) => !entry?.isOff)
    return open.length ? open[0] : entries[0]
  }
  /** The others of a column, in order, without the lifted card. */
  const others = (column: ShownColumn, item: string) => rowsOf(column).filter((row) => row.item.id !== item)
  const fromOf = (column: ShownColumn): number => column.answer?.stretch.from ?? 0

  /**
   * Puts a card into a column, at a place among its cards (undefined: where the view's order has it), and says so, or why
   * it stays where it was. Of several statuses that it can get there it asks for one.
   */
  function put(row: Row, shown: ShownColumn, index: number | undefined, to?: StatusId): void {
    const isHere = columns.columnOf(row)?.column.id === shown.column.id
    const can = isHere ? [] : to ? [to] : columns.statusesIn(shown, row.item.kind)
    if (!isHere && !can.length) {
      said.value = cardWords.cancelled(row.item.title)
      return changes.say(cardWords.notOfKind(shown.column.name))
    }
    const open = can.filter((one) => !entryOf(row, one)?.isOff)
    if (open.length > 1 && !firsts.has(shown.column.id))
      return void (asking.value = { row, shown, index, statuses: open })
    said.value = cardWords.putDown(row.item.title, shown.column.name)
    const statusTo = open[0] ?? can[0]
    const i = index === undefined ? undefined : Math.max(0, index - fromOf(shown))
    const moving = along(row)
    const place = i === undefined || !isRanked() ? undefined : placeAt(others(shown, row.item.id), i, moving)
    if (!statusTo && !place) return
    // Put back where it was: nothing to do.
    const own = rowsOf(shown).findIndex((one) => one.item.id === row.item.id)
    if (!statusTo && own === i && moving.length === 1) return
    const items = moving.map(({ item }) => ({
      item: item.id,
      ...(statusTo && item.status !== statusTo && { status: { from: item.status, to: statusTo } }),
      ...(place && { place }),
    }))
    void changes.send({ type: 'items.move', items })
  }
  /** The card goes to a status of the column that was asked about. */
  function answer(to: StatusId): void {
    const asked = asking.value
    asking.value = undefined
    if (asked) put(asked.row, asked.shown, asked.index, to)
  }
  /** From now on the first that a card can get in that column, without asking. */
  function takeFirst(): void {
    const asked = asking.value
    if (!asked) return
    firsts.add(asked.shown.column.id)
    const [first] = asked.statuses
    if (first) answer(first)
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
    if (asking.value && now.by === 'pointer') asking.value = { ...asking.value, point: [now.x, now.y] }
    if (now.by === 'keyboard') keepFocusOn(id)
  }
  function moveTo(row: Row, column: ShownColumn, to?: StatusId): void {
    put(row, column, undefined, to)
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

  return { lift, said, asking, answer, takeFirst, entryOf, pointer, dropOn, start, end, moveTo, onKey }
}

/** Beside the nearest that stays. */
function placeAt(
  around: readonly Row[],
  i: number,
  moving: readonly Row[],
): { before: ItemId } | { after: ItemId } | undefined {
  const stays = ({ item }: Row) => !moving.some((one) => one.item.id === item.id)
  const [before, after] = [around.slice(i).find(stays), around.slice(0, i).findLast(stays)]
  if (before) return { before: before.item.id }
  return after && { after: after.item.id }
}

export const cardOf = (item: string): HTMLElement | undefined => document.getElementById(`card-${item}`) ?? undefined
export const focusCard = (item: string): void => cardOf(item)?.focus()
/** A moved card is redrawn in its column: the focus that is lost by that comes back to it. */
function keepFocusOn(item: string, frames = 40): void {
  if (!document.activeElement || document.activeElement === document.body) focusCard(item)
  if (frames) requestAnimationFrame(() => keepFocusOn(item, frames - 1))
}
