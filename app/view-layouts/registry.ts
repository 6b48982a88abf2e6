/** How each layout is drawn. */
import type { Component } from 'vue'
import type { LayoutName } from '#core/model/names'
import { later } from '../parts/later'
import TableLayout from './table/TableLayout.vue'

/** The table comes with every page, the others along with a page that begins with one, or once the page stands. */
export const layoutParts: Readonly<Record<LayoutName, Component>> = {
  table: TableLayout,
  outline: TableLayout,
  board: later(() => import('./board/BoardLayout.vue')),
}
