import type { GroupHead, ListLine, Row } from '#core/layouts/rows'
import { followDrag } from '../../parts/row-drag'

/** Where what is dragged would go, were it let go of now: shown between two lines, said in words, and done by `put`. */
export interface Aim {
  readonly gap: number
  /** How far the line begins from the left, in px. */
  readonly left: number
  readonly words: string
  put(): void
}

/** A table in which lines are dragged. */
export interface Dragging {
  lines(): number
  lineAt(index: number): ListLine | undefined
  rowHeight(): number
  scroller(): HTMLElement | undefined
  rows(): HTMLElement | undefined
  /** What dragging a line would do with the pointer there: the line it is on, the gap it is nearest to, and how far from the left. */
  aimOf(line: number): Aimed | undefined
  /** Undefined: it is let go of. */
  show(aim: Aim | undefined): void
}
/** Undefined: nothing would be done there. */
export type Aimed = (on: number, gap: number, x: number) => Aim | undefined

/** An item that is dragged, and the group whose line of it that is. */
export interface Moving {
  readonly row: Row
  readonly head: GroupHead | undefined
}

/** The head of the group that a line is in, as far up as lines are here; a head is its own. */
export function headOf(lineAt: Dragging['lineAt'], line: number): GroupHead | undefined {
  for (let at = line; at >= 0; at--) {
    const found = lineAt(at)
    if (!found) return undefined
    if ('head' in found) return found
  }
  return undefined
}

/** So near an edge the list scrolls along, in px, and so far each frame. */
const [edge, step] = [36, 9]

/** Follows a pointer that drags a line: what would become of it is shown before it is let go of. */
export function followLineDrag(grid: Dragging, down: PointerEvent, line: number): void {
  const aimed = down.pointerType === 'touch' || !grid.lineAt(line) ? undefined : grid.aimOf(line)
  if (!aimed) return
  let aim: Aim | undefined
  const show = (now: Aim | undefined): void => grid.show((aim = now))
  let pointer: [number, number] = [down.clientX, down.clientY]
  let frame = 0
  const look = (): void => {
    const box = grid.rows()?.getBoundingClientRect()
    if (!box) return
    const at = (pointer[1] - box.top) / grid.rowHeight()
    const within = (n: number, most: number) => Math.max(0, Math.min(most, n))
    show(aimed(within(Math.floor(at), grid.lines() - 1), within(Math.round(at), grid.lines()), pointer[0] - box.left))
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
      const to = aim
      show(undefined)
      if (isKept) to?.put()
    },
  })
}
