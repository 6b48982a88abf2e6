/** How each layout is drawn. */
import type { Component } from 'vue'
import type { LayoutName } from '#core/model/names'
import BoardLayout from './board/BoardLayout.vue'
import TableLayout from './table/TableLayout.vue'

export const layoutParts: Readonly<Record<LayoutName, Component>> = { table: TableLayout, board: BoardLayout }
