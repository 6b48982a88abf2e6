import type { PageSeed } from '#core/queries/page-seed'

/**
 * The first thing a signed-in page does: its HTML holds this script (modules/app-shell.ts), which sets how the page looks
 * and starts the worker while the page's own script is still on its way. Where the page is drawn already, the worker waits
 * until it can be worked with (data/begin.ts): nothing may hold that up. It imports nothing but types, as it is in every page.
 */
export interface Started {
  readonly me: string
  /** The server's build. */
  readonly build: string
  /** The server has drawn the page. */
  readonly isDrawn: boolean
  /** A line to the worker, which is started where it has not been yet; where it does not answer, to another one. */
  worker(attempt: number): MessagePort
}
declare global {
  interface Window {
    /** None: nobody is signed in here, or this is no page for the signed-in. */
    started?: Started
  }
}

/** The page itself says who is signed in (server/plugins/app-shell.ts). */
const who = JSON.parse(document.getElementById('who')?.textContent ?? 'null') as PageSeed['who'] | null
if (who) {
  const { me, build, isDrawn } = who
  const lines: MessagePort[] = []
  const worker = (attempt: number) => (lines[attempt] ??= startWorker(`wrenleaf|${build}|${me}|${attempt}`))
  window.started = { me, build, isDrawn, worker }
  if (!isDrawn) worker(0)
}

// What this browser keeps of how its pages look stands before anything is painted (kept by data/preferences, AppFrame
// and data/views).
const { dataset } = document.documentElement
const isDark = matchMedia('(prefers-color-scheme: dark)').matches
dataset.density = localStorage.getItem('wrenleaf-density') ?? ''
dataset.theme = localStorage.getItem('wrenleaf-theme') ?? (isDark ? 'night' : 'day')
// A view that was changed, here or in the address, and not kept is shown when that has been read.
const view = location.pathname.split('/')[3]
if (view && /[?&]change=/.test(location.search)) dataset.draft = ''
if (view && localStorage.getItem(`wrenleaf-drafts-${who?.me}`)?.includes(view)) dataset.draft = ''

/** One for all tabs of a browser, where it has shared workers. */
function startWorker(name: string): MessagePort {
  if (typeof SharedWorker === 'function')
    return new SharedWorker(new URL('./worker.ts', import.meta.url), { type: 'module', name }).port
  const { port1, port2 } = new MessageChannel()
  new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name }).postMessage(undefined, [port2])
  return port1
}
