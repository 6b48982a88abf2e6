import { v4, v7 } from 'uuid'
import { expect, it } from 'vitest'
import { madeAt } from './made-at'

it('an id says when it was made, to the millisecond, if it is of a version that does', () => {
  const moment = Date.parse('2026-11-25T09:00:00.123Z')
  expect(madeAt(v7({ msecs: moment }))).toBe(moment)
  expect(madeAt(v4())).toBeNaN()
  expect(madeAt('status')).toBeNaN()
})
