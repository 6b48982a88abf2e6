/** What floats beside a phrase: no part of the first page. */
import { later } from '../parts/later'

export const PhraseEditor = later(() => import('./PhraseEditor.vue'))
export const KeepView = later(() => import('./KeepView.vue'))
export const ViewDialog = later(() => import('./ViewDialog.vue'))
