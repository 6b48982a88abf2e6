import { beforeEach, describe, expect, it } from 'vitest'
import { judge, type BareCommand } from '../../commands/registry'
import { tieId } from '../../base/ids'
import { fieldsOf, kindsOf, startOfKind, stepsOf } from '../../model/reader'
import { fieldsShownBy, inGroups } from '../../model/shown-fields'
import type { Field, FieldId, ItemId, Kind, KindId, StatusId, WorkflowId } from '../../model/records'
import { likeAnother } from '../like-another'
import { command, contextOf, PlainRoom, smallWorkspace, type Small } from '../../test-kit/workspace'

let small: Small
let room: PlainRoom
let plain: Kind
let holder: Kind
beforeEach(() => {
  small = smallWorkspace()
  room = new PlainRoom(small.state)
  const [first] = kindsOf(small.state, small.project.id)
  plain = first!
  holder = { ...plain, id: small.ids.next() as KindId, name: 'Bed', rank: 'b9', shows: null, inside: null }
  does({ type: 'kind.add', record: holder })
})
const lead = () => small.people.lead.id
function does(bare: BareCommand): void {
  const done = room.do(command(small.ids, bare), lead())
  if (!done.ok) throw new Error(JSON.stringify(done.problem))
}
function refused(bare: BareCommand): unknown {
  const one = command(small.ids, bare)
  const judged = judge(small.state, one, contextOf(one, lead()))
  return judged.ok ? undefined : judged.problem.code
}
const fields = (): Field[] => fieldsOf(small.state, small.project.id)
const set = (kind: Kind, what: 'shows' | 'inside', to: readonly string[] | null): BareCommand =>
  ({ type: 'kind.set', target: kind.id, set: { [what]: { from: small.state.maybe('kind', kind.id)?.[what] ?? null, to } } }) as BareCommand // prettier-ignore
const newItem = (kind: Kind, parent: ItemId | null = null) => ({
  item: small.ids.item(), project: small.project.id, kind: kind.id, title: 'Air', status: startOfKind(small.state, kind.id)!.id, parent, values: {},
}) // prettier-ignore
const add = (one: ReturnType<typeof newItem>): BareCommand => ({ type: 'items.add', items: [one] })

describe('the fields that a kind shows', () => {
  it('are all, until it says which, in its order; one that goes is left out, and comes back', () => {
    expect(fieldsShownBy(small.state, plain)).toEqual(fields())
    const [one, two, three] = fields().map(({ id }) => id)
    does(set(plain, 'shows', [three!, one!, two!]))
    const shown = () => fieldsShownBy(small.state, small.state.maybe('kind', plain.id)!).map(({ id }) => id)
    expect(shown()).toEqual([three, one, two])
    does({ type: 'field.remove', target: one!, how: {} })
    expect(shown()).toEqual([three, two])
    does({ type: 'revert', of: room.entries.at(-1)!.command })
    expect(shown()).toEqual([three, one, two])
  })
  it('stand in groups, each from one field to where the next begins', () => {
    const [one, two, three] = fields()
    const kind = () => small.state.maybe('kind', plain.id)!
    const names = () => inGroups(fieldsShownBy(small.state, kind()), kind()).map(({ name, fields: held }) => [name, ...held.map((field) => field.name)]) // prettier-ignore
    does(set(plain, 'shows', [three!.id, one!.id, two!.id]))
    expect(names()).toEqual([[null, three!.name, one!.name, two!.name]])
    const groups = [{ name: 'Who', from: one!.id }, { name: 'When', from: two!.id }] // prettier-ignore
    does({ type: 'kind.set', target: plain.id, set: { groups: { from: null, to: groups } } })
    expect(names()).toEqual([
      [null, three!.name],
      ['Who', one!.name],
      ['When', two!.name],
    ])
    // A group whose field is not shown begins nowhere.
    does(set(plain, 'shows', [three!.id, two!.id]))
    expect(names()).toEqual([
      [null, three!.name],
      ['When', two!.name],
    ])
    const foreign = [{ name: 'Who', from: small.ids.next() as FieldId }]
    expect(refused({ type: 'kind.set', target: plain.id, set: { groups: { from: groups, to: foreign } } })).toBe('other-project') // prettier-ignore
    const { body } = likeAnother(small.state, small.project, { name: 'Rock', prefix: 'ROC', colour: 'moss', rank: 'b9', maker: lead() }, () => small.ids.next()) // prettier-ignore
    expect(body.kinds[0]!.groups?.map(({ name }) => name)).toEqual(['Who', 'When'])
  })
  it('are fields of its project', () => {
    expect(refused(set(plain, 'shows', [small.ids.next()]))).toBe('other-project')
  })
  it('are the only ones that its items must have, and get by default', () => {
    const id = small.ids.next() as FieldId
    const field: Field = { id, project: small.project.id, name: 'Where', help: '', type: 'shortText', settings: {}, rank: 'b9', archived: false, required: true } // prettier-ignore
    does({ type: 'field.make', field, options: [] })
    does(set(plain, 'shows', [fields()[0]!.id]))
    expect(refused(add(newItem(plain)))).toBeUndefined()
    expect(refused(add(newItem(holder)))).toBe('required')
    does({ type: 'field.set', target: id, set: { fallback: { from: null, to: { is: 'value', value: 'here' } } } })
    const [shows, hides] = [newItem(holder), newItem(plain)]
    does(add(shows))
    does(add(hides))
    expect([shows, hides].map(({ item }) => small.state.maybe('item', item)?.values[id] ?? null)).toEqual([
      'here',
      null,
    ])
  })
})

