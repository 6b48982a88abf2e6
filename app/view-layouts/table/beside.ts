import { soon } from '../../fetched'
import { later } from '../../parts/later'

/** What opens at the head of a table: no part of the first page. */
export const HeadActs = later(() => import('./HeadActs.vue'))

/** Moving items of an outline: by pointer, and step by step. */
export const outlineDrag = soon(() => import('./outline-drag'))
export const nesting = soon(() => import('./nesting'))

/** What a group asks of an item that is typed in it. */
export const groups = soon(() => import('#core/entry/in-group'))

/** Cells to a spreadsheet and from one. */
export const ranges = soon(() => import('./range'))

/** How a field is worked out, in words. */
export const sayWorked = async () => (await import('../../parts/worked-text')).workedSaid
