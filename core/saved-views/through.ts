/**
 * What may be done to items through a view. A view that forbids is no lock: what is not sent through it, is not held to it.
 * It spares people what they have no business with there; what they may do at all, their role in the project says.
 */
import { isIn } from '../access/access'
import { factKey } from '../facts/registry'
import { entityOf, type Lookup } from '../model/entities'
import type { AutomaticFactName } from '../model/names'
import type { Allows, PersonId, View } from '../model/records'

/** What of an item people change, besides its fields. */
export const changedByHand = [
  'title',
  'status',
  'kind',
  'parent',
  'rank',
] as const satisfies readonly AutomaticFactName[]

/** Whether a view lets a fact of items be changed, by its key; without one: anything at all. */
export const allowsChange = (allows: Allows | null | undefined, key?: string): boolean =>
  !allows?.change ||
  (key === undefined ? allows.change.length > 0 : allows.change.some((fact) => factKey(fact) === key))

/** Whether a view forbids something. */
export const isHolding = ({ allows }: Pick<View, 'allows'>): boolean =>
  !!allows && !(allows.add && allows.remove && !allows.change)

/** Whether a person sees a view. */
export const seesView = (found: Lookup, person: PersonId, view: View): boolean =>
  !view.archived && isIn(found, person, entityOf('view').scope(view, found))
