import type { PersonId } from '../base/ids'
import { isSameValue } from '../base/sorted-ids'
import { TurnCounts } from '../queue/queue'
import { watchedQuery, type QueryContext } from './contract'

/** Turns counted item by item, so that a change costs what it touches. */
function counted<Answer>(
  { state }: QueryContext,
  people: () => readonly PersonId[],
  read: (counts: TurnCounts) => Answer,
  isSame: (one: Answer, other: Answer) => boolean,
) {
  const all = () => new TurnCounts(state, people())
  let counts = all()
  let last = read(counts)
  return {
    update(changed: { readonly all: boolean; readonly items: Iterable<string> }) {
      if (changed.all) counts = all()
      else for (const id of changed.items) counts.look(id)
      const next = read(counts)
      if (isSame(last, next)) return false
      last = next
      return true
    },
    answer: () => last,
  }
}

/** In how many items it is the person's turn. */
export const inTurn = watchedQuery<undefined, number>((context) =>
  counted(
    context,
    () => [context.me],
    (counts) => counts.of(context.me),
    Object.is,
  ),
)

/** By person, in how many items it is their turn. */
export interface TurnsAnswer {
  readonly turns: Readonly<Record<string, number>>
}
/** In how many items it is whose turn, of everybody in the workspace. */
export const turns = watchedQuery<undefined, TurnsAnswer>((context) => {
  const people = () => [...context.state.all('person')].map(({ id }) => id)
  const read = (counts: TurnCounts) => ({ turns: Object.fromEntries(people().map((id) => [id, counts.of(id)])) })
  return counted(context, people, read, isSameValue)
})
