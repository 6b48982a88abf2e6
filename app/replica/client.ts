import { proxy, wrap, type Remote } from 'comlink'
import type { Api, Page } from './worker'

export type ReplicaApi = Remote<Api>

let worker: SharedWorker | Worker | undefined

/** Joins the browser's worker for this build and person; starts it where there is none. */
export async function joinReplica(build: string, person: string, page: Page): Promise<ReplicaApi> {
  const name = `wrenleaf|${build}|${person}`
  if (typeof SharedWorker === 'function') {
    const shared = new SharedWorker(new URL('./worker.ts', import.meta.url), { type: 'module', name })
    shared.addEventListener('error', () => page.trouble('the worker could not be started'))
    worker = shared
    shared.port.start()
    return joined(wrap<Api>(shared.port), page)
  }
  worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name })
  return joined(wrap<Api>(worker), page)
}

async function joined(api: ReplicaApi, page: Page): Promise<ReplicaApi> {
  await api.join(proxy(page) as unknown as Parameters<ReplicaApi['join']>[0])
  return api
}
