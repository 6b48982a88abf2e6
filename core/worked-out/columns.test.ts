import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isWorkedOut } from '../fields/registry'
import { viewContext } from '../facts/contract'
import { momentNow } from '../model/item-table'
import { fieldsOf } from '../model/reader'
import type { Item } from '../model/records'
import { runs } from '../test-kit/runs'
import { randomOf, testToday, withEveryType } from '../test-kit/views'
import { plainWorked } from '../test-kit/worked'
import { smallWorkspace, type Small } from '../test-kit/workspace'
import { ChangedRows } from '../model/changed-rows'
import { changedSince, source, values } from './columns'

const random = randomOf(withEveryType(smallWorkspace()))
const change = fc.record({ at: fc.nat(25), what: fc.constantFrom('anew', 'gone', 'links', 'values', 'status', 'parent', 'archived'), to: random.item }) // prettier-ignore

function apply(
  { state }: Small,
  { at, what, to }: { at: number; what: string; to: Parameters<typeof random.itemAt>[1] },
): void {
  // prettier-ignore
  const id = random.itemId(at)
  const made = random.itemAt(at, to, (other) => !!state.placeOf(other))
  if (what === 'links' || what === 'gone')
    random.relink(state, at, what === 'links' && state.placeOf(id) ? to.links : [])
  if (what === 'links' && state.placeOf(id)) return
  if (what === 'anew' || !state.placeOf(id)) state.put('item', id, made)
  else if (what === 'gone') state.put('item', id, undefined)
  else if (what === 'values')
    for (const [field, value] of Object.entries(made.values)) state.set('item', id, field, value)
  else state.set('item', id, what, made[what as 'status'])
}

describe('what fields come to', () => {
  it('is what it is item by item, whichever rows are asked for while items change', () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 40 }), fc.nat(3), (changes, often) => {
        const small = withEveryType(smallWorkspace())
        const viewer = { me: small.people.owner.id, today: testToday }
        const fields = fieldsOf(small.state, small.project.id).filter(isWorkedOut)
        const context = viewContext(small.state, small.project.id, viewer)
        changes.forEach((one, i) => {
          apply(small, one)
          // Some are asked for in between, so that others have been forgotten since.
          if (i % (often + 2)) return
          for (const item of small.state.itemsOf(small.project.id))
            if (item.number % (often + 1) === 0) values(context, fields, context.table.maybeRow(item.id)!)
        })
        for (const item of small.state.itemsOf(small.project.id)) {
          const plain = fields.flatMap((field) => {
            const value = plainWorked(small.state, item, field, viewer)
            return value === null ? [] : [[field.name, value]]
          })
          const held = values(context, fields, context.table.maybeRow(item.id)!) ?? {}
          const named = fields.flatMap(({ id, name }) => (held[id] === undefined ? [] : [[name, held[id]]]))
          expect(named).toEqual(plain)
        }
      }),
      runs(120, 3000),
    )
  })

  it('tells each who looks which rows may have changed since they last did', () => {
    const small = withEveryType(smallWorkspace())
    const { state, project } = small
    const context = viewContext(state, project.id, { me: small.people.owner.id, today: testToday })
    const [one] = fc.sample(random.item, { numRuns: 1, seed: 7 })
    for (let i = 0; i < 6; i++) state.put('item', random.itemId(i), random.itemAt(i, { ...one!, parent: null, archived: null }, () => true)) // prettier-ignore
    for (const [child, parent] of [[1, 0], [2, 1], [4, 3]] as const) state.set('item', random.itemId(child), 'parent', random.itemId(parent)) // prettier-ignore
    const sum = fieldsOf(state, project.id).find(({ name }) => name === 'own rollUp')!
    source(context, sum)
    const titles = (rows: readonly number[]) => rows.map((row) => context.table.ids[row]!.slice(-1)).sort()
    const [first, second] = [momentNow(), momentNow()]
    state.set('item', random.itemId(2), project.uses.effort!, 500)
    expect(titles(changedSince(context, first))).toEqual(['0', '1', '2'])
    // Whoever looks later hears of the same.
    expect(titles(changedSince(context, second))).toEqual(['0', '1', '2'])
    const third = momentNow()
    expect(changedSince(context, third)).toEqual([])
    // What leaves changes what it leaves and where it comes.
    state.set('item', random.itemId(2), 'parent', random.itemId(4))
    expect(titles(changedSince(context, third))).toEqual(['0', '1', '2', '3', '4'])
    const last = momentNow()
    state.put('item', random.itemId(4), undefined as Item | undefined)
    expect(titles(changedSince(context, last))).toContain('3')
  })
})

describe('rows that have changed', () => {
  it('are remembered for a while, and then all may have', () => {
    const rows = new ChangedRows()
    rows.addAll(1)
    expect(rows.since(0)).toBeUndefined()
    expect(rows.since(1)).toEqual([])
    for (let moment = 2; moment < 30_000; moment++) rows.add(moment % 7, moment)
    expect(rows.since(29_998)).toEqual([29_999 % 7])
    expect(rows.since(29_990)?.length).toBe(9)
    expect(rows.since(3)).toBeUndefined()
  })
})

it('a table says which rows were touched, as long as they are few', () => {
  const { state, project } = withEveryType(smallWorkspace())
  const table = state.table(project.id)
  const [one] = fc.sample(random.item, { numRuns: 1, seed: 9 })
  state.put(
    'item',
    random.itemId(0),
    random.itemAt(0, { ...one!, parent: null }, () => true),
  )
  const { touches } = table
  state.set('item', random.itemId(0), 'title', 'another')
  expect(table.touchedSince(touches)).toEqual([table.maybeRow(random.itemId(0))])
  for (let i = 0; i < 5000; i++) state.set('item', random.itemId(0), 'title', `title ${i}`)
  expect(table.touchedSince(touches)).toBeUndefined()
})
