/** What is asked about a project: no part of the first page. */
import { later } from '../parts/later'

export const DeleteProject = later(() => import('./DeleteProject.vue'))
export const KeepPattern = later(() => import('./KeepPattern.vue'))
export const NameProject = later(() => import('./NameProject.vue'))
export const NewProject = later(() => import('./NewProject.vue'))
