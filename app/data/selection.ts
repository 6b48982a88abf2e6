import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import type { ItemId } from '#core/model/records'

const none: ReadonlySet<ItemId> = new Set()

/** The items that are selected in the view one looks at, in the order in which they came in. */
export const useSelection = defineStore('selection', () => {
  const ids = shallowRef(none)
  const count = computed(() => ids.value.size)
  const has = (id: string): boolean => ids.value.has(id as ItemId)
  const choose = (all: Iterable<string>): void => void (ids.value = new Set(all as Iterable<ItemId>))
  const clear = (): void => {
    if (ids.value.size) ids.value = none
  }
  function toggle(id: string): void {
    const next = new Set(ids.value)
    if (!next.delete(id as ItemId)) next.add(id as ItemId)
    ids.value = next
  }
  return { ids, count, has, choose, toggle, clear }
})
