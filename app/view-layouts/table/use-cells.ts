import { computed, ref, shallowRef, watch } from 'vue'
import type { GroupHead, Row, OutlineRow } from '#core/layouts/rows'
import { useChanges } from '../../data/changes'
import { clearSeveral, press, setValue } from '../../parts/edits'
import { fieldTypes } from '#core/fields/registry'
import { partsOf } from '../../parts/field-parts'
import { keepEarlyKeys } from '../../parts/early-keys'
import { asksForMenu } from '../../parts/menu-place'
import type { Field } from '#core/model/records'
import type { useSelect } from '../selection/use-select'
import { steps, type Step } from './steps'
import type { useCellSpan } from './use-cell-span'
import type { TableColumn } from './columns'
import type { Edit } from './TableRow.vue'

interface Grid {
  /** Lines in all. */
  lines(): number
  columns(): readonly TableColumn[]
  rowAt(index: number): Row | OutlineRow | undefined
  headAt(index: number): GroupHead | undefined
  /** The lines that are here: items by their ids, heads by what they group. */
  stretch(): Stretch
  /** Anything of items, or one fact of them; `place`: where they stand. */
  mayEdit(key?: string): boolean
  /** Says that a column is not changed in this view. */
  tellHeld(name: string): void
  /** Whoever is looking. */
  me(): string | undefined
  element(): HTMLElement | undefined
  rowHeight(): number
  scrollTo(row: number): void
  /** A group's head, or in an outline an item that holds others. */
  toggleFold(id: string): void
  /** Opens an outline to a level. */
  openTo(level: number): void
  /** Says how a field is worked out that somebody would fill in. */
  tellWorked(field: Field): void
  open(key: string): void
  walk(key: string): void
  /** The keyboard asks for a new item. */
  addItem(): void
  /** Copies cells, fills them downwards, or empties them. */
  range(act: 'copy' | 'fill' | 'clear'): void
  /** Selecting cells. */
  readonly cells: Pick<ReturnType<typeof useCellSpan>, 'span' | 'extend' | 'clear'>
  /** Selecting rows. */
  readonly select: ReturnType<typeof useSelect>
  hasSelection(): boolean
  /** Moves what is selected, or the row, a step in the hierarchy or among its siblings. */
  nest(step: Step, row: number): void
  /** Moves what is selected, or the row, into the next group that way. */
  regroup(way: -1 | 1, row: number): void
  /** Finds words in the view. */
  find(): void
  /** What a group's head can do: its menu, or another place among its fellows. */
  headMenu(row: number, cell: HTMLElement): void
  moveHead(row: number, way: -1 | 1): void
  /** The keyboard asks what can be done with a row. */
  menu(row: number, cell: HTMLElement): void
}

/** Lines from a place onwards, each by its id. */
interface Stretch {
  readonly from: number
  readonly ids: readonly string[]
}
/** The row of the item that was at a row, now; where it has gone, that of the nearest that is left. */
export function rowToStayAt(row: number, before: Stretch, now: Stretch): number {
  const at = row - before.from
  const held = before.ids[at]
  if (held === undefined || now.ids[row - now.from] === held) return row
  const places = new Map(now.ids.map((id, i) => [id, now.from + i]))
  for (let step = 0; step < before.ids.length; step++)
    for (const id of [before.ids[at + step], before.ids[at - step]]) {
      const place = id === undefined ? undefined : places.get(id)
      if (place !== undefined) return place
    }
  return row
}

/** Down and to the right, by arrow. */
const arrows: Readonly<Record<string, readonly [down: number, right: number] | undefined>> = {
  ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1],
} // prettier-ignore
const isPlain = ({ ctrlKey, metaKey, altKey }: KeyboardEvent): boolean => !ctrlKey && !metaKey && !altKey

