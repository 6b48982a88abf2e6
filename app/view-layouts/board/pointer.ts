import type { Row } from '#core/layouts/rows'
import { fetched } from '../../fetched'
import type { Draggable, DragDropManager } from '@dnd-kit/dom'

interface Over {
  readonly column: string
  readonly index: number
}
interface DragListener {
  start(row: Row, box: DOMRect): void
  move(x: number, y: number, over: Over | undefined): void
  end(isDropped: boolean): void
}
export interface Pointer {
  open(): void
  close(): void
  /** Makes a card's element draggable; the returned function ends that. */
  card(element: HTMLElement, row: () => Row): () => void
}

/** Picks cards up by mouse, pen or touch, and says over which place of which column they are. */
export function followPointer(listener: DragListener): Pointer {
  let isOpen = false
  let drag: { readonly manager: DragDropManager; readonly make: typeof Draggable } | undefined
  const waiting = new Map<HTMLElement, () => Row>()
  const made = new Map<HTMLElement, Draggable>()

  function make(element: HTMLElement, row: () => Row): void {
    if (drag) made.set(element, new drag.make({ id: row().item.id, element, data: { row } }, drag.manager))
  }

  /** The library comes after the board has been drawn: cards wait for it. */
  async function load(): Promise<void> {
    const dnd = await fetched(() => import('@dnd-kit/dom'))
    if (!isOpen) return
    const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce
    const manager = new dnd.DragDropManager({
      sensors: [
        dnd.PointerSensor.configure({
          activationConstraints: (event) =>
            event.pointerType === 'touch'
              ? [new dnd.PointerActivationConstraints.Delay({ value: 250, tolerance: 6 })]
              : [new dnd.PointerActivationConstraints.Distance({ value: 5 })],
        }),
      ],
      plugins: [
        dnd.AutoScroller,
        dnd.Cursor,
        dnd.PreventSelection,
        dnd.StyleInjector.configure(nonce ? { nonce } : {}),
      ],
    })
    drag = { manager, make: dnd.Draggable }
    let grip = { x: 0, y: 0 }
    manager.monitor.addEventListener('dragstart', ({ operation }) => {
      const { source, position } = operation
      if (!(source instanceof dnd.Draggable) || !source.element) return
      const box = source.element.getBoundingClientRect()
      grip = { x: position.initial.x - box.x, y: position.initial.y - box.y }
      listener.start((source.data as { row: () => Row }).row(), box)
    })
    manager.monitor.addEventListener('dragmove', (event) => {
      const at = event.to ?? event.operation.position.current
      listener.move(at.x - grip.x, at.y - grip.y, placeAt(at.x, at.y - grip.y, event.operation.source?.id))
    })
    manager.monitor.addEventListener('dragend', ({ canceled }) => listener.end(!canceled))
    for (const [element, row] of waiting) make(element, row)
  }

  return {
    open() {
      isOpen = true
      void load()
    },
    close() {
      isOpen = false
      drag?.manager.destroy()
      drag = undefined
      made.clear()
    },
    card(element, row) {
      waiting.set(element, row)
      make(element, row)
      return () => {
        waiting.delete(element)
        made.get(element)?.destroy()
        made.delete(element)
      }
    },
  }
}

/** The column under the pointer, and before which of its cards the top of the dragged one lies. */
function placeAt(x: number, y: number, dragged: unknown): Over | undefined {
  const columns = [...document.querySelectorAll<HTMLElement>('[data-board-column]')]
  const column = columns.find((one) => {
    const box = one.getBoundingClientRect()
    return x >= box.left && x < box.right
  })
  const id = column?.dataset.boardColumn
  if (!column || !id) return undefined
  const cards = [...column.querySelectorAll<HTMLElement>('[data-place]')].filter(
    (card) => card.dataset.item !== dragged,
  )
  cards.sort((a, b) => Number(a.dataset.place) - Number(b.dataset.place))
  const own = column.querySelector<HTMLElement>(`[data-item="${String(dragged)}"]`)
  const ownPlace = own ? Number(own.dataset.place) : Infinity
  const placeOf = (card: HTMLElement) => Number(card.dataset.place) - (Number(card.dataset.place) > ownPlace ? 1 : 0)
  for (const card of cards) {
    const box = card.getBoundingClientRect()
    if (y < box.top + box.height / 2) return { column: id, index: placeOf(card) }
  }
  const last = cards.at(-1)
  return { column: id, index: last ? placeOf(last) + 1 : 0 }
}