describe('the kinds that may be inside one', () => {
  it('are any, until it says which: whichever way an item comes there', () => {
    const bed = newItem(holder)
    does(add(bed))
    expect(refused(add(newItem(plain, bed.item)))).toBeUndefined()
    does(set(holder, 'inside', [holder.id]))
    expect(refused(add(newItem(plain, bed.item)))).toBe('not-inside')
    expect(refused(add(newItem(holder, bed.item)))).toBeUndefined()
    const other = newItem(plain)
    does(add(other))
    expect(refused({ type: 'items.set', items: [{ item: other.item, set: { parent: { from: null, to: bed.item } } }] })).toBe('not-inside') // prettier-ignore
    const inner = newItem(holder, bed.item)
    does(add(inner))
    const becomes = (item: ItemId, from: Kind, to: Kind): BareCommand => ({ type: 'items.set', items: [{ item, set: { kind: { from: from.id, to: to.id } } }] }) // prettier-ignore
    expect(refused(becomes(inner.item, holder, plain))).toBe('not-inside')
    expect(refused(becomes(bed.item, holder, plain))).toBeUndefined()
    // What holds others alone does not become what may not hold them.
    does(set(plain, 'inside', []))
    expect(refused(becomes(bed.item, holder, plain))).toBe('not-inside')
  })
  it('leave what stands there since before, and undo its way', () => {
    const bed = newItem(holder)
    does(add(bed))
    const child = newItem(plain, bed.item)
    does(add(child))
    const entry = room.entries.at(-1)!.command
    does(set(holder, 'inside', []))
    expect(refused({ type: 'items.set', items: [{ item: child.item, set: { title: { from: 'Air', to: 'Aired' } } }] })).toBeUndefined() // prettier-ignore
    does({ type: 'revert', of: entry })
    does({ type: 'revert', of: room.entries.at(-1)!.command })
    expect(small.state.maybe('item', child.item)?.parent).toBe(bed.item)
  })
})

it('goes along where a project is started as another is, with ids of its own', () => {
  const [one] = fields()
  does(set(holder, 'shows', [one!.id]))
  does(set(holder, 'inside', [holder.id, plain.id]))
  const { body } = likeAnother(small.state, small.project, { name: 'Rock', prefix: 'ROC', colour: 'moss', rank: 'b9', maker: lead() }, () => small.ids.next()) // prettier-ignore
  const made = body.kinds.find(({ name }) => name === 'Bed')!
  expect(made.shows).toEqual([body.fields.find(({ name }) => name === one!.name)!.id])
  expect(made.inside).toEqual([made.id, body.kinds.find(({ name }) => name === plain.name)!.id])
  expect(made.shows).not.toEqual([one!.id])
})

