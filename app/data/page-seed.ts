import { useNuxtApp, useRequestEvent } from 'nuxt/app'
import type { PageSeed } from '#core/queries/page-seed'

/** What came along with this page, as its HTML holds it. */
export function seedInHtml(): PageSeed | undefined {
  const text = document.getElementById('seed')?.textContent
  return (JSON.parse(text || 'null') as PageSeed | null) ?? undefined
}

/** The same where a page is drawn from it: on the server, and once more in the browser, which begins with the same. */
export function pageSeed(): PageSeed | undefined {
  if (import.meta.server) return useRequestEvent()?.context.seed as PageSeed | undefined
  return useNuxtApp().isHydrating ? (read ??= seedInHtml()) : undefined
}
let read: PageSeed | undefined
