import { later } from '../../parts/later'

/** What floats beside a column: no part of the first page. */
export const ColumnMenu = later(() => import('../../set-up/ColumnMenu.vue'))
export const LimitEditor = later(() => import('./LimitEditor.vue'))
