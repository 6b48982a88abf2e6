import { openWorkOf, type OpenWork } from '../people/hand-over'
import { projectsInOrder } from '../model/reader'
import type { PersonId } from '../base/ids'
import { recomputed, watchedQuery } from './contract'

/** What somebody has to hand over before they leave, in the projects that whoever asks may see. */
export const openWork = watchedQuery<{ readonly person: PersonId }, OpenWork>(({ state }, { person }) =>
  recomputed(
    () => true,
    () => openWorkOf(state, person, projectsInOrder(state)),
  ),
)
