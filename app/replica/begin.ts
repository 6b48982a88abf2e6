/** The worker that the page's HTML started (`start.ts`), asked at once what this page is going to show. */
import { wrap } from 'comlink'
import type { ViewDefinition } from '#core/model/records'
import { answerIn } from '#core/questions/page-seed'
import { questionAt } from '#core/questions/at'
import { seedInHtml } from './page-seed'
import type { Api } from './api'
import { askEarly } from './asked'
import type { ReplicaApi } from './client'
import type { Started } from './start'

interface Begun {
  readonly me: string
  readonly build: string
  readonly api: ReplicaApi
  /** What this browser kept of views that were changed and not kept, as far as it can still be read. */
  readonly drafts: Promise<Record<string, ViewDefinition>>
}

/** Where a person's drafts of views are kept in this browser. */
export const draftsKey = (me: string): string => `wrenleaf-drafts-${me}`

/** None: nobody is signed in here, or this is no page for the signed-in. */
export const begun: Begun | undefined = import.meta.client && window.started ? begin(window.started) : undefined

function begin({ me, build, worker }: Started): Begun {
  const api = wrap<Api>('port' in worker ? worker.port : worker)
  const kept = localStorage.getItem(draftsKey(me))
  const drafts = kept ? api.definitions(kept) : Promise.resolve({})
  const seed = seedInHtml()
  const question = questionAt(location.pathname)
  if (question) askEarly(api, question, answerIn(seed, question))
  // Last, so that a page that is made when this is answered has its rows already.
  askEarly(api, { ask: 'directory' }, answerIn(seed, { ask: 'directory' }))
  return { me, build, api, drafts }
}
