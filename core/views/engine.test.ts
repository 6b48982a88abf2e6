import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Item } from '../model/records'
import { plainView, randomOf, testToday, type PlainGroup, withEveryType } from '../test-kit/views'
import { runs } from '../test-kit/runs'
import { smallWorkspace, type Small } from '../test-kit/workspace'
import type { ViewQuestion } from './evaluate'
import { LiveView, type Group } from './live'
import type { Viewer } from '../facts/viewer'
import { viewContext } from '../facts/contract'

const template = withEveryType(smallWorkspace())
const random = randomOf(template)

function projectWith(items: readonly Parameters<typeof random.itemAt>[1][]): Small {
  const small = withEveryType(smallWorkspace())
  for (const person of [small.people.owner, small.people.lead])
    small.state.put('person', person.id, { ...person, craft: 'plants' })
  items.forEach((item, i) => small.state.put('item', random.itemId(i), random.itemAt(i, item, (id) => !!small.state.placeOf(id)))) // prettier-ignore
  items.forEach(({ links }, i) => random.relink(small.state, i, links))
  return small
}
const lookingAt = (small: Small): Viewer => {
  const statuses = [...small.state.all('status')]
  return {
    me: small.people.owner.id,
    today: testToday,
    past: (daysAgo, item) => statuses[(daysAgo + item.charCodeAt(item.length - 1)) % statuses.length]?.id,
  }
}

/** What both say, in the same shape. */
function shown(live: LiveView) {
  const { table } = live.plan.context
  const { totals } = live.question
  const group = (one: Group): PlainGroup => ({
    path: one.path,
    count: one.count,
    totals: one.totals.slice(0, totals.length),
    groups: one.groups.map(group),
    items: Array.from(one.rows.subarray(0, one.n), (row) => table.ids[row]!),
  })
  return {
    items: live.question.group.length ? undefined : Array.from(live.inOrder(), (row) => table.ids[row]),
    count: live.count,
    totals: live.totals.slice(0, totals.length),
    groups: live.question.group.length ? live.groups.map(group) : [],
  }
}
function plain(small: Small, question: ViewQuestion, viewer: Viewer) {
  const { items, totals, groups } = plainView(small.state, small.project.id, question, viewer)
  const ids = items.map((item: Item) => item.id as string)
  return { items: question.group.length ? undefined : ids, count: items.length, totals, groups }
}
const liveOf = (small: Small, question: ViewQuestion, viewer: Viewer) =>
  new LiveView(question, viewContext(small.state, small.project.id, viewer))

describe('the engine, against a view worked out item by item', () => {
  it('gives the same items, order, groups and totals for any question', () => {
    fc.assert(
      fc.property(fc.array(random.item, { maxLength: 90 }), random.view, (items, question) => {
        const small = projectWith(items)
        const viewer = lookingAt(small)
        expect(shown(liveOf(small, question, viewer))).toEqual(plain(small, question, viewer))
      }),
      runs(300, 12_000),
    )
  })

  const change = fc.record({ at: fc.nat(80), what: fc.constantFrom('anew', 'gone', 'links', 'status', 'values', 'title', 'parent', 'rank', 'archived'), to: random.item }) // prettier-ignore
  it('kept right change by change, gives what it would give recomputed', () => {
    fc.assert(
      fc.property(
        fc.array(random.item, { minLength: 5, maxLength: 70 }),
        random.view,
        fc.array(fc.array(change, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 12 }),
        (items, question, steps) => {
          const small = projectWith(items)
          const viewer = lookingAt(small)
          const live = liveOf(small, question, viewer)
          for (const step of steps) {
            const touched = new Set<string>()
            for (const one of step) apply(small, one, touched)
            live.update(touched)
            expect(shown(live)).toEqual(plain(small, question, viewer))
          }
        },
      ),
      runs(300, 12_000),
    )
  })

  it('keeps right what was once found wrong: levels above, what an item that goes has added, a field’s first value', () => {
    // Found by the property above.
    const [one] = fc.sample(random.item, { numRuns: 1, seed: 4 })
    const plainItem = { ...one!, parent: null, archived: null, values: {} }
    const small = projectWith(Array.from({ length: 12 }, () => plainItem))
    const viewer = lookingAt(small)
    const { state } = small
    const inside = (child: number, parent: number) =>
      state.set('item', random.itemId(child), 'parent', random.itemId(parent))
    inside(11, 10)
    const level: ViewQuestion = { where: [{ about: 'none', of: [{ about: 'fact', fact: { fact: 'level' }, test: { is: 'between', from: 3, to: null } }] }], group: [], sort: [], totals: [{ name: 'sum', of: { fact: 'level' } }] } // prettier-ignore
    const age: ViewQuestion = { where: [], group: [{ by: { fact: 'status' }, byTotal: { name: 'sum', of: { fact: 'age' } } }], sort: [], totals: [] } // prettier-ignore
    const unnamed: ViewQuestion = { where: [{ about: 'fact', fact: { fact: 'people' }, test: { is: 'empty' } }], group: [], sort: [], totals: [] } // prettier-ignore
    const lives = [level, age, unnamed].map((question) => liveOf(small, question, viewer))
    const told = (...items: number[]) => {
      for (const live of lives) {
        live.update(items.map(random.itemId))
        expect(shown(live)).toEqual(plain(small, live.question, viewer))
      }
    }
    inside(10, 9)
    told(10)
    inside(9, 8)
    told(9)
    state.put('item', random.itemId(0), undefined)
    told(0)
    // The first value of a field.
    state.set('item', random.itemId(1), small.project.uses.assignees!, [small.people.lead.id])
    told(1)
  })

  function apply(
    small: Small,
    { at, what, to }: { at: number; what: string; to: Parameters<typeof random.itemAt>[1] },
    touched: Set<string>,
  ): void {
    const { state } = small
    const id = random.itemId(at)
    const made = random.itemAt(at, to, (other) => !!state.placeOf(other))
    const touch = (one: string | null | undefined) => one && touched.add(one)
    touch(id)
    touch(state.maybe('item', id)?.parent)
    if (what === 'links' || what === 'gone')
      for (const end of random.relink(state, at, what === 'links' && state.placeOf(id) ? to.links : [])) touch(end)
    if (what === 'links' && state.placeOf(id)) return
    if (what === 'anew' || !state.placeOf(id)) state.put('item', id, made)
    else if (what === 'gone') {
      for (const child of state.childrenOf(id as Item['id'])) touch(child.id)
      state.put('item', id, undefined)
    } else if (what === 'values')
      for (const [field, value] of Object.entries(made.values)) state.set('item', id, field, value)
    else state.set('item', id, what, made[what as 'title'])
    touch(state.maybe('item', id)?.parent)
  }
})
