import { proxy } from 'comlink'
import { requestKey } from '#core/queries/page-seed'
import type { AnyAnswer, WatchRequest } from '#core/queries/registry'
import type { Folds } from '#core/model/records'
import { unpack, type Packed } from '../worker/sent-rows'
import type { ReplicaApi } from './client'

/** A query that the worker keeps answered, and its answer so far. */
export class OpenQuery {
  readonly #api: ReplicaApi
  readonly #id: Promise<number>
  readonly #listeners: ((answer: AnyAnswer) => void)[] = []
  #isAnswered: boolean
  #answer: AnyAnswer

  /**
   * `before`: the answer of an earlier query; rows that say the same are kept. `answer`: this one's, where it is known
   * already.
   */
  constructor(api: ReplicaApi, request: WatchRequest, known: { before?: AnyAnswer; answer?: AnyAnswer } = {}) {
    this.#answer = known.answer
    this.#isAnswered = known.answer !== undefined
    let base = known.answer ?? known.before
    const hear = (packed: Packed) => {
      this.#answer = base = unpack(base, packed)
      this.#isAnswered = true
      for (const listener of this.#listeners) listener(this.#answer)
    }
    this.#api = api
    this.#id = api.watch(request, proxy(hear) as never)
  }

  /** Hears what has been answered already, and all that will be. */
  hear(listener: (answer: AnyAnswer) => void): void {
    this.#listeners.push(listener)
    if (this.#isAnswered) listener(this.#answer)
  }
  look(list: string, from: number, to: number, isHere = false): void {
    void this.#id.then((id) => this.#api.look(id, list, from, to, isHere))
  }
  hold(items: readonly string[]): void {
    void this.#id.then((id) => this.#api.hold(id, [...items]))
  }
  fold(folds: Folds): void {
    void this.#id.then((id) => this.#api.fold(id, folds))
  }
  leave(): void {
    this.#listeners.length = 0
    void this.#id.then((id) => this.#api.leave(id))
  }
}

/** Queries that were opened before anyone was there who wants to know. */
const early = new Map<string, OpenQuery>()
const earlyForMs = 10_000

/** Opens a query beforehand: whoever then opens the same takes it over, with what has been answered meanwhile. */
export function openEarly(api: ReplicaApi, request: WatchRequest, answer?: AnyAnswer): void {
  const key = requestKey(request)
  early.set(key, new OpenQuery(api, request, { answer }))
  setTimeout(() => {
    early.get(key)?.leave()
    early.delete(key)
  }, earlyForMs)
}

export function openQuery(api: ReplicaApi, request: WatchRequest, before?: AnyAnswer): OpenQuery {
  const key = requestKey(request)
  const open = early.get(key) ?? new OpenQuery(api, request, { before })
  early.delete(key)
  return open
}
