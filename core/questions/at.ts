import type { Question } from './questions'

/** What a page at an address asks first, besides the directory. */
export function questionAt(path: string): Question | undefined {
  if (path === '/app') return { ask: 'queue' }
  const view = /^\/app\/[^/]+\/([\da-f-]{36})$/.exec(path)?.[1]
  return view ? { ask: 'view', view } : undefined
}
