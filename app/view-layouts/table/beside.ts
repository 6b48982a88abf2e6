import { later } from '../../parts/later'

/** What opens at the head of a table: no part of the first page. */
export const HeadActs = later(() => import('./HeadActs.vue'))

/** How a field is worked out, in words. */
export const sayWorked = async () => (await import('../../parts/worked-text')).workedSaid
