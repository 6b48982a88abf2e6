import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import { tieId } from '../base/ids'
import { sentencesOf } from '../items/told'
import { likeAnother } from '../projects/like-another'
import { kindsOf, maybeStep, stepsOf } from '../model/reader'
import type { Demand, ItemId, Step } from '../model/records'
import { Acting } from '../test-kit/acting'
import { runs } from '../test-kit/runs'
import { randomCommand, type Dice } from '../test-kit/workspace'
import { together } from './bare'
import type { BareCommand } from './registry'

let acting: Acting
beforeEach(() => void (acting = new Acting()))

const workflow = () => kindsOf(acting.small.state, acting.small.project.id)[0]!.workflow
const stepAt = (status: number): Step => maybeStep(acting.small.state, workflow(), acting.status(status).id)!
function ask(status: number, ...asks: Demand[]): void {
  const { id, asks: from } = stepAt(status)
  expect(acting.leadDoes({ type: 'step.set', target: id, set: { asks: { from: from ?? null, to: asks } } })).toBe('done') // prettier-ignore
}
function goes(status: number, ...to: number[]): void {
  const { id, goesTo } = stepAt(status)
  const set = { goesTo: { from: goesTo ?? null, to: to.map((one) => acting.status(one).id) } }
  expect(acting.leadDoes({ type: 'step.set', target: id, set })).toBe('done')
}
const noting = (item: ItemId, status: number, text: string): BareCommand => ({
  type: 'items.note', status: acting.status(status).id, item, text,
}) // prettier-ignore
const effort = () => acting.field('effort').id
const problemOf = (bare: BareCommand) => {
  const { small, room } = acting
  const done = room.do({ id: small.ids.command(), v: 1, ...bare } as never, small.people.contributor.id)
  return done.ok ? undefined : done.problem
}

describe('allowed moves', () => {
  it('are those named, whichever way an item is moved', () => {
    goes(0, 1)
    const item = acting.add(0)
    expect(acting.does(acting.moving(item, 0, 2))).toBe('no-such-move')
    expect(acting.does(acting.setting(item, { status: { from: acting.status(0).id, to: acting.status(2).id } }))).toBe('no-such-move') // prettier-ignore
    expect(problemOf(acting.moving(item, 0, 2))).toMatchObject({ said: { from: 'Noted', to: 'In hand' }, at: [{ item }] }) // prettier-ignore
    expect(acting.does(acting.moving(item, 0, 1))).toBe('done')
    expect(acting.does(acting.moving(item, 1, 3))).toBe('done')
  })

  it('hold a lead too, but neither set-up nor undo', () => {
    const item = acting.add(1)
    expect(acting.leadDoes(acting.moving(item, 1, 2))).toBe('done')
    goes(2)
    expect(acting.leadDoes(acting.moving(item, 2, 1))).toBe('no-such-move')
    const moved = acting.room.entries.filter(({ type }) => type === 'items.move').at(-1)!
    expect(acting.leadDoes({ type: 'revert', of: moved.command })).toBe('done')
    expect(acting.leadDoes(acting.moving(item, 1, 2))).toBe('done')
    expect(acting.leadDoes({ type: 'status.remove', target: acting.status(2).id, how: { to: acting.status(1).id } })).toBe('done') // prettier-ignore
    expect(acting.item(item).status).toBe(acting.status(1).id)
  })

  it('to what has gone are none, and undo of its removal brings them back', () => {
    goes(0, 1)
    const item = acting.add(0)
    const gone = acting.status(1)
    expect(acting.leadDoes({ type: 'status.remove', target: gone.id, how: { to: acting.status(2).id } })).toBe('done')
    expect(acting.does(acting.moving(item, 0, 1))).toBe('no-such-move')
    expect(acting.leadDoes({ type: 'revert', of: acting.room.entries.at(-1)!.command })).toBe('done')
    expect(acting.does(acting.moving(item, 0, 1))).toBe('done')
  })
})

