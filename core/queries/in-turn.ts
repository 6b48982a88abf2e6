import { InTurn } from '../queue/queue'
import { watchedQuery } from './contract'

/** In how many items it is the person's turn; counted item by item, so that a change costs what it touches. */
export const inTurn = watchedQuery<undefined, number>((context) => {
  const all = () => new InTurn(context.state, context.me)
  let mine = all()
  return {
    update(changed) {
      const before = mine.count
      if (changed.all) mine = all()
      else for (const id of changed.items) mine.look(id)
      return mine.count !== before
    },
    answer: () => mine.count,
  }
})
