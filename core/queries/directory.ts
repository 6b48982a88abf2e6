import type { PlainDate } from '../base/dates'
import type { PersonId } from '../base/ids'
import { directoryEntities, type DirectoryRecords } from '../wire/directory'
import { recomputed, watchedQuery, type QueryContext } from './contract'

/** All that is no item, as far as the person sees it. */
export interface DirectoryAnswer {
  readonly records: DirectoryRecords
  readonly me: PersonId
  readonly today: PlainDate
}

/** All that is no item, as far as it is held. */
export const directory = watchedQuery<undefined, DirectoryAnswer>((context) =>
  recomputed(
    (changed) => changed.all,
    () => answer(context),
  ),
)

function answer({ state, me, today }: QueryContext): DirectoryAnswer {
  const records = Object.fromEntries(directoryEntities.map((entity) => [entity, [...state.all(entity)]]))
  return { records: records as unknown as DirectoryRecords, me, today: today() }
}
