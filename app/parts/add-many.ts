import type { NewItem } from '#core/items/add'
import type { FieldId, ItemId, ProjectId } from '#core/model/records'
import { useChanges } from '../data/changes'

/** So many are added as one; of more one is told how far it is, and may stop it. */
const mostAtOnce = 1000

interface Many {
  readonly project: ProjectId
  readonly items: readonly NewItem[]
  readonly texts?: readonly { readonly item: ItemId; readonly field: FieldId; readonly text: string }[]
  /** What undo would undo, where it is done as a file is brought in. */
  readonly name: string
}

/** Adds items: as ever, or, where there are very many of them or long texts go along, as a file is brought in. Whether it was done. */
export function useAddMany() {
  const changes = useChanges()
  return async ({ project, items, texts = [], name }: Many): Promise<boolean> => {
    if (items.length <= mostAtOnce && !texts.length) return changes.send({ type: 'items.add', items: [...items] })
    const nothingElse = { people: [], kinds: [], fields: [], options: [] }
    const sent = { type: 'bring-in' as const, project, ...nothingElse, items: [...items], texts: [...texts] }
    const done = await changes.sendAndWait(sent, name)
    if (!done.ok) changes.say(await changes.wordsFor(done.problem))
    return done.ok
  }
}
