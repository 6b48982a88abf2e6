/** What hears of a drag: once it has begun, and when it ends. */
interface DragListener {
  move(x: number, y: number): void
  end(isKept: boolean): void
}
/** So far a pointer moves, in px, before it drags: until then it may be a press. */
const slack = 4

/** Follows a pointer that has come down on something, until it is let go of or Escape is pressed. A press is none. */
export function followDrag(down: PointerEvent, listener: DragListener): void {
  if (down.button !== 0) return
  let hasBegun = false
  function move({ clientX, clientY }: PointerEvent): void {
    hasBegun ||= Math.hypot(clientX - down.clientX, clientY - down.clientY) >= slack
    if (hasBegun) listener.move(clientX, clientY)
  }
  function end(isKept: boolean): void {
    window.removeEventListener('pointermove', move)
    window.removeEventListener('pointerup', drop)
    window.removeEventListener('pointercancel', cancel)
    window.removeEventListener('keydown', onKey, { capture: true })
    if (!hasBegun) return
    // Where it is let go of over what it came from, that is no press.
    window.addEventListener('click', swallow, { capture: true, once: true })
    setTimeout(() => window.removeEventListener('click', swallow, { capture: true }))
    listener.end(isKept)
  }
  const drop = () => end(true)
  const cancel = () => end(false)
  function onKey(event: KeyboardEvent): void {
    if (event.key !== 'Escape') return
    swallow(event)
    end(false)
  }
  window.addEventListener('pointermove', move)
  window.addEventListener('pointerup', drop)
  window.addEventListener('pointercancel', cancel)
  window.addEventListener('keydown', onKey, { capture: true })
}
function swallow(event: Event): void {
  event.preventDefault()
  event.stopPropagation()
}

/** One of a row that is dragged to another place among its fellows. */
export interface RowDrag {
  readonly id: string
  /** Before which it would come; as many as there are: at the end. */
  readonly to: number
}
interface Dragged<R> {
  readonly rows: readonly R[]
  readonly row: R
  /** They stand beside one another, not below. */
  readonly isAcross?: boolean
  /** The rows as they are drawn, in their order. */
  lines(): readonly HTMLElement[]
  show(drag: RowDrag | undefined): void
  /** Before another; null: at the end. */
  order(row: R, before: R | null): void
}

/** Follows a pointer that drags one of several to another place among them. */
export function followRowDrag<R extends { readonly id: string }>(down: PointerEvent, dragged: Dragged<R>): void {
  const { rows, row, isAcross } = dragged
  const from = rows.indexOf(row)
  let to = from
  followDrag(down, {
    move(x, y) {
      const lines = dragged.lines()
      const at = lines.findIndex((line) => {
        const box = line.getBoundingClientRect()
        return isAcross ? x < box.left + box.width / 2 : y < box.top + box.height / 2
      })
      to = at < 0 ? lines.length : at
      dragged.show({ id: row.id, to })
    },
    end(isKept) {
      dragged.show(undefined)
      if (isKept && to !== from && to !== from + 1) dragged.order(row, rows[to] ?? null)
    },
  })
}
