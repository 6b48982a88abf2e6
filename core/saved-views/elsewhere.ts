import { personOf, type Actor } from '../change/actor'
import { compareRanked } from '../base/ranked'
import type { Reader } from '../model/reader'
import type { Audience, PersonId, View } from '../model/records'
import { isHolding, seesView } from './through'

/** What is asked of a view, as it is or as it would be saved. */
type Narrowing = Pick<View, 'id' | 'project' | 'maker' | 'audience'>

/** The views in which those who see a view can do what it forbids, and see what it leaves out; none that the asker doesn't see. */
export interface Elsewhere {
  readonly doing: readonly View[]
  readonly seeing: readonly View[]
}
/** Where else the same people can do and see it: what is forbidden in one view is so nowhere else. */
export function elsewhere(reader: Reader, by: Actor, of: Narrowing): Elsewhere {
  const people = peopleOf(of.audience, of.maker)
  const others = [...reader.all('view')]
    .filter((view) => view.id !== of.id && view.project === of.project && seesView(reader, personOf(by), view))
    .filter((view) =>
      people ? people.every((person) => seesView(reader, person, view)) : view.audience.of === 'project',
    ) // prettier-ignore
    .sort(compareRanked)
  return {
    doing: others.filter((view) => !isHolding(view)),
    seeing: others.filter((view) => !view.definition.where.length),
  }
}
/** Undefined: all who see the project. */
const peopleOf = (audience: Audience, maker: PersonId): readonly PersonId[] | undefined =>
  audience.of === 'project' ? undefined : audience.of === 'people' ? [maker, ...audience.people] : [maker]
