import { expect, it } from 'vitest'
import { shortened } from './shortened'

it('shows of a long list its beginning, and how many more there are', () => {
  const names = Array.from({ length: 40 }, (_, i) => `Person ${i}`)
  const words = `reviewer includes ${names.slice(0, -1).join(', ')} or ${names.at(-1)}`
  const said = shortened(words)
  const shown = said.split(/, /).length
  expect(said).toMatch(/^reviewer includes Person 0, Person 1, .*Person \d+ … and \d+ more$/)
  expect(said).toContain(`and ${40 - shown} more`)
  expect(said.length).toBeLessThan(200)
  expect(shortened('status is Ready or Noted')).toBe('status is Ready or Noted')
  expect(shortened(`title contains “${'a'.repeat(400)}”`)).toHaveLength(181)
})
