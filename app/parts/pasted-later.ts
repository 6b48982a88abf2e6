import { later } from './later'

/** What is seen before a long paste is added: seldom. */
export const PastedPreview = later(() => import('./PastedPreview.vue'))
