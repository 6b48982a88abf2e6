import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isSameValue } from '#core/base/sorted-ids'
import type { ViewDefinition } from '#core/model/records'
import { changeFrom, changeText } from './change-text'

const table = (part: object = {}): ViewDefinition =>
  ({ v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [], ...part }) as ViewDefinition

describe('a change of a view in its address', () => {
  it('is what differs alone, in letters that an address has', () => {
    expect(changeText(table(), table())).toBe('')
    const text = changeText(table(), table({ sort: [{ by: { fact: 'title' }, down: true }] }))
    expect(text).toMatch(/^[\w-]+$/)
    expect(text.length).toBeLessThan(90)
  })

  it('gives back what it was made of, whatever that is', () => {
    const part = fc.record(
      { where: fc.array(fc.json()), show: fc.array(fc.string({ unit: 'grapheme' })), widths: fc.dictionary(fc.string(), fc.nat()), layout: fc.constantFrom('table', 'board', 'outline') },
      { requiredKeys: [] },
    ) // prettier-ignore
    fc.assert(
      fc.property(part, part, (one, other) => {
        const [from, to] = [table(one), table(other)]
        const text = changeText(from, to)
        expect(isSameValue(from, to)).toBe(text === '')
        if (text) expect(isSameValue(changeFrom(from, text), to)).toBe(true)
      }),
    )
  })

  it('that cannot be read is none', () => {
    for (const text of ['', '%', 'not base64 at all!', 'AAAA', '____'])
      expect(changeFrom(table(), text)).toBeUndefined()
  })
})