/** The cells of a table by keyboard and mouse: which one has the keyboard, and which is being edited (ARIA grid). */
export function useCells(grid: Grid) {
  const changes = useChanges()
  /** The cell that has the keyboard. */
  const at = ref({ row: 0, column: 1 })
  const editing = shallowRef<Edit>()
  let dropEarlyKeys = (): void => undefined
  const activeItem = computed(() => grid.rowAt(at.value.row)?.item.id)
  watch(grid.lines, (n) => {
    if (at.value.row >= n) at.value = { ...at.value, row: Math.max(0, n - 1) }
  })
  /** Where lines come and go, the keyboard stays with its item or goes to the nearest that is left. */
  watch(grid.stretch, (now, before) => {
    const row = rowToStayAt(at.value.row, before, now)
    if (row === at.value.row) return
    const hadFocus = !!grid.element()?.contains(document.activeElement)
    at.value = { ...at.value, row }
    if (hadFocus) focusWhenDrawn(60)
  })

  function focus(row: number, column: number): void {
    at.value = {
      row: Math.max(0, Math.min(grid.lines() - 1, row)),
      column: Math.max(0, Math.min(grid.columns().length - 1, column)),
    }
    grid.scrollTo(at.value.row)
    focusWhenDrawn(60)
  }
  /** The row may have to be scrolled to and fetched first: some frames pass until its cell can take the focus. */
  function focusWhenDrawn(frames: number): void {
    const { row, column } = at.value
    const place = grid.headAt(row)
      ? `.head-row [data-row="${row}"]`
      : `[data-row="${row}"][data-column="${column}"]:not(.editing)`
    if (editing.value) return
    const element = grid.element()
    const cell = element?.querySelector<HTMLElement>(place)
    if (!cell) {
      // Until then the grid itself hears the keys, so that none is lost; whoever goes elsewhere meanwhile stays there.
      element?.focus({ preventScroll: true })
      const goOn = () => void (element?.contains(document.activeElement) && focusWhenDrawn(frames - 1))
      return void (frames && requestAnimationFrame(goOn))
    }
    cell.focus()
    const held = grid.rowAt(row)
    if (held) grid.walk(held.address)
  }
  const pageRows = () => Math.floor((grid.element()?.clientHeight ?? 400) / grid.rowHeight()) - 1

  function onKey(event: KeyboardEvent): void {
    const target = event.target as HTMLElement
    if (editing.value || (target !== grid.element() && target.getAttribute('role') !== 'gridcell')) return
    const { row, column } = at.value
    const [lastRow, lastColumn] = [grid.lines() - 1, grid.columns().length - 1]
    const moves: Readonly<Record<string, [number, number]>> = {
      ArrowDown: [row + 1, column], ArrowUp: [row - 1, column], ArrowLeft: [row, column - 1], ArrowRight: [row, column + 1],
      Home: [event.ctrlKey ? 0 : row, 0], End: [event.ctrlKey ? lastRow : row, lastColumn],
      PageDown: [row + pageRows(), column], PageUp: [row - pageRows(), column],
    } // prettier-ignore
    const move = moves[event.key]
    const turns = turning(event, row, column)
    if (spans(event, row, column) || ofHead(event, row) || finds(event)) return event.preventDefault()
    const step = event.altKey ? steps[event.key] : undefined
    if (step && !grid.mayEdit('place')) return
    const acts = { c: 'copy', d: 'fill' } as const
    const act = (event.ctrlKey || event.metaKey) && !event.altKey && !event.shiftKey ? acts[event.key as 'c' | 'd'] : undefined // prettier-ignore
    if (act && (act === 'copy' || grid.mayEdit())) return (event.preventDefault(), grid.range(act))
    if (selects(event, row)) return event.preventDefault()
    if (asksForMenu(event)) grid.menu(row, target)
    else if (step) grid.nest(step, row)
    else if (event.key === 'Insert' || (event.key === 'Enter' && (event.ctrlKey || event.metaKey))) grid.addItem()
    else if (/^[1-9]$/.test(event.key) && isPlain(event) && grid.columns()[column]?.is === 'place')
      grid.openTo(Number(event.key))
    else if (turns !== undefined) grid.toggleFold(turns)
    else if (move) focus(...move)
    else if (['Enter', 'F2', ' '].includes(event.key)) startEdit(row, column)
    else if ((event.key === 'Delete' || event.key === 'Backspace') && grid.mayEdit(grid.columns()[column]?.id))
      empty(row, column)
    else if (event.key.length === 1 && isPlain(event)) startEdit(row, column, event.key)
    else return
    event.preventDefault()
  }

  /** Whether a key selects cells: with Shift sideways, and then in every direction; another step lets go of them. */
  function spans(event: KeyboardEvent, row: number, column: number): boolean {
    const { key, shiftKey } = event
    const { span } = grid.cells
    const way = arrows[key]
    if (span.value && key === 'Escape') return (grid.cells.clear(), true)
    if (span.value && (key === 'Delete' || key === 'Backspace') && grid.mayEdit()) return (grid.range('clear'), true)
    if (!isPlain(event) || (shiftKey && !way)) return false
    if (!shiftKey) {
      if (way || ['Home', 'End', 'PageUp', 'PageDown', 'Tab'].includes(key)) grid.cells.clear()
      return false
    }
    if (!way || grid.headAt(row) || (!span.value && !way[1])) return false
    const to = { row: row + way[0], column: column + way[1] }
    focus(to.row, to.column)
    grid.cells.extend({ row, column }, at.value)
    return true
  }
  /** What keys do to the head of a group besides folding it. */
  function ofHead(event: KeyboardEvent, row: number): boolean {
    if (!grid.headAt(row)) return false
    if (asksForMenu(event)) grid.headMenu(row, event.target as HTMLElement)
    else if (event.altKey && !event.shiftKey && arrows[event.key]?.[0]) grid.moveHead(row, arrows[event.key]![0] as 1)
    else return false
    return true
  }
  /** Keys that find words, or put rows into another group. */
  function finds({ key, ctrlKey, metaKey, altKey, shiftKey }: KeyboardEvent): boolean {
    const way = arrows[key]?.[0]
    if ((ctrlKey || metaKey) && !altKey && !shiftKey && key === 'f') grid.find()
    else if (altKey && shiftKey && way) grid.regroup(way as 1, at.value.row)
    else return false
    return true
  }

  /** Whether a key selects: with Shift a range, with Ctrl one, all, or none any more. */
  function selects({ key, shiftKey, ctrlKey, metaKey, altKey }: KeyboardEvent, row: number): boolean {
    const isControl = ctrlKey || metaKey
    if (altKey) return false
    const to = { ArrowDown: row + 1, ArrowUp: row - 1, PageDown: row + pageRows(), PageUp: row - pageRows(), Home: 0, End: grid.lines() - 1 }[key] // prettier-ignore
    if (shiftKey && to !== undefined && (isControl || (key !== 'Home' && key !== 'End'))) {
      focus(to, at.value.column)
      void grid.select.extend(row, at.value.row)
    } else if (isControl && !shiftKey && key === 'a') void grid.select.all()
    else if ((isControl || shiftKey) && key === ' ') grid.select.toggle(row)
    else if (key === 'Escape' && grid.hasSelection()) grid.select.clear()
    else return false
    return true
  }

  /** What a key folds or unfolds: a group from its head, in an outline what an item holds from the first cells of its row. */
  function turning({ key, altKey, shiftKey }: KeyboardEvent, row: number, column: number): string | undefined {
    if (altKey || shiftKey) return undefined
    const head = grid.headAt(row)
    if (head)
      return [...(head.folded ? ['ArrowRight'] : ['ArrowLeft']), 'Enter', ' '].includes(key) ? head.head : undefined
    const line = grid.rowAt(row)
    const isOpen = line && 'isOpen' in line ? line.isOpen : undefined
    if (!line || isOpen === undefined || column > 1) return undefined
    const turns = isOpen ? key === 'ArrowLeft' && column === 0 : key === 'ArrowRight' && column === 1
    return turns || (key === ' ' && column === 0) ? line.item.id : undefined
  }

  function startEdit(rowIndex: number, columnIndex: number, typed?: string): void {
    const [row, column] = [grid.rowAt(rowIndex), grid.columns()[columnIndex]]
    if (!row || !column) return
    at.value = { row: rowIndex, column: columnIndex }
    const { field } = column
    const editor = field && partsOf(field).editor
    if (column.is === 'key' || column.is === 'place' || editor === 'panel') return grid.open(row.address)
    if (column.is === 'total') return
    if (field && editor === 'none') return grid.tellWorked(field)
    if (!grid.mayEdit(column.id)) return grid.tellHeld(column.name)
    if (field && editor === 'press') return void press(changes, row.item, field, grid.me())
    editing.value = { item: row.item.id, column: column.id, typed }
    dropEarlyKeys = keepEarlyKeys()
  }
  function empty(rowIndex: number, columnIndex: number): void {
    const [row, field] = [grid.rowAt(rowIndex), grid.columns()[columnIndex]?.field]
    const held = row && field && row.item.values[field.id]
    if (!row || !field || held === undefined || ['panel', 'none'].includes(partsOf(field).editor)) return
    if (fieldTypes[field.type].isOwn) return
    if (Array.isArray(held)) void clearSeveral(changes, row.item, field.id)
    else void setValue(changes, row.item, field.id, held, null)
  }
  function endEdit(by: 'Enter' | 'Tab' | 'Escape' | 'blur'): void {
    editing.value = undefined
    dropEarlyKeys()
    const { row, column } = at.value
    if (by === 'Enter') focus(row + (row < grid.lines() - 1 ? 1 : 0), column)
    else if (by === 'Tab') focus(row, column + 1)
    else if (by === 'Escape') focus(row, column)
  }

  const placeOf = (target: EventTarget | null): { row: number; column: number } | undefined => {
    const cell = (target as HTMLElement).closest<HTMLElement>('[role=gridcell]')
    return cell ? { row: Number(cell.dataset.row), column: Number(cell.dataset.column) } : undefined
  }
  function onFocus(event: FocusEvent): void {
    const place = placeOf(event.target)
    if (!place) return
    // The head of a group has one cell: the column stays as it was.
    const column = grid.headAt(place.row) ? at.value.column : place.column
    if (place.row !== at.value.row || column !== at.value.column) at.value = { row: place.row, column }
  }
  function onDoubleClick(event: MouseEvent): void {
    const place = placeOf(event.target)
    if (place && !editing.value) startEdit(place.row, place.column)
  }
  function onClick(event: MouseEvent): void {
    const place = placeOf(event.target)
    if (place && !editing.value && grid.select.press(event, place.row)) return
    const row = place && grid.rowAt(place.row)
    const on = (of: string) => (event.target as HTMLElement).closest(of)
    if (row && on('.turn') && 'isOpen' in row) grid.toggleFold(row.item.id)
    else if (row && on('.key')) grid.open(row.address)
  }

  /** A press with Shift selects rows, and no text. */
  function onMouseDown(event: MouseEvent): void {
    const place = event.shiftKey && !editing.value ? placeOf(event.target) : undefined
    if (!place) return grid.cells.clear()
    event.preventDefault()
    void grid.select.extend(at.value.row, place.row)
  }

  return { at, editing, activeItem, focus, onKey, endEdit, onFocus, onDoubleClick, onMouseDown, onClick }
}
