import { proxy, type Remote } from 'comlink'
import type { Api, Page } from '../worker/api'

export type ReplicaApi = Remote<Api>

/** Has the worker tell this page how things stand. */
export function join(api: ReplicaApi, page: Page): void {
  void api.join(proxy(page) as unknown as Parameters<ReplicaApi['join']>[0])
}
