import { expect, it } from 'vitest'
import { isRanked } from './ranked'

it('items stand in the team’s order where nothing else orders them, and where that does as it is', () => {
  const by = (fact: 'rank' | 'title', down = false) => ({ by: { fact }, down })
  expect([[], [by('rank')], [by('rank'), by('title')]].map((sort) => isRanked({ sort }))).toEqual([true, true, true])
  expect([[by('rank', true)], [by('title')], [by('title'), by('rank')]].map((sort) => isRanked({ sort }))).toEqual([false, false, false]) // prettier-ignore
})
