/** What floats beside a phrase: no part of the first page. */
import { soon } from '../fetched'
import { later } from '../parts/later'

export const PhraseEditor = later(() => import('./PhraseEditor.vue'))
export const KeepView = later(() => import('./KeepView.vue'))
export const ViewDialog = later(() => import('./ViewDialog.vue'))
/** What keeps a change of a view in its address. */
export const addresses = soon(() => import('./change-in-address'))
