import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { viewContext } from '../facts/contract'
import { compareSiblings } from '../model/reader'
import type { Item } from '../model/records'
import { randomOf, withEveryType, plainOrder } from '../test-kit/views'
import { runs } from '../test-kit/runs'
import { grown, smallWorkspace, today, type Dice, type Small } from '../test-kit/workspace'
import type { ViewQuestion } from './evaluate'
import { LiveView } from './live'
import { insideOf, seen, treeOf } from './tree'

const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>
const rolls = fc.array(dice, { minLength: 5, maxLength: 60 })
const inOwnOrder = [{ by: { fact: 'place' as const }, down: false }]
const whole: ViewQuestion = { where: [], sort: inOwnOrder, totals: [{ name: 'count' }], group: [] }

const liveOf = ({ state, project, people }: Small, question: ViewQuestion): LiveView =>
  new LiveView(question, viewContext(state, project.id, { me: people.lead.id, today }))

/** The same worked out item by item: what is listed, and those around it, parents before what is inside them. */
function plainTree(small: Small, isIn: (item: Item) => boolean, compare: (a: Item, b: Item) => number) {
  const { state, project } = small
  const listed = [...state.itemsOf(project.id)].filter((item) => !item.archived)
  const around = (item: Item): Item | undefined => {
    for (
      let at = item.parent && state.maybe('item', item.parent);
      at;
      at = at.parent ? state.maybe('item', at.parent) : undefined
    )
      if (!at.archived) return at
    return undefined
  }
  const kept = new Set<string>()
  for (const item of listed.filter(isIn))
    for (let at: Item | undefined = item; at && !kept.has(at.id); at = around(at)) kept.add(at.id)
  const lines: { id: string; level: number; inside: number }[] = []
  const walk = (of: string | undefined, level: number): number => {
    const its = listed.filter((item) => kept.has(item.id) && around(item)?.id === of).sort(compare)
    return its.reduce((sum, item) => {
      const line = { id: item.id, level, inside: 0 }
      lines.push(line)
      line.inside = walk(item.id, level + 1)
      return sum + line.inside + Number(isIn(item))
    }, 0)
  }
  walk(undefined, 0)
  return lines
}
function linesOf(live: LiveView) {
  const { order, level, end, table, isIn } = treeOf(live)
  return Array.from(order, (row, k) => ({
    id: table.ids[row]!,
    level: level[k]!,
    inside: order.subarray(k + 1, end[k]).reduce((sum, one) => sum + isIn[one]!, 0),
  }))
}

describe('the tree of a view', () => {
  it('has every item after what it is inside of, siblings in their order, also after changes', () => {
    fc.assert(
      fc.property(rolls, rolls, (steps, then) => {
        const small = smallWorkspace()
        grown(small, steps)
        const live = liveOf(small, whole)
        expect(linesOf(live)).toEqual(plainTree(small, () => true, compareSiblings))
        grown(small, then, (touched) => live.update(touched))
        expect(linesOf(live)).toEqual(plainTree(small, () => true, compareSiblings))
      }),
      runs(60, 3000),
    )
  })

  it('has what is around the items of a narrowed view, in the order of the view', () => {
    const small = withEveryType(smallWorkspace())
    const random = randomOf(small)
    fc.assert(
      fc.property(random.view, fc.array(random.item, { maxLength: 30 }), (view, items) => {
        const { state, project } = small
        const made = items.map((one, i) => random.itemAt(i, one, (id) => !!state.placeOf(id)))
        for (const item of made) state.put('item', item.id, item)
        const question = { ...view, group: [], sort: view.sort.length ? view.sort : inOwnOrder }
        const live = liveOf(small, question)
        const isIn = new Set([...live.rows()].map((row) => live.plan.context.table.ids[row]!))
        const compare = plainOrder(state, project.id, question.sort, { me: small.people.lead.id, today })
        const lines = linesOf(live)
        const plain = plainTree(small, (item) => isIn.has(item.id), compare)
        for (const item of made) state.put('item', item.id, undefined)
        expect(lines).toEqual(plain)
      }),
      runs(100, 3000),
    )
  })

  it('shows what is open, and totals what is inside', () => {
    fc.assert(
      fc.property(rolls, fc.integer({ min: 1, max: 4 }), (steps, open) => {
        const small = smallWorkspace()
        grown(small, steps)
        const live = liveOf(small, whole)
        const tree = treeOf(live)
        const lines = linesOf(live)
        const places = [...seen(tree, (_row, level) => level + 1 < open)]
        expect(places).toEqual(lines.flatMap(({ level }, k) => (level < open ? [k] : [])))
        expect([...seen(tree, () => true)]).toEqual(lines.map((_, k) => k))
        for (const k of places) expect(insideOf(live, tree, k).totals).toEqual([must(lines[k], 'line').inside + 1])
      }),
      runs(60, 1500),
    )
  })
})
