import { later } from '../parts/later'

/** The dialog in which a field is made, where it is no part of the first page. */
export const NewField = later(() => import('./NewField.vue'))
