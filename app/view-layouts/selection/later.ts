/** What opens from the selection: no part of the first page. */
import { later } from '../../parts/later'

export const ChangeMany = later(() => import('./ChangeMany.vue'))
export const RefusedList = later(() => import('./RefusedList.vue'))
