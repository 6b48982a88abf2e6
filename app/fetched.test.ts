import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { fetched } from './fetched'

beforeEach(() => vi.useFakeTimers())
afterEach(() => vi.useRealTimers())

it('is tried until the line is back', async () => {
  let tries = 0
  const load = () => (++tries < 3 ? Promise.reject(new TypeError('Failed to fetch')) : Promise.resolve('script'))
  const script = fetched(load)
  await vi.advanceTimersByTimeAsync(5000)
  expect(await script).toBe('script')
  expect(tries).toBe(3)
})

it('is not tried again where the script itself breaks', async () => {
  await expect(fetched(() => Promise.reject(new RangeError('too deep')))).rejects.toThrow('too deep')
})
