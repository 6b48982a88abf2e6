import fc from 'fast-check'
import { expect, it } from 'vitest'
import type { NumberColumn } from '../fields/columns/column'
import type { Item, ItemId } from '../model/records'
import { garden } from '../test-kit/garden'
import { rollUp } from './roll-up'

it('adds up an item and all that is inside it, at every level', () => {
  const { state, project, items, fieldId } = garden()
  const table = state.table(project.id)
  const effort = table.column(fieldId('effort')) as NumberColumn
  const sumOf = (title: string) => rollUp(table, effort)[table.maybeRow(items[title]!.id)!]
  expect(['Reopen the palm court', 'Reseat brackets', 'Photograph valves', 'Pane 10'].map(sumOf)).toEqual([1650, 400, 100, 0]) // prettier-ignore
  // It follows a number, and a place.
  state.set('item', items['Photograph valves']!.id, fieldId('effort'), 150)
  expect(sumOf('Reopen the palm court')).toBe(1700)
  state.set('item', items['Reseat brackets']!.id, 'parent', items['Pane 10']!.id)
  expect([sumOf('Reopen the palm court'), sumOf('Pane 10')]).toEqual([1250, 450])
  state.put('item', items['Pane 10']!.id, undefined)
  expect(sumOf('Reseat brackets')).toBe(450)
})

it('gives what walking down from every item gives, whatever the hierarchy and its changes', () => {
  const { state, project, items, fieldId } = garden()
  const pattern = items['Pane 10']!
  const id = (i: number) => `00000000-0000-7000-8000-${String(i).padStart(12, '0')}` as ItemId
  const change = fc.tuple(fc.nat(29), fc.option(fc.nat(29), { nil: null }), fc.option(fc.nat(900), { nil: null }))
  fc.assert(
    fc.property(fc.array(change, { maxLength: 60 }), (changes) => {
      for (let i = 0; i < 30; i++) state.put('item', id(i), { ...pattern, id: id(i), number: 100 + i, values: {} } as Item)
      const table = state.table(project.id)
      const effort = table.column(fieldId('effort')) as NumberColumn
      const plain = Array.from({ length: 30 }, () => ({ parent: null as number | null, effort: 0 }))
      for (const [i, parent, hours] of changes) {
        // What comes first can hold what comes after it: no circle.
        const above = parent !== null && parent < i ? parent : null
        state.set('item', id(i), 'parent', above === null ? null : id(above))
        state.set('item', id(i), fieldId('effort'), hours)
        plain[i] = { parent: above, effort: hours ?? 0 }
      }
      const sums = plain.map((one) => one.effort)
      for (let i = 29; i > 0; i--) if (plain[i]!.parent !== null) sums[plain[i]!.parent!]! += sums[i]!
      const told = rollUp(table, effort)
      expect(plain.map((_, i) => told[table.maybeRow(id(i))!])).toEqual(sums)
    }),
    { numRuns: 100 },
  ) // prettier-ignore
})
