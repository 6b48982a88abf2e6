import { describe, expect, it } from 'vitest'
import type { OutlineRow } from '#core/layouts/rows'
import { dropAt, levelsAt } from './outline-drop'

/** Levels by their titles: a, with b in it, that with c in it; then d, and e in d. */
const lines = [['a', 0], ['b', 1], ['c', 2], ['d', 0], ['e', 1]].map(([id, level]) => ({ item: { id }, level }) as unknown as OutlineRow) // prettier-ignore
const drop = (gap: number, wanted: number, isSorted = false) => {
  const { level, parent, place } = dropAt((at) => lines[at], gap, wanted, isSorted)
  return [level, parent?.item.id ?? null, place]
}

describe('between two lines', () => {
  it('an item stands no deeper than in the one above, and not outside what the one below is in', () => {
    expect(levelsAt(undefined, lines[0])).toEqual([0, 0])
    expect(levelsAt(lines[0], lines[1])).toEqual([1, 1])
    expect(levelsAt(lines[2], lines[3])).toEqual([0, 3])
    expect(levelsAt(lines[4], undefined)).toEqual([0, 2])
  })

  it('it stands after the sibling above, before the one below, or last in what is folded', () => {
    expect(drop(0, 0)).toEqual([0, null, { before: 'a' }])
    expect(drop(1, 0)).toEqual([1, 'a', { before: 'b' }])
    expect(drop(3, 0)).toEqual([0, null, { after: 'a' }])
    expect(drop(3, 1)).toEqual([1, 'a', { after: 'b' }])
    expect(drop(3, 2)).toEqual([2, 'b', { after: 'c' }])
    expect(drop(3, 9)).toEqual([3, 'c', undefined])
    expect(drop(5, 1)).toEqual([1, 'd', { after: 'e' }])
  })

  it('where the view is sorted, only what it goes into counts', () => {
    expect(drop(3, 1, true)).toEqual([1, 'a', undefined])
  })
})
