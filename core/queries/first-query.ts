import type { WatchRequest } from './registry'

/** What a page at an address asks first, besides the directory; undefined where it asks nothing that can come with it. */
export function firstQueryAt(path: string): WatchRequest | undefined {
  if (path === '/app') return { query: 'queue', input: undefined }
  const view = /^\/app\/[^/]+\/([\da-f-]{36})$/.exec(path)?.[1]
  return view ? { query: 'view', input: { view } } : undefined
}
