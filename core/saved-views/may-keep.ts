import { may } from '../access/access'
import type { Actor } from '../change/actor'
import type { Lookup } from '../model/entities'
import type { View } from '../model/records'

/** Whether someone may change a view: one's own, or one for others where keeping those is allowed. */
export const mayKeep = (found: Lookup, by: Actor, view: Pick<View, 'audience' | 'maker' | 'project'>): boolean =>
  view.audience.of === 'maker'
    ? view.maker === by.person && may(found, by, 'keep own views', view.project)
    : may(found, by, 'keep views for everyone', view.project)
