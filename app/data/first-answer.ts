import type { Ref } from 'vue'
import { useNuxtApp, useRequestFetch, useState } from 'nuxt/app'

/** What the server answers at an address, along with the page; null where it refuses. Who comes from elsewhere asks anew. */
export async function firstAnswer<T>(path: string): Promise<Ref<T | null>> {
  const answer = useState<T | null>(path, () => null)
  const fetched = useRequestFetch()
  if (import.meta.server || !useNuxtApp().isHydrating)
    answer.value = (await fetched(path).catch(() => null)) as T | null
  return answer
}
