import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { JsonDepth } from './json-depth'

/** How deep a value is nested. */
const depthOf = (value: unknown): number =>
  value && typeof value === 'object' ? 1 + Math.max(0, ...Object.values(value).map(depthOf)) : 0
const isWithin = (text: string, deepest: number, cut = text.length): boolean => {
  const depth = new JsonDepth(deepest)
  const bytes = Buffer.from(text)
  return depth.take(bytes.subarray(0, cut)) && depth.take(bytes.subarray(cut))
}

describe('the depth of a JSON text', () => {
  it('is that of what it says, wherever the bytes are cut', () => {
    fc.assert(
      fc.property(fc.json({ maxDepth: 6 }), fc.nat(12), fc.nat(200), (text, deepest, cut) => {
        expect(isWithin(text, deepest, cut)).toBe(depthOf(JSON.parse(text)) <= deepest)
      }),
    )
  })

  it('counts no bracket within words', () => {
    expect(isWithin('{"a":"[[[{{{\\"[[","b":["\\\\"]}', 2)).toBe(true)
    expect(isWithin('['.repeat(4900), 100)).toBe(false)
  })
})
