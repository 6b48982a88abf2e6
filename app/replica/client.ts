import { proxy, wrap, type Remote } from 'comlink'
import type { Begun } from './begin'
import type { Api, Page } from './worker'

export type ReplicaApi = Remote<Api>

/** Joins the worker that was begun. */
export async function joinReplica({ worker }: Begun, page: Page): Promise<ReplicaApi> {
  const api = wrap<Api>('port' in worker ? worker.port : worker)
  await api.join(proxy(page) as unknown as Parameters<ReplicaApi['join']>[0])
  return api
}
