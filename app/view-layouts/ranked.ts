import type { ViewDefinition } from '#core/model/records'

/** Whether items stand in the team's order: where another one hides it, none can be put between two. */
export const isRanked = ({ sort }: Pick<ViewDefinition, 'sort'>): boolean =>
  !sort.length || (sort[0]?.by.fact === 'rank' && !sort[0].down)
