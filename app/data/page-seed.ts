import { useNuxtApp, useRequestEvent } from 'nuxt/app'
import type { PageSeed } from '#core/queries/page-seed'

let read: PageSeed | undefined
/** What came along with this page, as its HTML holds it: always the same objects. */
export function seedInHtml(): PageSeed | undefined {
  return (read ??= (JSON.parse(document.getElementById('seed')?.textContent || 'null') as PageSeed | null) ?? undefined)
}

/** The same where a page is drawn from it: on the server, and once more in the browser, which begins with the same. */
export function pageSeed(): PageSeed | undefined {
  if (import.meta.server) return useRequestEvent()?.context.seed as PageSeed | undefined
  return useNuxtApp().isHydrating ? seedInHtml() : undefined
}
