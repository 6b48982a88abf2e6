import { proxy } from 'comlink'
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import { useSession } from '../stores/session'
import { unpack, type Packed } from './sent-rows'
import type { AnswerTo, Question } from './watches'

export interface Watching<A> {
  readonly answer: ShallowRef<A | undefined>
  /** Says which stretch of a list is on the screen. */
  look(list: string, from: number, to: number): void
  /** Items that keep their place until they are let go. */
  hold(items: readonly string[]): void
}

/** Keeps a question answered for as long as the component lives; a new question takes the place of the last. */
export function useWatch<Q extends Question>(question: () => Q | undefined): Watching<AnswerTo<Q>> {
  const session = useSession()
  const answer = shallowRef<AnswerTo<Q>>()
  let id: number | undefined
  let turn = 0

  watch(
    [() => JSON.stringify(question() ?? null), () => session.api],
    async ([asked]) => {
      const mine = ++turn
      leave()
      const api = session.api
      if (!api || asked === 'null') return void (answer.value = undefined)
      const tell = (told: unknown) => {
        if (mine === turn) answer.value = unpack(answer.value, told as Packed)
      }
      const made = await api.watch(JSON.parse(asked) as Question, proxy(tell) as never)
      if (mine === turn) id = made
      else void api.leave(made)
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    turn++
    leave()
  })

  function leave(): void {
    if (id !== undefined) void session.api?.leave(id)
    id = undefined
  }
  return {
    answer,
    look: (list, from, to) => void (id !== undefined && session.api?.look(id, list, from, to)),
    hold: (items) => void (id !== undefined && session.api?.hold(id, [...items])),
  }
}
