import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Question } from '#core/questions/questions'
import type { ReplicaApi } from './client'
import { ask, askEarly } from './asked'

/** A worker that answers when it is told to. */
class Worker {
  readonly asked: { question: Question; tell: (packed: unknown) => void }[] = []
  readonly left: number[] = []
  readonly looked: unknown[] = []
  watch = (question: Question, tell: (packed: unknown) => void) => Promise.resolve(this.asked.push({ question, tell }))
  leave = (id: number) => void this.left.push(id)
  look = (...what: unknown[]) => void this.looked.push(what)
  hold = () => {}
}
let worker: Worker
let api: ReplicaApi
const counts: Question = { ask: 'counts' }

beforeEach(() => {
  vi.useFakeTimers()
  worker = new Worker()
  api = worker as unknown as ReplicaApi
})
afterEach(() => vi.useRealTimers())

describe('a question to the worker', () => {
  it('is taken over from whoever asked it early, with what was told meanwhile', async () => {
    askEarly(api, counts)
    worker.asked[0]!.tell({ packed: { inTurn: 4 } })
    const heard: unknown[] = []
    ask(api, counts).hear((answer) => heard.push(answer))
    worker.asked[0]!.tell({ packed: { inTurn: 5 } })
    expect(heard).toEqual([{ inTurn: 4 }, { inTurn: 5 }])
    expect(worker.asked).toHaveLength(1)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(worker.left).toEqual([])
  })

  it('is answered at once where the answer came along, and then by the worker', () => {
    askEarly(api, counts, { inTurn: 3 })
    const heard: unknown[] = []
    ask(api, counts).hear((answer) => heard.push(answer))
    expect(heard).toEqual([{ inTurn: 3 }])
    worker.asked[0]!.tell({ packed: { inTurn: 4 } })
    expect(heard).toEqual([{ inTurn: 3 }, { inTurn: 4 }])
  })

  it('is asked anew by the next one who asks the same', () => {
    askEarly(api, counts)
    ask(api, counts)
    ask(api, counts)
    expect(worker.asked).toHaveLength(2)
  })

  it('is left when nobody takes it over in time', async () => {
    askEarly(api, counts)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(worker.left).toEqual([1])
  })

  it('tells nobody any more once it is left; looks wait for its number', async () => {
    const heard: unknown[] = []
    const asked = ask(api, counts)
    asked.hear((answer) => heard.push(answer))
    asked.look('', 3, 9)
    expect(worker.looked).toEqual([])
    await vi.advanceTimersByTimeAsync(0)
    expect(worker.looked).toEqual([[1, '', 3, 9]])
    asked.leave()
    worker.asked[0]!.tell({ packed: { inTurn: 1 } })
    expect(heard).toEqual([])
  })
})
