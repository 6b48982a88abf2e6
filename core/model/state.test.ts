import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { randomOf, withEveryType } from '../test-kit/views'
import { smallWorkspace } from '../test-kit/workspace'
import type { Item } from './records'

const random = randomOf(withEveryType(smallWorkspace()))
const step = fc.record({ at: fc.nat(40), what: fc.constantFrom('put', 'remove', 'title', 'parent', 'values', 'archived'), to: random.item }) // prettier-ignore

describe('items in columns', () => {
  it('are read back as they were written, whatever came and went', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 120 }), (steps) => {
        const { state, project } = withEveryType(smallWorkspace())
        const plain = new Map<string, Item>()
        for (const { at, what, to } of steps) {
          const id = random.itemId(at)
          const made = random.itemAt(at, to, () => true)
          const held = plain.get(id)
          if (what === 'put') plain.set(id, made)
          else if (what === 'remove') plain.delete(id)
          else if (held) plain.set(id, { ...held, [what]: made[what] })
          if (what === 'put') state.put('item', id, made)
          else if (what === 'remove') state.put('item', id, undefined)
          else if (what === 'values') {
            if (held) state.put('item', id, { ...held, values: made.values })
          } else state.set('item', id, what, made[what])
        }
        const table = state.table(project.id)
        const byId = (items: Iterable<Item>) => [...items].sort((a, b) => (a.id < b.id ? -1 : 1))
        expect(byId(state.itemsOf(project.id))).toEqual(byId(plain.values()))
        expect(state.count('item')).toBe(plain.size)
        expect(table.listedCount).toBe([...plain.values()].filter((item) => !item.archived).length)
        for (const item of plain.values()) {
          const inside = [...plain.values()].filter((one) => one.parent === item.id).map((one) => one.id)
          expect([...state.childrenOf(item.id)].map((one) => one.id).sort()).toEqual(inside.sort())
          expect(state.read('item', item.id, 'parent')).toBe(item.parent)
        }
        const { order, n } = table.rank.ordering
        const ranked = [...plain.values()].sort((a, b) =>
          a.rank < b.rank ? -1 : a.rank > b.rank ? 1 : a.id < b.id ? -1 : 1,
        )
        expect(Array.from(order.subarray(0, n), (row) => table.ids[row])).toEqual(ranked.map((item) => item.id))
      }),
      { numRuns: 400 },
    )
  })

  it('keep values of a field that is not known yet, and put them into its column when it comes', () => {
    const { state, project, ids } = withEveryType(smallWorkspace())
    const item = { ...random.itemAt(0, fc.sample(random.item, { numRuns: 1, seed: 1 })[0]!, () => false) }
    const field = { id: ids.next() as never, project: project.id, name: 'depth', help: '', type: 'number' as const, settings: {}, rank: 'b90', archived: false } // prettier-ignore
    state.put('item', item.id, { ...item, values: { ...item.values, [field.id]: 7 } })
    state.put('field', field.id, field)
    expect(state.maybe('item', item.id)?.values[field.id]).toBe(7)
    state.set('item', item.id, field.id, 9)
    expect(state.read('item', item.id, field.id)).toBe(9)
  })

  it('an instant that is written otherwise than usual stays as it is written', () => {
    const { state, project } = withEveryType(smallWorkspace())
    const item = random.itemAt(0, fc.sample(random.item, { numRuns: 1, seed: 2 })[0]!, () => false)
    state.put('item', item.id, { ...item, created: '2026-11-25T10:00:00+01:00' })
    const [held] = [...state.itemsOf(project.id)]
    expect(held!.created).toBe('2026-11-25T10:00:00+01:00')
    state.set('item', item.id, 'created', '2026-11-25T09:00:00.000Z')
    expect(state.maybe('item', item.id)!.created).toBe('2026-11-25T09:00:00.000Z')
  })
})
