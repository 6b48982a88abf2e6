import { proxy, wrap, type Remote } from 'comlink'
import type { Begun } from './begin'
import type { Api, Page } from './api'

export type ReplicaApi = Remote<Api>

/** Joins the worker that was begun, which answers once it has started. */
export function joinReplica({ worker }: Begun, page: Page): ReplicaApi {
  const api = wrap<Api>('port' in worker ? worker.port : worker)
  void api.join(proxy(page) as unknown as Parameters<ReplicaApi['join']>[0])
  return api
}
