import { later } from './later'

/** What is filled in besides a title: most lines ask for nothing. */
export const FieldInput = later(() => import('./FieldInput.vue'))
