import type { InjectionKey, Ref } from 'vue'
import type { Drop } from '#core/board/columns'
import type { Row } from '#core/layouts/rows'
import type { Marked } from '../../parts/signal-marks'
import type { Pointer } from './pointer'
import type { ShownColumn } from './use-columns'

/** A card that has been picked up, and where it would be put down. */
export interface Lift {
  readonly row: Row
  readonly by: 'pointer' | 'keyboard'
  readonly column: string
  /** Its place among the cards of the column, without itself. */
  readonly index: number
  readonly x: number
  readonly y: number
  readonly width: number
}

export interface BoardContext {
  readonly scroller: Ref<HTMLElement | undefined>
  readonly lift: Ref<Lift | undefined>
  readonly pointer: Pointer
  readonly mayMove: Ref<boolean>
  readonly mayAdd: Ref<boolean>
  /** Field ids that a card shows. */
  show(): readonly string[]
  /** What marks a card. */
  marks(row: Row): Marked | undefined
  look(column: string, from: number, to: number): void
  cardKey(event: KeyboardEvent, row: Row): void
  /** A press on a card: it is opened, or selected. */
  press(event: MouseEvent, row: Row): void
  isChosen(row: Row): boolean
  menu(row: Row, at: HTMLElement, point?: [x: number, y: number]): void
  dropOn(row: Row, column: ShownColumn): Drop
}
export const boardKey: InjectionKey<BoardContext> = Symbol('board')
