import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { viewDefinition } from '../model/definition'
import { kindsOf, startOfKind } from '../model/reader'
import type { Condition, Item, ItemId } from '../model/records'
import { viewContext } from '../facts/contract'
import { runs } from '../test-kit/runs'
import { testToday } from '../test-kit/views'
import { command, run, smallWorkspace } from '../test-kit/workspace'
import { compile } from './filter'

/** One item with so many inside it. */
function family(children: number) {
  const small = smallWorkspace()
  const { state, ids, project, people } = small
  const [kind] = kindsOf(state, project.id)
  const base = { project: project.id, kind: kind!.id, status: startOfKind(state, kind!.id)!.id, values: {} }
  const parent = ids.next() as ItemId
  const inside = Array.from({ length: children }, (_, i) => ({ ...base, item: ids.next() as ItemId, title: `child ${i}`, parent })) // prettier-ignore
  run(state, command(ids, { type: 'items.add', items: [{ ...base, item: parent, title: 'parent', parent: null }, ...inside] }), people.owner.id) // prettier-ignore
  const title = (words: string): Condition => ({ about: 'fact', fact: { fact: 'title' }, test: { is: 'has', words } })
  return {
    ...small,
    parent,
    inside: inside.map((child) => child.item),
    title,
    context: viewContext(state, project.id, { me: people.owner.id, today: testToday }),
  }
}

describe('conditions about an item’s relatives', () => {
  it('ask each item once, however they are put inside one another', () => {
    const { state, project, context, title } = family(400)
    let that = title('nothing has this')
    for (let deep = 0; deep < 4; deep++) that = { about: 'parent', that: { about: 'anyChild', that } }
    const test = must(compile(context, that), 'test')
    const table = state.table(project.id)
    const began = performance.now()
    let met = 0
    for (let row = 0; row < table.n; row++) met += Number(test.test(row))
    expect(met).toBe(0)
    // Asked anew for every relative it would be 400 to the fourth power.
    expect(performance.now() - began).toBeLessThan(1000)
  })

  it('of a chain of ancestors ask each once, and of a long one too', () => {
    const { state, project, people, ids, parent, title, context } = family(0)
    const kind = must(kindsOf(state, project.id)[0], 'kind')
    const base = { project: project.id, kind: kind.id, status: startOfKind(state, kind.id)!.id, values: {} }
    let above = parent
    const items = Array.from({ length: 3000 }, (_, i) => {
      const item = { ...base, item: ids.next() as ItemId, title: `step ${i}`, parent: above }
      above = item.item
      return item
    })
    run(state, command(ids, { type: 'items.add', items }), people.owner.id)
    const isUnderParent = must(compile(context, { about: 'someAncestor', that: title('parent') }), 'test')
    const isUnderNone = must(compile(context, { about: 'someAncestor', that: title('nobody') }), 'test')
    const table = state.table(project.id)
    const rows = [...table.rows()]
    const began = performance.now()
    expect(rows.filter((row) => isUnderParent.test(row)).length).toBe(3000)
    expect(rows.filter((row) => isUnderNone.test(row)).length).toBe(0)
    expect(performance.now() - began).toBeLessThan(1000)
  })

  it('say what holds now, after anything has changed', () => {
    const { state, project, parent, inside, title, context } = family(3)
    const test = must(compile(context, { about: 'anyChild', that: title('red') }), 'test')
    const above = must(compile(context, { about: 'someAncestor', that: title('red') }), 'test')
    const at = (id: string) => must(state.table(project.id).maybeRow(id), 'row')
    expect([test.test(at(parent)), above.test(at(inside[0]!))]).toEqual([false, false])
    const named = (id: ItemId, name: string) => state.put('item', id, { ...(state.maybe('item', id) as Item), title: name }) // prettier-ignore
    named(inside[1]!, 'red')
    expect(test.test(at(parent))).toBe(true)
    named(inside[1]!, 'blue')
    named(parent, 'red')
    expect([test.test(at(parent)), above.test(at(inside[0]!))]).toEqual([false, true])
  })

  it('are the same of all items at once as of each by itself', () => {
    const names = ['anyChild', 'allChildren', 'parent', 'someAncestor'] as const
    const shape = fc.record({
      parents: fc.array(fc.nat(1000), { minLength: 1, maxLength: 40 }),
      red: fc.array(fc.boolean(), { minLength: 41, maxLength: 41 }),
      archived: fc.array(fc.boolean(), { minLength: 41, maxLength: 41 }),
      kin: fc.array(fc.constantFrom(...names), { minLength: 1, maxLength: 3 }),
    })
    fc.assert(
      fc.property(shape, ({ parents, red, archived, kin }) => {
        const { state, project, context, title, parent, inside } = family(40)
        const all = [parent, ...inside]
        all.forEach((id, i) => {
          const item = state.maybe('item', id) as Item
          // Each is inside an earlier one, or inside none.
          const above = i && parents[i - 1] !== undefined && parents[i - 1]! % (i + 1) < i ? all[parents[i - 1]! % (i + 1)]! : null // prettier-ignore
          state.put('item', id, { ...item, parent: above, title: red[i] ? 'red' : 'blue', archived: archived[i] ? '2026-11-01T09:00:00.000Z' : null } as Item) // prettier-ignore
        })
        const that = kin.reduce<Condition>((of, about) => ({ about, that: of }), title('red'))
        const [atOnce, each] = [must(compile(context, that), 'test'), must(compile(context, that), 'test')]
        const { n } = state.table(project.id)
        const every = Int32Array.from({ length: n }, (_, row) => row)
        const kept = new Int32Array(n)
        const rows = [...kept.subarray(0, atOnce.keep(every, n, kept))]
        expect(rows).toEqual([...every].filter((row) => each.test(row)))
      }),
      runs(60, 3000),
    )
  })
})

it('a view holds at most 200 conditions, and eight within one another', () => {
  const isRead = (where: unknown) =>
    viewDefinition.safeParse({ v: 3, layout: 'table', where, group: [], sort: [], totals: [], show: [] }).success
  const one = { about: 'fact', fact: { fact: 'title' }, test: { is: 'has', words: 'x' } }
  const any = (of: unknown[]) => ({ about: 'any', of })
  const twenty = Array.from({ length: 20 }, () => one)
  expect(isRead(Array.from({ length: 9 }, () => any(twenty)))).toBe(true)
  expect(isRead(Array.from({ length: 10 }, () => any(twenty)))).toBe(false)
  const nested = (deep: number): unknown => (deep ? { about: 'parent', that: nested(deep - 1) } : one)
  expect([isRead([nested(8)]), isRead([nested(9)])]).toEqual([true, false])
})
