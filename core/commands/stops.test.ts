import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import { heldByColumn, ColumnPlaces } from '../board/columns'
import { sentencesOf } from '../items/told'
import { boardsOf, columnsOf, limitSetOf, statusesOf, type LimitSet } from '../model/reader'
import type { BoardColumn, ItemId, Person } from '../model/records'
import { Acting } from '../test-kit/acting'
import { runs } from '../test-kit/runs'
import { command, randomCommand, type Dice, type PlainRoom, type Small } from '../test-kit/workspace'
import { together } from './bare'
import type { BareCommand } from './registry'
import { isHeldToLimits } from './stops'

let acting: Acting
let small: Small
let room: PlainRoom
let columns: readonly BoardColumn[]
function begin(): void {
  acting = new Acting()
  ;({ small, room } = acting)
  columns = columnsOf(small.state, boardsOf(small.state, small.project.id)[0]!.id)
}
beforeEach(begin)
const does = (bare: BareCommand, by?: Person) => acting.does(bare, by)
const statuses = () => statusesOf(small.state, small.project.id)
const fieldNamed = (name: string) => acting.field(name)
function limit(column: number, to: Partial<LimitSet>): void {
  const { id } = columns[column]!
  const whole = { most: null, least: null, of: null, stops: true, ...to }
  expect(acting.leadDoes({ type: 'limit.set', column: id, from: limitSetOf(small.state, id), to: whole })).toBe('done')
}
const ofEffort = (effort?: number) => (effort ? { values: { [fieldNamed('effort').id]: effort } } : {})
const adding = (id: ItemId, status: number, effort?: number) => acting.adding(id, status, ofEffort(effort))
const add = (status: number, effort?: number) => acting.add(status, ofEffort(effort))
const moving = (item: ItemId, from: number, to: number) => acting.moving(item, from, to)
const overruling = (item: ItemId, column: number, reason = 'frost tonight'): BareCommand => ({
  type: 'limit.overrule', column: columns[column]!.id, item, reason,
}) // prettier-ignore

