import type { Item, ProjectId } from '../model/records'
import { askedQuery } from './contract'

/** All items of a project, archived ones among them: for working a file out against them. */
export const projectItems = askedQuery<{ readonly project: ProjectId }, Item[]>(({ state }, { project }) => [
  ...state.itemsOf(project),
])
