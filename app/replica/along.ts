import { useNuxtApp, useRequestEvent } from 'nuxt/app'
import type { Along } from '#core/questions/along'

/** What came along with this page, as its HTML holds it. */
export function alongInHtml(): Along | undefined {
  const text = document.getElementById('along')?.textContent
  return (JSON.parse(text || 'null') as Along | null) ?? undefined
}

/** The same where a page is drawn from it: on the server, and once more in the browser, which begins with the same. */
export function along(): Along | undefined {
  if (import.meta.server) return useRequestEvent()?.context.along as Along | undefined
  return useNuxtApp().isHydrating ? (read ??= alongInHtml()) : undefined
}
let read: Along | undefined
