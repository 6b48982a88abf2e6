/** The worker that the page's HTML started (`start.ts`), asked at once what this page is going to show. */
import { wrap } from 'comlink'
import type { ViewDefinition } from '#core/model/records'
import { questionAt } from '#core/questions/at'
import type { Answers, Question } from '#core/questions/questions'
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
  /** Whether this page's view is among them: it cannot be shown before they have been read. */
  readonly isDraftHere: boolean
}

/** Where a person's drafts of views are kept in this browser. */
export const draftsKey = (me: string): string => `wrenleaf-drafts-${me}`

/** None: nobody is signed in here, or this is no page for the signed-in. */
export const begun: Begun | undefined = import.meta.client && window.started ? begin(window.started) : undefined

function begin({ me, build, worker }: Started): Begun {
  const api = wrap<Api>('port' in worker ? worker.port : worker)
  const kept = localStorage.getItem(draftsKey(me))
  const drafts = kept ? api.definitions(kept) : Promise.resolve({})
  const question = questionAt(location.pathname)
  if (question) askEarly(api, question, cameAlong(question))
  // Last, so that a page that is made when this is answered has its rows already.
  askEarly(api, { ask: 'directory' }, cameAlong({ ask: 'directory' }))
  const isDraftHere = question?.ask === 'view' && !!kept?.includes(question.view)
  return { me, build, api, drafts, isDraftHere }
}

/** What the server answered to a question with the page itself (server/plugins/app-shell.ts). */
function cameAlong(question: Question): Answers[Question['ask']] {
  const text = document.getElementById('answers')?.textContent
  const answers = JSON.parse(text || '[]') as [Question, Answers[Question['ask']]][]
  return answers.find(([asked]) => JSON.stringify(asked) === JSON.stringify(question))?.[1]
}
