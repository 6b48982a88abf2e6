/**
 * The first script of a signed-in page, less than a kilobyte: starts the worker, which opens the workspace while the
 * page's own script is still on its way.
 */

export interface Begun {
  readonly me: string
  /** The server's build. */
  readonly build: string
  readonly worker: SharedWorker | Worker
}

/** None: nobody is signed in here, or this is no page for the signed-in. */
export const begun: Begun | undefined = import.meta.client ? begin() : undefined

/** The page itself says who is signed in (server/plugins/app-shell.ts). */
function begin(): Begun | undefined {
  const said = document.getElementById('who')?.textContent
  const who = said ? (JSON.parse(said) as { me: string; build: string } | null) : null
  return who ? { ...who, worker: startWorker(`wrenleaf|${who.build}|${who.me}`) } : undefined
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
