import { expect, it } from 'vitest'
import type { View } from './records'
import { viewSections } from './listed-views'

const view = (id: string, rank: string, heading: string | null = null) => ({ id, rank, heading }) as unknown as View
const said = (views: View[]) => viewSections(views).map(({ heading, views: held }) => [heading, held.map(({ id }) => id).join('')]) // prettier-ignore

it('views are listed by their ranks, those without a heading first, a heading where its first one stands', () => {
  expect(said([])).toEqual([])
  expect(said([view('c', 'a3'), view('a', 'a1', 'Weekly'), view('b', 'a2')])).toEqual([
    [null, 'bc'],
    ['Weekly', 'a'],
  ])
  expect(said([view('a', 'a4', 'Weekly'), view('b', 'a2', 'Yearly'), view('d', 'a9', 'Yearly'), view('c', 'a3', 'Weekly')])).toEqual([
    ['Yearly', 'bd'],
    ['Weekly', 'ca'],
  ]) // prettier-ignore
})
