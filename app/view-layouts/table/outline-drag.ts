import type { OutlineRow } from '#core/layouts/rows'
import type { OfMany } from '#core/queries/refusals'
import { followDrag } from '../../parts/row-drag'
import { levelWidth } from './columns'
import { dropAt, type Drop } from './outline-drop'

/** An outline in which something is dragged. */
export interface Dragging {
  lines(): number
  rowAt(index: number): OutlineRow | undefined
  rowHeight(): number
  /** Where a title begins that stands at the top, in px from the left of the rows. */
  titleAt(): number
  scroller(): HTMLElement | undefined
  rows(): HTMLElement | undefined
  isSorted(): boolean
  /** What goes along with a line: all that is selected, where it is. */
  moving(line: number): readonly OutlineRow[]
  send(bare: OfMany): void
  /** Where it would stand now; undefined: it is let go of. */
  show(drop: Drop | undefined): void
}

/** So near an edge the list scrolls along, in px, and so far each frame. */
const [edge, step] = [36, 9]

/** Follows a pointer that drags items of an outline to another place: where they would stand, and how deep, is shown before they are let go of. */
export function followOutlineDrag(grid: Dragging, down: PointerEvent, line: number): void {
  if (down.pointerType === 'touch' || !grid.rowAt(line)) return
  let drop: Drop | undefined
  const show = (now: Drop | undefined): void => grid.show((drop = now))
  let pointer: [number, number] = [down.clientX, down.clientY]
  let frame = 0
  const look = (): void => {
    const box = grid.rows()?.getBoundingClientRect()
    if (!box) return
    const gap = Math.max(0, Math.min(grid.lines(), Math.round((pointer[1] - box.top) / grid.rowHeight())))
    const wanted = Math.round((pointer[0] - box.left - grid.titleAt()) / levelWidth)
    show(dropAt(grid.rowAt, gap, wanted, grid.isSorted()))
  }
  const scroll = (): void => {
    const list = grid.scroller()
    const box = list?.getBoundingClientRect()
    if (!list || !box) return
    const way = pointer[1] > box.bottom - edge ? step : pointer[1] < box.top + 2 * edge ? -step : 0
    if (way) list.scrollTop += way
    look()
    frame = requestAnimationFrame(scroll)
  }
  followDrag(down, {
    move(x, y) {
      pointer = [x, y]
      // What is dragged over is no text to be marked.
      window.getSelection()?.removeAllRanges()
      look()
      if (!frame) frame = requestAnimationFrame(scroll)
    },
    end(isKept) {
      cancelAnimationFrame(frame)
      const to = drop
      show(undefined)
      if (isKept && to) put(grid, grid.moving(line), to)
    },
  })
}

function put(grid: Dragging, rows: readonly OutlineRow[], { parent, place }: Drop): void {
  const ids = new Set<string>(rows.map(({ item }) => item.id))
  // What is inside another that moves goes along with it; nothing stands beside itself.
  const items = rows.filter(({ item }) => !item.parent || !ids.has(item.parent)).map(({ item }) => item.id)
  const beside = place && ('before' in place ? place.before : place.after)
  const isSame = rows.length === 1 && beside === rows[0]?.item.id
  if (!items.length || isSame || (parent && ids.has(parent.item.id))) return
  grid.send({
    type: 'items.nest',
    items,
    parent: parent?.item.id ?? null,
    ...(place && !ids.has(beside!) && { place }),
  } as OfMany)
}
