import { later } from '../../parts/later'

/** What opens at the head of a table: no part of the first page. */
export const HeadActs = later(() => import('./HeadActs.vue'))
