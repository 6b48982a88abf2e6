import { later } from '../parts/later'

/** An item as a whole: no page begins with it but its own. */
export const ItemPanel = later(() => import('./ItemPanel.vue'))
