/**
 * The first thing a signed-in page does: its HTML holds this script (modules/app-shell.ts), which starts the worker while
 * the page's own script is still on its way. It imports nothing, as it stands in every page.
 */
export interface Started {
  readonly me: string
  /** The server's build. */
  readonly build: string
  readonly worker: SharedWorker | Worker
}
declare global {
  interface Window {
    /** None: nobody is signed in here, or this is no page for the signed-in. */
    started?: Started
  }
}

/** The page itself says who is signed in (server/plugins/app-shell.ts). */
const who = JSON.parse(document.getElementById('who')?.textContent ?? 'null') as { me: string; build: string } | null
if (who) window.started = { ...who, worker: startWorker(`wrenleaf|${who.build}|${who.me}`) }

/** One for all tabs of a browser, where it has shared workers. */
function startWorker(name: string): SharedWorker | Worker {
  const worker =
    typeof SharedWorker === 'function'
      ? new SharedWorker(new URL('./worker.ts', import.meta.url), { type: 'module', name })
      : new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name })
  worker.addEventListener('error', () => console.error('the worker could not be started'))
  return worker
}
