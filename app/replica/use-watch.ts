import { proxy } from 'comlink'
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue'
import { useSession } from '../stores/session'
import type { ReplicaApi } from './client'
import { unpack, type Packed } from './sent-rows'
import type { Answers, AnswerTo, Question } from './watches'

type Answer = Answers[Question['ask']]

/** A question that the worker keeps answered, and its answer so far. */
class Asked {
  readonly #api: ReplicaApi
  readonly #id: Promise<number>
  readonly #told: ((answer: Answer) => void)[] = []
  answer: Answer

  /** `before`: what an earlier question was answered; rows that say the same are kept. */
  constructor(api: ReplicaApi, question: Question, before?: Answer) {
    let base = before
    const tell = (packed: Packed) => {
      this.answer = base = unpack(base, packed)
      for (const hear of this.#told) hear(this.answer)
    }
    this.#api = api
    this.#id = api.watch(question, proxy(tell) as never)
  }

  hear(hear: (answer: Answer) => void): void {
    this.#told.push(hear)
    if (this.answer) hear(this.answer)
  }
  look(list: string, from: number, to: number): void {
    void this.#id.then((id) => this.#api.look(id, list, from, to))
  }
  hold(items: readonly string[]): void {
    void this.#id.then((id) => this.#api.hold(id, [...items]))
  }
  leave(): void {
    this.#told.length = 0
    void this.#id.then((id) => this.#api.leave(id))
  }
}

/** Questions that were asked before the component was there that wants to know, by their JSON. */
const early = new Map<string, Asked>()
const earlyForMs = 10_000

/** Asks beforehand: whoever then asks the same takes it over, with what has been told meanwhile. */
export function askEarly(api: ReplicaApi, question: Question): void {
  const key = JSON.stringify(question)
  early.set(key, new Asked(api, question))
  setTimeout(() => {
    early.get(key)?.leave()
    early.delete(key)
  }, earlyForMs)
}

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
  let asked: Asked | undefined

  watch(
    [() => JSON.stringify(question() ?? null), () => session.api] as const,
    ([key, api]) => {
      asked?.leave()
      asked = undefined
      if (!api || key === 'null') return void (answer.value = undefined)
      asked = early.get(key) ?? new Asked(api, JSON.parse(key) as Question, answer.value)
      early.delete(key)
      asked.hear((told) => (answer.value = told as AnswerTo<Q>))
    },
    { immediate: true },
  )
  onScopeDispose(() => asked?.leave())

  return {
    answer,
    look: (list, from, to) => asked?.look(list, from, to),
    hold: (items) => asked?.hold(items),
  }
}
