import type { Row } from '#core/layouts/rows'
import { useAsk } from '../data/use-ask'
import { itemWords } from '../item/words'
import { useAddMany } from './add-many'

/** Makes an item again, alone or with all that is inside it. */
export function useDuplicate() {
  const ask = useAsk()
  const addMany = useAddMany()
  return async ({ item, key }: Row, withInside: boolean): Promise<void> => {
    const made = await ask('duplicate', { item: item.id, withInside, again: itemWords.again })
    if (made) await addMany({ project: item.project, ...made, name: itemWords.duplicating(key) })
  }
}
