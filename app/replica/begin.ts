/**
 * The first script of a signed-in page, a few kilobytes: starts the worker, which opens the workspace while the page's
 * own script is still on its way, and asks it what this page is going to show.
 */
import { wrap } from 'comlink'
import type { ViewDefinition } from '#core/model/records'
import type { Api } from './api'
import { askEarly } from './asked'
import type { ReplicaApi } from './client'

export interface Begun {
  readonly me: string
  /** The server's build. */
  readonly build: string
  readonly api: ReplicaApi
  /** What this browser kept of views that were changed and not kept, as far as it can still be read. */
  readonly drafts: Promise<Record<string, ViewDefinition>>
}

/** Where a person's drafts of views are kept in this browser. */
export const draftsKey = (me: string): string => `wrenleaf-drafts-${me}`

/** None: nobody is signed in here, or this is no page for the signed-in. */
export const begun: Begun | undefined = import.meta.client ? begin() : undefined

/** The page itself says who is signed in (server/plugins/app-shell.ts). */
function begin(): Begun | undefined {
  const said = document.getElementById('who')?.textContent
  const who = said ? (JSON.parse(said) as { me: string; build: string } | null) : null
  if (!who) return undefined
  const worker = startWorker(`wrenleaf|${who.build}|${who.me}`)
  const api = wrap<Api>('port' in worker ? worker.port : worker)
  const kept = localStorage.getItem(draftsKey(who.me))
  const drafts = kept ? api.definitions(kept) : Promise.resolve({})
  const view = /^\/app\/[^/]+\/([\da-f-]{36})$/.exec(location.pathname)?.[1]
  if (view) askEarly(api, { ask: 'view', view })
  else if (location.pathname === '/app') askEarly(api, { ask: 'queue' })
  // Last, so that a page that is made when this is answered has its rows already.
  askEarly(api, { ask: 'directory' })
  return { ...who, api, drafts }
}

/** One for all tabs of a browser, where it has shared workers. */
function startWorker(name: string): SharedWorker | Worker {
  const worker =
    typeof SharedWorker === 'function'
      ? new SharedWorker(new URL('./worker.ts', import.meta.url), { type: 'module', name })
      : new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name })
  worker.addEventListener('error', () => console.error('the worker could not be started'))
  return worker
}
