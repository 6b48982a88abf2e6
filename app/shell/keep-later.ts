import { later } from '../parts/later'

/** Asked seldom: no part of the first page. */
export const KeepPattern = later(() => import('./KeepPattern.vue'))
