import { expect, it } from 'vitest'
import { counted, grouped, learnNumbers } from './counted'

it('groups thousands at once, and then as the reader does', () => {
  expect([0, 999, 1000, 50_000, 1_234_567].map(grouped)).toEqual(['0', '999', '1,000', '50,000', '1,234,567'])
  learnNumbers('de')
  expect(grouped(1_234_567)).toBe('1.234.567')
  learnNumbers('en-GB')
  expect([counted(1, 'item', 'items'), counted(4120, 'item', 'items')]).toEqual(['1 item', '4,120 items'])
})
