/** What floats beside a phrase: no part of the first page. */
import { soon } from '../fetched'
import { later } from '../parts/later'

export const PhraseEditor = later(() => import('./PhraseEditor.vue'))
export const KeepView = later(() => import('./KeepView.vue'))
export const ViewDialog = later(() => import('./ViewDialog.vue'))
/** What a view forbids, said to whoever works in it. */
export const HeldHere = later(() => import('./HeldHere.vue'))
export const TryAs = later(() => import('./TryAs.vue'))
/** Who somebody is while trying a view as someone else. */
export const TriedAs = later(() => import('./TriedAs.vue'))
/** What keeps a change of a view in its address. */
export const addresses = soon(() => import('./change-in-address'))
