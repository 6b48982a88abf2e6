import type { Row } from '#core/layouts/rows'

/** For which row a menu is open, and where: beside an element, or under the pointer. */
export interface MenuPlace<R extends Row = Row> {
  readonly row: R
  readonly at: HTMLElement
  readonly point?: [x: number, y: number] | undefined
}

/** Whether a key asks for the menu of what has the keyboard. */
export const asksForMenu = (event: KeyboardEvent): boolean =>
  event.key === 'ContextMenu' || (event.key === 'F10' && event.shiftKey)
