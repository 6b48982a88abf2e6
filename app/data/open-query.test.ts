import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { WatchRequest } from '#core/queries/registry'
import type { ReplicaApi } from './client'
import { openEarly, openQuery } from './open-query'

/** A worker that answers when it is made to. */
class Worker {
  readonly asked: { request: WatchRequest; tell: (packed: unknown) => void }[] = []
  readonly left: number[] = []
  readonly looked: unknown[] = []
  watch = (request: WatchRequest, tell: (packed: unknown) => void) =>
    Promise.resolve(this.asked.push({ request, tell }))
  leave = (id: number) => void this.left.push(id)
  look = (...what: unknown[]) => void this.looked.push(what)
  hold = () => {}
}
let worker: Worker
let api: ReplicaApi
const inTurn: WatchRequest = { query: 'inTurn', input: undefined }

beforeEach(() => {
  vi.useFakeTimers()
  worker = new Worker()
  api = worker as unknown as ReplicaApi
})
afterEach(() => vi.useRealTimers())

describe('a query that the worker keeps answered', () => {
  it('is taken over from whoever asked it early, with what came meanwhile', async () => {
    openEarly(api, inTurn)
    worker.asked[0]!.tell({ packed: 4 })
    const heard: unknown[] = []
    openQuery(api, inTurn).hear((answer) => heard.push(answer))
    worker.asked[0]!.tell({ packed: 5 })
    expect(heard).toEqual([4, 5])
    expect(worker.asked).toHaveLength(1)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(worker.left).toEqual([])
  })

  it('is answered at once where the answer came along, and then by the worker', () => {
    openEarly(api, inTurn, 3)
    const heard: unknown[] = []
    openQuery(api, inTurn).hear((answer) => heard.push(answer))
    expect(heard).toEqual([3])
    worker.asked[0]!.tell({ packed: 4 })
    expect(heard).toEqual([3, 4])
  })

  it('is asked again by the next one who asks the same', () => {
    openEarly(api, inTurn)
    openQuery(api, inTurn)
    openQuery(api, inTurn)
    expect(worker.asked).toHaveLength(2)
  })

  it('is left when nobody takes it over in time', async () => {
    openEarly(api, inTurn)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(worker.left).toEqual([1])
  })

  it('tells nobody any more once it is left; looks wait for its number', async () => {
    const heard: unknown[] = []
    const asked = openQuery(api, inTurn)
    asked.hear((answer) => heard.push(answer))
    asked.look('', 3, 9)
    expect(worker.looked).toEqual([])
    await vi.advanceTimersByTimeAsync(0)
    expect(worker.looked).toEqual([[1, '', 3, 9, false]])
    asked.leave()
    worker.asked[0]!.tell({ packed: 1 })
    expect(heard).toEqual([])
  })
})
