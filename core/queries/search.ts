import { itemKey, projectsInOrder } from '../model/reader'
import type { ProjectId } from '../model/records'
import { askedQuery } from './contract'

/** An item by its name. */
export interface FoundItem {
  readonly id: string
  readonly key: string
  readonly title: string
}
/** Where and for which words. */
export interface SearchInput {
  /** Undefined: in all projects. */
  readonly project: ProjectId | undefined
  readonly words: string
}

/** So many are found at most. */
const mostFound = 20

/** Items that are not archived, by words of their key or title; those of the first projects first. */
export const search = askedQuery<SearchInput, FoundItem[]>(({ state }, { project, words }) => {
  const parts = words.toLowerCase().split(/\s+/).filter(Boolean)
  const found: FoundItem[] = []
  const projects = project ? [project] : projectsInOrder(state).map((one) => one.id)
  for (const id of projects) {
    const table = state.table(id)
    for (let row = 0; row < table.n && found.length < mostFound; row++) {
      if (!table.listed[row]) continue
      const key = itemKey(state, { project: id, number: table.number.a[row]! })
      const title = table.title.a[row] ?? ''
      const text = `${key} ${title}`.toLowerCase()
      if (parts.every((part) => text.includes(part))) found.push({ id: table.ids[row]!, key, title })
    }
  }
  return found
})

/** Keys and titles of items, of those that are there. */
export const itemNames = askedQuery<{ readonly items: readonly string[] }, FoundItem[]>(({ state }, { items }) =>
  items.flatMap((id) => {
    const found = state.maybe('item', id)
    return found ? [{ id, key: itemKey(state, found), title: found.title }] : []
  }),
)
