import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import { answerIn } from '#core/questions/page-seed'
import type { AnswerTo, Question } from '#core/questions/questions'
import { useSession } from '../stores/session'
import { pageSeed } from './page-seed'
import { ask, type Asked } from './asked'

export interface Watching<A> {
  readonly answer: ShallowRef<A | undefined>
  /** Says which stretch of a list is on the screen. */
  look(list: string, from: number, to: number): void
  /** Items that keep their place until they are let go. */
  hold(items: readonly string[]): void
  /** Groups that show their heads alone. */
  fold(groups: readonly string[]): void
}

/** Keeps a question answered for as long as the component lives; a new question takes the place of the last. */
export function useWatch<Q extends Question>(question: () => Q | undefined): Watching<AnswerTo<Q>> {
  const session = useSession()
  const answer = shallowRef<AnswerTo<Q>>()
  let asked: Asked | undefined
  if (import.meta.server) answer.value = answerIn(pageSeed(), question()) as AnswerTo<Q>

  watch(
    [() => JSON.stringify(question() ?? null), () => session.api] as const,
    ([key, api]) => {
      asked?.leave()
      asked = undefined
      if (import.meta.server) return
      if (!api || key === 'null') return void (answer.value = undefined)
      asked = ask(api, JSON.parse(key) as Question, answer.value)
      asked.hear((told) => (answer.value = told as AnswerTo<Q>))
    },
    { immediate: true },
  )
  onScopeDispose(() => asked?.leave())

  return {
    answer,
    look: (list, from, to) => asked?.look(list, from, to),
    hold: (items) => asked?.hold(items),
    fold: (groups) => asked?.fold(groups),
  }
}
