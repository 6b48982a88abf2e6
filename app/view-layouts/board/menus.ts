/** What floats beside a column or a card: no part of the first page. */
import { later } from '../../parts/later'

export const LimitEditor = later(() => import('./LimitEditor.vue'))
export const MoveMenu = later(() => import('./MoveMenu.vue'))
