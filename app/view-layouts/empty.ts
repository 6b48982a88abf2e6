/** What a view shows that holds nothing: most hold something. */
import { later } from '../parts/later'

export const EmptyView = later(() => import('./EmptyView.vue'))
