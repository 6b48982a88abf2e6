import { proxy } from 'comlink'
import type { Answers, Question } from '#core/questions/questions'
import type { ReplicaApi } from './client'
import { unpack, type Packed } from './sent-rows'

type Answer = Answers[Question['ask']]

/** A question that the worker keeps answered, and its answer so far. */
export class Asked {
  readonly #api: ReplicaApi
  readonly #id: Promise<number>
  readonly #told: ((answer: Answer) => void)[] = []
  #answer: Answer

  /**
   * `before`: what an earlier question was answered; rows that say the same are kept. `answer`: what this one was
   * answered already.
   */
  constructor(api: ReplicaApi, question: Question, { before, answer }: { before?: Answer; answer?: Answer } = {}) {
    this.#answer = answer
    let base = answer ?? before
    const tell = (packed: Packed) => {
      this.#answer = base = unpack(base, packed)
      for (const hear of this.#told) hear(this.#answer)
    }
    this.#api = api
    this.#id = api.watch(question, proxy(tell) as never)
  }

  /** Hears what has been told already, and all that will be. */
  hear(hear: (answer: Answer) => void): void {
    this.#told.push(hear)
    if (this.#answer) hear(this.#answer)
  }
  look(list: string, from: number, to: number): void {
    void this.#id.then((id) => this.#api.look(id, list, from, to))
  }
  hold(items: readonly string[]): void {
    void this.#id.then((id) => this.#api.hold(id, [...items]))
  }
  fold(groups: readonly string[]): void {
    void this.#id.then((id) => this.#api.fold(id, [...groups]))
  }
  leave(): void {
    this.#told.length = 0
    void this.#id.then((id) => this.#api.leave(id))
  }
}

/** Questions that were asked before anyone was there who wants to know, by their JSON. */
const early = new Map<string, Asked>()
const earlyForMs = 10_000

/** Asks beforehand: whoever then asks the same takes it over, with what has been told meanwhile or was known already. */
export function askEarly(api: ReplicaApi, question: Question, answer?: Answer): void {
  const key = JSON.stringify(question)
  early.set(key, new Asked(api, question, { answer }))
  setTimeout(() => {
    early.get(key)?.leave()
    early.delete(key)
  }, earlyForMs)
}

export function ask(api: ReplicaApi, question: Question, before?: Answer): Asked {
  const key = JSON.stringify(question)
  const asked = early.get(key) ?? new Asked(api, question, { before })
  early.delete(key)
  return asked
}
