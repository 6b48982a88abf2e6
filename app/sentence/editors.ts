/** What floats beside a phrase: no part of the first page. */
import { later } from '../parts/later'

export const PhraseEditor = later(() => import('./PhraseEditor.vue'))
export const SaveAsOwn = later(() => import('./SaveAsOwn.vue'))