describe('the workflow that a kind goes through', () => {
  const kindNow = (kind: Kind) => small.state.maybe('kind', kind.id)!
  const stepsNow = (workflow: string) => stepsOf(small.state, workflow).map(({ status }) => status)
  const ownOf = (kind: Kind): BareCommand => {
    const shared = small.state.maybe('workflow', kindNow(kind).workflow)!
    const to = small.ids.next() as WorkflowId
    const steps = stepsOf(small.state, shared.id).map((step) => ({ ...step, id: tieId<'step'>(to, step.status), workflow: to })) // prettier-ignore
    return { type: 'kind.follow', kind: kind.id, from: shared.id, to, made: { workflow: { ...shared, id: to, name: kind.name }, steps }, instead: null } // prettier-ignore
  }
  const statusOf = (item: ItemId) => small.state.maybe('item', item)!.status

  it('begins as the one that it shares, and then changes alone', () => {
    const [bed, air] = [newItem(holder), newItem(plain)]
    does(add(bed))
    does(add(air))
    const shared = kindNow(holder).workflow
    does(ownOf(holder))
    const own = kindNow(holder).workflow
    expect(own).not.toBe(shared)
    expect(stepsNow(own)).toEqual(stepsNow(shared))
    // A status is taken out for beds alone: a bed in it goes elsewhere, others stay.
    const [, second, third] = stepsNow(own)
    for (const one of [bed, air]) does({ type: 'items.move', items: [{ item: one.item, status: { from: one.status, to: second! } }] }) // prettier-ignore
    const out: BareCommand = { type: 'step.remove', target: tieId<'step'>(own, second!), how: { to: third! } }
    expect(refused({ ...out, how: {} })).toBe('in-use')
    expect(refused({ ...out, how: { to: second! } })).toBe('wrong-value')
    does(out)
    expect([statusOf(bed.item), statusOf(air.item)]).toEqual([third, second])
    expect(stepsNow(shared)).toContain(second)
    // Beds cannot come there any more, and what becomes a bed has to say where it goes.
    expect(refused({ type: 'items.move', items: [{ item: bed.item, status: { from: third!, to: second! } }] })).toBe('wrong-value') // prettier-ignore
    const become = (set: object): BareCommand => ({ type: 'items.set', items: [{ item: air.item, set: { kind: { from: plain.id, to: holder.id }, ...set } }] }) as BareCommand // prettier-ignore
    expect(refused(become({}))).toBe('wrong-value')
    does(become({ status: { from: second, to: third } }))
    expect(statusOf(air.item)).toBe(third)
    does({ type: 'revert', of: room.entries.at(-1)!.command })
    does({ type: 'revert', of: room.entries.find(({ command: one }) => one === room.entries.at(-3)!.command)!.command })
    expect([statusOf(bed.item), stepsNow(own)]).toEqual([second, stepsNow(shared)])
  })

  it('is another kind’s again: what stands where that has no status goes where one says; what nobody goes through is gone', () => {
    const bed = newItem(holder)
    does(add(bed))
    const shared = kindNow(holder).workflow
    does(ownOf(holder))
    const own = kindNow(holder).workflow
    const [first] = stepsNow(shared)
    const id = small.ids.next() as StatusId
    const status = { ...small.state.maybe('status', first!)!, id, name: 'Drying', rank: 'b91' }
    const step = {
      id: tieId<'step'>(own, id),
      workflow: own,
      status: id,
      rank: 'b91',
      turn: { of: 'assignees' as const },
    }
    does({ type: 'workflow.extend', status, step, column: null, held: null })
    does({ type: 'items.move', items: [{ item: bed.item, status: { from: bed.status, to: id } }] })
    const back: BareCommand = { type: 'kind.follow', kind: holder.id, from: own, to: shared, made: null, instead: null }
    expect(refused(back)).toBe('wrong-value')
    expect(refused({ ...back, instead: id })).toBe('wrong-value')
    expect(refused({ ...back, from: shared, to: own })).toBe('changed-meanwhile')
    does({ ...back, instead: first! })
    expect(statusOf(bed.item)).toBe(first)
    expect([small.state.maybe('workflow', own), stepsNow(own)]).toEqual([undefined, []])
    does({ type: 'revert', of: room.entries.at(-1)!.command })
    expect([statusOf(bed.item), kindNow(holder).workflow]).toEqual([id, own])
    expect(stepsNow(own)).toContain(id)
  })

  it('is whole, and of its project', () => {
    const own = ownOf(holder)
    if (own.type !== 'kind.follow') throw new Error()
    const { workflow, steps } = own.made!
    expect(refused({ ...own, made: { workflow, steps: steps.slice(1) } })).toBe('wrong-value')
    expect(refused({ ...own, made: { workflow, steps: [...steps, steps[0]!] } })).toBe('wrong-value')
    expect(refused({ ...own, made: null })).toBe('wrong-value')
    expect(refused({ ...own, kind: small.ids.next() as KindId })).toBe('gone')
  })
})
