import fc from 'fast-check'
import { expect, test } from 'vitest'
import { compareText } from '../../base/collation'
import { TextColumn } from './texts'

const filled = (texts: readonly string[]): TextColumn => {
  const column = new TextColumn()
  texts.forEach((text, row) => column.set(row, text))
  return column
}
const many = Array.from({ length: 9000 }, (_, i) => `Pane ${(i * 7919) % 5003}`)

test('prepared step by step, it is the order that would be worked out at once', () => {
  const [prepared, atOnce] = [filled(many), filled(many)]
  const steps = prepared.ordering.prepare()
  let n = 0
  while (!steps.next().done) n++
  expect(n).toBeGreaterThan(10)
  expect(prepared.ordering.isKnown).toBe(true)
  expect([...prepared.ordering.order]).toEqual([...atOnce.ordering.order])
  expect([...prepared.ordering.labels]).toEqual([...atOnce.ordering.labels])
})

test('a change meanwhile has it given up; asked meanwhile, it is known at once', () => {
  const column = filled(many)
  const steps = column.ordering.prepare()
  steps.next()
  column.set(5, null)
  expect(steps.next()).toEqual({ done: true, value: false })
  expect(column.ordering.isKnown).toBe(false)
  const again = column.ordering.prepare()
  again.next()
  expect(column.ordering.n).toBe(many.length - 1)
  expect(again.next()).toEqual({ done: true, value: true })
  expect(column.ordering.prepare().next().done).toBe(true)
})

test('labels compare as the texts do, whatever comes and goes, and are 0 where there is no text', () => {
  const text = fc.option(fc.constantFrom('a', 'A', 'ä', 'b', 'b 2', 'b 10', 'ß', 'ss', 'z'), { nil: null })
  const change = fc.tuple(fc.nat(30), text)
  fc.assert(
    fc.property(fc.array(text, { maxLength: 30 }), fc.array(fc.array(change, { maxLength: 14 })), (texts, changes) => {
      const column = new TextColumn()
      texts.forEach((one, row) => column.set(row, one))
      void column.ordering.order
      for (const some of changes) {
        for (const [row, to] of some) column.set(row, to)
        const { labels } = column.ordering
        const rows = [...column.a.keys()]
        for (const row of rows) expect((labels[row] ?? 0) > 0).toBe(column.a[row] !== null)
        const known = rows.filter((row) => column.a[row] !== null)
        for (const a of known)
          for (const b of known)
            expect(Math.sign(labels[a]! - labels[b]!)).toBe(Math.sign(compareText(column.a[a]!, column.a[b]!)))
      }
    }),
  )
})
