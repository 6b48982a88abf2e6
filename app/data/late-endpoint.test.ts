import { expose, wrap } from 'comlink'
import { describe, expect, it } from 'vitest'
import { lateEndpoint } from './late-endpoint'

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
