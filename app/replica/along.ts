import { useRequestEvent } from 'nuxt/app'
import type { Along } from '#core/questions/along'

let read: Along | null | undefined

/** What came along with this page: on the server it is drawn from it, and in the browser it begins with the same. */
export function along(): Along | undefined {
  if (import.meta.server) return useRequestEvent()?.context.along as Along | undefined
  read ??= JSON.parse(document.getElementById('along')?.textContent || 'null') as Along | null
  return read ?? undefined
}