describe('what entering a status asks for', () => {
  it('is a field filled: moved, set, added, restored or made another kind', () => {
    const [old, late] = [acting.add(2), acting.add(1)]
    ask(2, { asks: 'field', field: effort() })
    const moved = acting.moving(late, 1, 2)
    expect(problemOf(moved)).toEqual({ code: 'entry-asks', said: { name: 'In hand', asks: 'effort' }, at: [{ item: late, field: effort(), yours: acting.status(2).id }] }) // prettier-ignore
    expect(acting.does(acting.adding(acting.small.ids.item(), 2))).toBe('entry-asks')
    expect(acting.does(acting.adding(acting.small.ids.item(), 2, { values: { [effort()]: 3 } }))).toBe('done')
    // What stands there since before stays, and may change; put away, it enters when it comes back.
    expect(acting.does(acting.setting(old, { title: { from: 'Sow', to: 'Sow leeks' } }))).toBe('done')
    expect(acting.does({ type: 'items.archive', items: [old], archived: true })).toBe('done')
    expect(acting.does({ type: 'items.archive', items: [old], archived: false })).toBe('entry-asks')
    const fill = (item: ItemId) => acting.setting(item, { [effort()]: { from: null, to: 2 } })
    expect(acting.does(together([{ type: 'items.archive', items: [old], archived: false }, fill(old)]))).toBe('done')
    expect(acting.does(together([moved, fill(late)]))).toBe('done')
    expect(acting.item(late)).toMatchObject({ status: acting.status(2).id, values: { [effort()]: 2 } })
    const kind = kindsOf(acting.small.state, acting.small.project.id)[0]!
    const other = { ...kind, id: acting.small.ids.next() as typeof kind.id, name: 'Defect', rank: 'b8' }
    expect(acting.leadDoes({ type: 'kind.add', record: other })).toBe('done')
    expect(acting.does(acting.setting(late, { [effort()]: { from: 2, to: null } }))).toBe('done')
    expect(acting.does(acting.setting(late, { kind: { from: kind.id, to: other.id } }))).toBe('entry-asks')
  })

  it('is a note, which is kept with the move and in the history', () => {
    ask(3, { asks: 'note' })
    const item = acting.add(1)
    const moved = acting.moving(item, 1, 3)
    expect(problemOf(moved)?.at).toMatchObject([{ item, field: 'note' }])
    expect(acting.does(together([moved, noting(item, 3, '  ')]))).toBe('no-note')
    expect(acting.does(together([moved, noting(item, 3, 'all pots counted')]))).toBe('done')
    const entry = acting.room.entries.at(-1)!
    expect(sentencesOf(acting.small.state, entry, item, String)).toContain('noted: “all pots counted”')
    // The same once more asks again, and a note without a move is none.
    expect(acting.does(acting.moving(item, 3, 1))).toBe('done')
    expect(acting.does(moved)).toBe('entry-asks')
    expect(acting.does(noting(item, 3, 'by the way'))).toBe('no-note')
    expect(acting.does(together([moved, noting(item, 3, 'counted again')]))).toBe('done')
    expect(acting.small.state.maybe('moveNote', tieId<'moveNote'>(acting.status(3).id, item))?.text).toBe('counted again') // prettier-ignore
    expect(acting.does({ type: 'revert', of: acting.room.entries.at(-1)!.command })).toBe('done')
    expect(acting.small.state.maybe('moveNote', tieId<'moveNote'>(acting.status(3).id, item))?.text).toBe('all pots counted') // prettier-ignore
  })

  it('is that everything inside is over', () => {
    ask(4, { asks: 'children' })
    const parent = acting.add(1)
    const child = acting.add(1, { parent })
    expect(acting.does(acting.moving(parent, 1, 4))).toBe('entry-children')
    const both = { type: 'items.move', items: [child, parent].map((item) => ({ item, status: { from: acting.status(1).id, to: acting.status(4).id } })) } // prettier-ignore
    expect(acting.does(both as BareCommand)).toBe('done')
  })

  it('is a role, or somebody who isn’t an assignee', () => {
    ask(4, { asks: 'role', role: 'lead' })
    const item = acting.add(1)
    expect(acting.does(acting.moving(item, 1, 4))).toBe('entry-role')
    expect(acting.leadDoes(acting.moving(item, 1, 4))).toBe('done')
    ask(3, { asks: 'another' })
    const { contributor } = acting.small.people
    const people = acting.small.project.uses.assignees!
    const mine = acting.add(1, { values: { [people]: [contributor.id] } })
    expect(acting.does(acting.moving(mine, 1, 3))).toBe('entry-another')
    const off: BareCommand = { type: 'items.set', items: [{ item: mine, set: { [people]: { add: [], remove: [contributor.id] } } }] } // prettier-ignore
    expect(acting.does(together([acting.moving(mine, 1, 3), off]))).toBe('entry-another')
    expect(acting.leadDoes(acting.moving(mine, 1, 3))).toBe('done')
  })

  it('is nothing of a field that was removed', () => {
    ask(2, { asks: 'field', field: effort() })
    expect(acting.leadDoes({ type: 'field.remove', target: effort(), how: {} })).toBe('done')
    expect(acting.does(acting.moving(acting.add(1), 1, 2))).toBe('done')
  })

  it('holds a contributor’s bring-in, and not a lead’s', () => {
    ask(2, { asks: 'field', field: effort() })
    const { items } = acting.adding(acting.small.ids.item(), 2) as { items: readonly object[] }
    const file = { type: 'bring-in', project: acting.small.project.id, people: [], kinds: [], fields: [], options: [], texts: [], items } as unknown as BareCommand // prettier-ignore
    expect(acting.does(file)).toBe('entry-asks')
    expect(acting.leadDoes(file)).toBe('done')
  })

  it('goes with a project’s set-up to another, by its own ids', () => {
    ask(2, { asks: 'field', field: effort() }, { asks: 'note' })
    goes(2, 1)
    const { state, project, ids, people } = acting.small
    const named = { name: 'Seed bank', prefix: 'SED', colour: 'moss', rank: 'b8', maker: people.lead.id } as const
    const { body: like } = likeAnother(state, project, named, ids.next)
    const step = like.steps.find(({ asks }) => asks?.length)!
    expect(step.goesTo).toEqual([like.statuses[1]!.id])
    expect(like.fields.map(({ id }) => id as string)).toContain((step.asks![0] as { field: string }).field)
  })

  it('is had by everything that people bring there at random', () => {
    const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>
    fc.assert(
      fc.property(fc.array(dice, { minLength: 40, maxLength: 60 }), (rolls) => {
        acting = new Acting()
        const { small, room } = acting
        ask(2, { asks: 'field', field: effort() })
        goes(0, 1)
        const [noted, hand] = [acting.status(0).id, acting.status(2).id]
        const of = stepsOf(small.state, workflow()).map(({ status }) => status)
        for (const roll of rolls) {
          const one = randomCommand(small.state, small.project, roll, small.ids, [], small.people.owner.id)
          if (!one || !/^(?:items|together)/.test(one.type)) continue
          const before = new Map([...small.state.itemsOf(small.project.id)].map((item) => [item.id, item]))
          room.do(one, small.people.owner.id)
          for (const item of small.state.itemsOf(small.project.id)) {
            const was = before.get(item.id)
            if (!of.includes(item.status) || item.archived || was?.archived || was?.status === item.status) continue
            if (item.status === hand) expect(item.values[effort()]).toBeDefined()
            if (was?.status === noted) expect(item.status).toBe(acting.status(1).id)
          }
        }
      }),
      runs(60, 1000),
    )
  })
})
