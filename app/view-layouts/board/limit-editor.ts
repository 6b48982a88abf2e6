import { later } from '../../parts/later'

/** Floats beside a column: no part of the first page. */
export const LimitEditor = later(() => import('./LimitEditor.vue'))
