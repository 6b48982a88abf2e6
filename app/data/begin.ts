/** The worker that the page's HTML started (`worker/start.ts`), asked at once what this page is going to show. */
import { wrap } from 'comlink'
import type { Draft } from '#core/queries/drafts'
import { answerIn } from '#core/queries/page-seed'
import { firstQueryAt } from '#core/queries/first-query'
import type { Api } from '../worker/api'
import type { Started } from '../worker/start'
import type { ReplicaApi } from './client'
import { openEarly } from './open-query'
import { seedInHtml } from './page-seed'
import { whenLive } from './stands'
import { firstToAnswer, lateEndpoint } from './worker-line'

interface Begun {
  readonly me: string
  readonly build: string
  readonly api: ReplicaApi
  /** What this browser kept of views that were changed and not saved, as far as it can still be read. */
  readonly drafts: Promise<Record<string, Draft>>
}

/** Where a person's drafts of views are kept in this browser. */
export const draftsKey = (me: string): string => `wrenleaf-drafts-${me}`

/** None: nobody is signed in here, or this is no page for the signed-in. */
export const begun: Begun | undefined = import.meta.client && window.started ? begin(window.started) : undefined

function begin({ me, build, isDrawn, worker }: Started): Begun {
  const { endpoint, isThere } = lateEndpoint()
  const start = () => firstToAnswer(worker, isThere)
  if (isDrawn) whenLive(start)
  else start()
  const api = wrap<Api>(endpoint)
  const kept = localStorage.getItem(draftsKey(me))
  const seed = seedInHtml()
  const request = firstQueryAt(location.pathname)
  if (request) openEarly(api, request, answerIn(seed, request.query, request.input))
  // Last, so that a page that is made when this is answered has its rows already.
  openEarly(api, { query: 'directory', input: undefined }, answerIn(seed, 'directory', undefined))
  return { me, build, api, drafts: kept ? draftsIn(api, kept) : Promise.resolve({}) }
}

async function draftsIn(api: ReplicaApi, kept: string): Promise<Record<string, Draft>> {
  const read = await api.ask('drafts', { kept }, '')
  return read.ok ? (read.value as Record<string, Draft>) : {}
}
