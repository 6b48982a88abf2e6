/** What is said of the selection below a view: no part of the first page. */
import { later } from '../../parts/later'

export const SelectionBar = later(() => import('./SelectionBar.vue'))