describe('a limit that stops', () => {
  it('lets nothing in past it, whichever way: moved, set, added, restored, or by another kind', () => {
    limit(2, { most: 1 })
    const [inside, outside] = [add(2), add(1)]
    const status = fieldNamed('effort') && statuses()[2]!.id
    expect(does(moving(outside, 1, 2))).toBe('column-full')
    expect(does({ type: 'items.set', items: [{ item: outside, set: { status: { from: statuses()[1]!.id, to: status } } }] })).toBe('column-full') // prettier-ignore
    expect(does(adding(small.ids.item(), 2))).toBe('column-full')
    expect(does({ type: 'items.archive', items: [inside], archived: true })).toBe('done')
    expect(does(moving(outside, 1, 2))).toBe('done')
    expect(does({ type: 'items.archive', items: [inside], archived: false })).toBe('column-full')
    expect(does(together([moving(outside, 2, 1), { type: 'items.archive', items: [inside], archived: false }]))).toBe('done') // prettier-ignore
  })

  it('says which column, and what it would hold', () => {
    limit(2, { most: 0 })
    const item = add(1)
    const done = room.do(command(small.ids, moving(item, 1, 2)), small.people.contributor.id)
    expect(done.ok || done.problem).toMatchObject({ said: { name: 'In hand', most: '0', would: '1' }, at: [{ item }] })
  })

  it('sums a field, also where its value is raised where an item stands', () => {
    const effort = fieldNamed('effort').id
    limit(2, { most: 1000, of: effort })
    const item = add(2, 800)
    expect(does(adding(small.ids.item(), 2, 300))).toBe('column-full')
    const raise = (from: number, to: number) => does({ type: 'items.set', items: [{ item, set: { [effort]: { from, to } } }] }) // prettier-ignore
    expect(raise(800, 1100)).toBe('column-full')
    expect(raise(800, 1000)).toBe('done')
    expect(raise(1000, 900)).toBe('done')
  })

  it('holds nobody to what is over already, as long as it is not more', () => {
    const [one, two] = [add(2), add(2)]
    limit(2, { most: 1 })
    expect(does({ type: 'items.set', items: [{ item: one, set: { title: { from: 'Sow', to: 'Sow leeks' } } }] })).toBe('done') // prettier-ignore
    expect(does(moving(two, 2, 1))).toBe('done')
    expect(does(moving(two, 1, 2))).toBe('column-full')
  })

  it('stops neither set-up nor undo', () => {
    limit(2, { most: 1 })
    const first = add(2)
    const moved = room.do(command(small.ids, moving(first, 2, 1)), small.people.contributor.id)
    const second = add(2)
    if (!moved.ok) throw new Error('not moved')
    expect(does({ type: 'revert', of: moved.value.command })).toBe('done')
    expect(does({ type: 'status.remove', target: statuses()[1]!.id, how: { to: statuses()[2]!.id } }, small.people.lead)).toBe('done') // prettier-ignore
    expect([first, second].map((id) => small.state.maybe('item', id)?.status)).toEqual([statuses()[1]!.id, statuses()[1]!.id]) // prettier-ignore
    expect(isHeldToLimits({ type: 'together', commands: [{ type: 'status.set' }, { type: 'items.set' }] })).toBe(true)
    expect(isHeldToLimits({ type: 'together', commands: [{ type: 'status.set' }] })).toBe(false)
  })

  it('is overruled by a lead with a reason, which history keeps; by nobody else', () => {
    limit(2, { most: 0 })
    const item = add(1)
    const both = (reason?: string) => together([moving(item, 1, 2), overruling(item, 2, reason)])
    expect(does(both())).toBe('not-allowed')
    expect(does(both('  '), small.people.lead)).toBe('no-reason')
    expect(does(overruling(item, 2), small.people.lead)).toBe('done')
    expect(does(moving(item, 1, 2), small.people.lead)).toBe('column-full')
    expect(does(both(), small.people.lead)).toBe('done')
    const entry = room.entries.at(-1)!
    expect(sentencesOf(small.state, entry, item, String)).toEqual([
      'moved it from Ready to In hand', 'let it past the limit of In hand: “frost tonight”',
    ]) // prettier-ignore
    expect(does({ type: 'revert', of: entry.command }, small.people.lead)).toBe('done')
    expect(small.state.maybe('item', item)?.status).toBe(statuses()[1]!.id)
  })

  it('is refused where it makes no sense', () => {
    const set = (to: Partial<LimitSet>) => does({ type: 'limit.set', column: columns[1]!.id, from: null, to: { most: null, least: null, of: null, stops: false, ...to } }, small.people.lead) // prettier-ignore
    expect(set({ most: -1 })).toBe('limit-below-zero')
    expect(set({ most: 2, least: 3 })).toBe('least-above-most')
    expect(set({ most: 2, of: fieldNamed('due').id })).toBe('wrong-value')
    expect(set({ least: 2 })).toBe('done')
  })

  it('is kept by whatever people do at random', () => {
    const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>
    fc.assert(
      fc.property(fc.array(dice, { minLength: 40, maxLength: 60 }), (rolls) => {
        begin()
        for (const [at, most] of [3, 2, 2].entries()) limit(at, { most })
        const held = () => heldByColumn(small.state, small.project.id, new ColumnPlaces(small.state, columns[0]!.board)).columns // prettier-ignore
        for (const roll of rolls) {
          const one = randomCommand(small.state, small.project, roll, small.ids, [], small.people.owner.id)
          if (!one || !isHeldToLimits(one)) continue
          const before = held()
          room.do(one, small.people.owner.id)
          for (const [column, now] of held()) {
            const most = limitSetOf(small.state, column)?.most
            if (most !== undefined && most !== null) expect(now).toBeLessThanOrEqual(Math.max(most, before.get(column) ?? 0)) // prettier-ignore
          }
        }
      }),
      runs(60, 1000),
    )
  })
})
