import type { Row } from '#core/layouts/rows'
import { useChanges } from '../data/changes'
import { useAsk } from '../data/use-ask'
import { itemWords } from '../item/words'

/** So many are added at once. */
const mostAtOnce = 1000

/** Makes an item again, alone or with all that is inside it. */
export function useDuplicate() {
  const ask = useAsk()
  const changes = useChanges()
  return async ({ item, key }: Row, withInside: boolean): Promise<void> => {
    const made = await ask('duplicate', { item: item.id, withInside, again: itemWords.again })
    if (!made) return
    const items = [...made.items]
    if (items.length > mostAtOnce) return changes.say(itemWords.tooManyInside(mostAtOnce))
    if (!made.texts.length) return void changes.send({ type: 'items.add', items })
    // With words beside them, as a file is brought in.
    const nothingElse = { people: [], kinds: [], fields: [], options: [] }
    const bare = { type: 'bring-in' as const, project: item.project, ...nothingElse, items, texts: [...made.texts] }
    const done = await changes.sendAndWait(bare, itemWords.duplicating(key))
    if (!done.ok) changes.say(await changes.wordsFor(done.problem))
  }
}
