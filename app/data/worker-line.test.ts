import { expose, wrap } from 'comlink'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { firstToAnswer, lateEndpoint } from './worker-line'

describe('an endpoint that is not there yet', () => {
  it('is asked beforehand, in order, and answers as soon as it is', async () => {
    const { endpoint, isThere } = lateEndpoint()
    const far = wrap<{ add(n: number): number }>(endpoint)
    const answers = [far.add(1), far.add(2)]
    const { port1, port2 } = new MessageChannel()
    let sum = 0
    expose({ add: (n: number) => (sum += n) }, port2 as never)
    isThere(port1 as never)
    expect(await Promise.all(answers)).toEqual([1, 3])
    expect(await far.add(4)).toBe(7)
    port1.close()
  })
})

describe('a worker that says nothing', () => {
  const made: MessageChannel[] = []
  afterEach(() => {
    vi.useRealTimers()
    for (const { port1, port2 } of made.splice(0)) [port1, port2].forEach((port) => port.close())
  })
  const lineTo = (attempt: number): MessagePort => (made[attempt] = new MessageChannel()).port1
  const answer = (attempt: number) => made[attempt]!.port2.postMessage('here')
  /** A message through a channel takes a turn or two of the real loop. */
  const passed = () => new Promise((resolve) => setImmediate(() => setImmediate(resolve)))

  it('is followed by another, with more patience each time, until one says that it lives', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    const there = vi.fn()
    firstToAnswer(lineTo, there)
    expect(made).toHaveLength(1)
    vi.advanceTimersByTime(3000)
    expect(made).toHaveLength(2)
    vi.advanceTimersByTime(3001)
    expect(made).toHaveLength(2)
    answer(1)
    await passed()
    expect(there.mock.calls).toEqual([[made[1]!.port1]])
    vi.advanceTimersByTime(600_000)
    expect(made).toHaveLength(2)
  })

  it('is not spoken to when it comes up after the other', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    const there = vi.fn()
    firstToAnswer(lineTo, there)
    vi.advanceTimersByTime(3000)
    answer(1)
    await passed()
    const closed = new Promise((resolve) => made[0]!.port2.addEventListener('close', resolve))
    answer(0)
    await closed
    expect(there).toHaveBeenCalledTimes(1)
  })
})
