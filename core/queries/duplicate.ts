import type { NewItem } from '../items/add'
import type { FieldId, ItemId } from '../model/records'
import { askedQuery } from './contract'

/** Which item, whether with all that is inside it, and what is put after its title. */
export interface DuplicateInput {
  readonly item: string
  readonly withInside: boolean
  readonly again: string
}
/** What a duplicate is made of, with the words of its long texts. */
export interface DuplicateAnswer {
  readonly items: readonly NewItem[]
  readonly texts: readonly { readonly item: ItemId; readonly field: FieldId; readonly text: string }[]
}

/** What a duplicate of an item is made of; undefined where the item is gone. */
export const duplicate = askedQuery<DuplicateInput, DuplicateAnswer | undefined>(
  async ({ state, server }, { item: id, withInside, again }) => {
    const item = state.maybe('item', id)
    if (!item) return undefined
    const [{ v7 }, { duplicateOf }] = await Promise.all([import('uuid'), import('../entry/duplicate')])
    const { items, texts } = duplicateOf(state, item, withInside, (title) => `${title}${again}`, v7)
    const read = texts.map(async ({ item, of, field }) => ({ item, field, text: (await server?.longText(of, field))?.text ?? '' })) // prettier-ignore
    return { items, texts: (await Promise.all(read)).filter(({ text }) => text) }
  },
)
