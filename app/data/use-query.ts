import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import { answerIn } from '#core/queries/page-seed'
import type { Folds } from '#core/model/records'
import type { WatchAnswer, WatchedName, WatchInput, WatchRequest } from '#core/queries/registry'
import { openQuery, type OpenQuery } from './open-query'
import { pageSeed } from './page-seed'
import { useSession } from './session'

export interface QueryResult<A> {
  /** Undefined until it is answered. */
  readonly answer: ShallowRef<A | undefined>
  /** Says which stretch of a list is on the screen; `isHere`: all around it is here, and nothing more is wanted. */
  look(list: string, from: number, to: number, isHere?: boolean): void
  /** Items that keep their place until they are let go. */
  hold(items: readonly string[]): void
  /** What is folded from now on. */
  fold(folds: Folds): void
}

/** Keeps a query answered for as long as the component lives; another input takes the place of the last. */
export function useQuery<N extends WatchedName>(query: N, input: () => WatchInput<N>): QueryResult<WatchAnswer<N>> {
  const session = useSession()
  const answer = shallowRef<WatchAnswer<N>>()
  let open: OpenQuery | undefined
  if (import.meta.server) answer.value = answerIn(pageSeed(), query, input())

  watch(
    [() => JSON.stringify(input() ?? null), () => session.api] as const,
    ([key, api]) => {
      open?.leave()
      open = undefined
      if (import.meta.server || !api) return
      const request = { query, input: (JSON.parse(key) as unknown) ?? undefined } as WatchRequest
      open = openQuery(api, request, answer.value)
      open.hear((now) => (answer.value = now as WatchAnswer<N>))
    },
    { immediate: true },
  )
  onScopeDispose(() => open?.leave())

  return {
    answer,
    look: (list, from, to, isHere) => open?.look(list, from, to, isHere),
    hold: (items) => open?.hold(items),
    fold: (folds) => open?.fold(folds),
  }
}
