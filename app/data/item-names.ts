import { defineStore } from 'pinia'
import { shallowReactive, watch } from 'vue'
import type { FoundItem } from '#core/queries/found'
import { openQuery, type OpenQuery } from './open-query'
import { useSession } from './session'

/** So many names are kept right; those that were asked for first go. */
const mostKept = 2000

/** Items by their names: a page holds no items, and asks for those that it speaks of. */
export const useItemNames = defineStore('itemNames', () => {
  const session = useSession()
  const known = shallowReactive(new Map<string, FoundItem>())
  const wanted = new Set<string>()
  let open: OpenQuery | undefined
  let isDue = false

  /** Undefined until it is answered, and where there is no such item. */
  function nameOf(id: string): FoundItem | undefined {
    const name = known.get(id)
    if (!wanted.has(id)) want(id)
    return name
  }
  function want(id: string): void {
    wanted.add(id)
    const [first] = wanted
    if (wanted.size > mostKept && first !== undefined) {
      wanted.delete(first)
      known.delete(first)
    }
    if (isDue || import.meta.server) return
    isDue = true
    // All that a page shows at once is asked for at once.
    setTimeout(follow)
  }
  function follow(): void {
    isDue = false
    open?.leave()
    open = session.api && openQuery(session.api, { query: 'itemNames', input: { items: [...wanted] } })
    open?.hear((answer) => take(answer as readonly FoundItem[]))
  }
  function take(names: readonly FoundItem[]): void {
    const there = new Set(names.map(({ id }) => id))
    for (const id of [...known.keys()]) if (!there.has(id)) known.delete(id)
    for (const one of names) {
      const before = known.get(one.id)
      if (before?.key !== one.key || before.title !== one.title) known.set(one.id, one)
    }
  }
  if (!import.meta.server) watch(() => session.api, () => wanted.size && follow()) // prettier-ignore
  return { nameOf }
})
