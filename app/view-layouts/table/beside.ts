import { soon } from '../../fetched'
import { later } from '../../parts/later'

/** What opens at the heads of a table's columns and groups, and what finds words in it: no part of the first page. */
export const HeadActs = later(() => import('./HeadActs.vue'))
export const GroupActs = later(() => import('./GroupActs.vue'))
export const FindInView = later(() => import('./FindInView.vue'))

/** Moving lines: by pointer, and step by step. */
export const drags = soon(async () => ({
  ...(await import('./line-drag')),
  ...(await import('./outline-aim')),
  ...(await import('./group-moves')),
}))
export const nesting = soon(() => import('./nesting'))

/** What a group asks of an item that is typed in it. */
export const groups = soon(() => import('#core/entry/in-group'))

/** Cells to a spreadsheet and from one. */
export const ranges = soon(() => import('./range'))

/** How a field is worked out, in words. */
export const sayWorked = async () => (await import('../../parts/worked-text')).workedSaid
