import { beforeEach, describe, expect, it } from 'vitest'
import type { BareCommand } from '../commands/registry'
import { rowOf } from '../layouts/rows'
import { fieldsOf, itemKey } from '../model/reader'
import type { Field, FieldId, ItemId } from '../model/records'
import { State } from '../model/state'
import { Acting } from '../test-kit/acting'
import { today } from '../test-kit/workspace'
import { readPayload, toPayload } from '../wire/payload'
import { sentencesOf } from './told'

let acting: Acting
let needs: Field
let neededFor: Field
beforeEach(() => {
  acting = new Acting()
  ;[needs, neededFor] = [acting.field('needs'), acting.field('needed for')]
})
const put = (item: ItemId, field: Field, add: ItemId[], remove: ItemId[] = []): BareCommand => ({
  type: 'items.set', items: [{ item, set: { [field.id]: { add, remove } } }],
}) // prettier-ignore
/** What an item shows in a relation, as rows tell it. */
function shown(item: ItemId, field: Field): unknown {
  const { state } = acting.small
  return rowOf(state, today, acting.item(item), [field]).item.values[field.id] ?? null
}
const undo = (): BareCommand => ({ type: 'revert', of: acting.room.entries.at(-1)!.command })
const key = (item: ItemId): string => itemKey(acting.small.state, acting.item(item))

describe('a relation', () => {
  it('shows at both ends, from whichever it is made, once', () => {
    const [one, two, three] = [acting.add(0), acting.add(0), acting.add(0)]
    expect(acting.does(put(one, needs, [two]))).toBe('done')
    expect([shown(one, needs), shown(two, neededFor), shown(two, needs)]).toEqual([[two], [one], null])
    // The same again, from the other end: it is there already.
    expect(acting.does(put(two, neededFor, [one]))).toBe('done')
    expect(acting.does(put(three, neededFor, [one]))).toBe('done')
    expect(shown(one, needs)).toEqual([two, three].sort())
    expect([...acting.small.state.all('link')]).toHaveLength(2)
    expect(acting.does(put(two, neededFor, [], [one]))).toBe('done')
    expect([shown(one, needs), shown(two, neededFor)]).toEqual([[three], null])
    // It is nothing of the item’s own: whoever holds the item alone does not hold it.
    expect(acting.item(one).values).not.toHaveProperty(needs.id)
  })

  it('is refused to itself, to what is not there, past one where it takes one, and in another project’s field', () => {
    const [one, two, three] = [acting.add(0), acting.add(0), acting.add(0)]
    expect(acting.does(put(one, needs, [one]))).toBe('linked-itself')
    expect(acting.does(put(one, needs, [acting.small.ids.item()]))).toBe('gone')
    expect(acting.does(put(one, needs, [two]))).toBe('done')
    // *needed for* takes one item: from its own end, from the other end, and twice in one command.
    expect(acting.does(put(two, neededFor, [three]))).toBe('one-item')
    expect(acting.does(put(three, needs, [two]))).toBe('linked-already')
    expect(acting.does({ type: 'items.set', items: [{ item: one, set: { [needs.id]: { add: [three], remove: [] } } }, { item: two, set: { [needs.id]: { add: [three], remove: [] } } }] })).toBe('linked-already') // prettier-ignore
    expect(acting.does(put(two, neededFor, [three], [one]))).toBe('done')
    expect([shown(one, needs), shown(three, needs)]).toEqual([null, [two]])
    const id = acting.small.ids.item()
    expect(acting.does(acting.adding(id, 0, { values: { [needs.id]: [id] } }))).toBe('linked-itself')
  })

  it('comes with an item that is added, and goes by undo from both ends; what was linked since keeps the item', () => {
    const one = acting.add(0)
    const two = acting.add(0, { values: { [neededFor.id]: [one] } })
    expect([shown(one, needs), shown(two, neededFor)]).toEqual([[two], [one]])
    const added = acting.room.entries.at(-1)!.command
    expect(acting.does(undo())).toBe('done')
    expect([shown(one, needs), acting.small.state.placeOf(two)]).toEqual([null, undefined])
    expect(acting.does(undo())).toBe('done')
    expect([shown(one, needs), shown(two, neededFor)]).toEqual([[two], [one]])
    const three = acting.add(0)
    expect(acting.does(put(two, needs, [three]))).toBe('done')
    expect(acting.does({ type: 'revert', of: added })).toBe('nothing-to-undo')
    expect(shown(three, neededFor)).toEqual([two])
  })

  it('is told at both ends, and undo names it', () => {
    const [one, two] = [acting.add(0), acting.add(0)]
    acting.does(put(one, needs, [two]))
    const entry = acting.room.entries.at(-1)!
    const told = (item: ItemId) => sentencesOf(acting.small.state, entry, item, (day) => day)
    expect([told(one), told(two)]).toEqual([[`added ${key(two)} to needs`], [`added ${key(one)} to needed for`]])
    acting.does(put(one, needs, [], [two]))
    const left = acting.room.entries.at(-1)!
    expect(sentencesOf(acting.small.state, left, two, (day) => day)).toEqual([`removed ${key(one)} from needed for`])
  })

  it('crosses with the items of its project', () => {
    const [one, two] = [acting.add(0), acting.add(0)]
    acting.does(put(one, needs, [two]))
    const { state, project } = acting.small
    const crossed = JSON.parse(JSON.stringify(toPayload(state, project.id, 1))) as ReturnType<typeof toPayload>
    const replica = new State()
    for (const field of fieldsOf(state, project.id)) replica.put('field', field.id, field)
    readPayload(replica, crossed)
    expect([...replica.all('link')]).toEqual([...state.all('link')])
    const at = (item: ItemId, field: Field) => replica.table(project.id).linkColumn(field.id).get(replica.placeOf(item)!.row) // prettier-ignore
    expect([at(one, needs), at(two, neededFor)]).toEqual([[two], [one]])
  })
})

describe('the fields of a relation', () => {
  const field = (more: Partial<Field>): Field => ({
    id: acting.small.ids.next() as FieldId, project: acting.small.project.id, name: 'Beds', help: '', type: 'relation', settings: {}, rank: 'b9', archived: false, ...more,
  }) // prettier-ignore

  it('are made together, each naming the other, or one that is alike from both ends', () => {
    const one = field({})
    const two = field({ name: 'Plants', settings: { other: one.id, single: true } })
    const named = { ...one, settings: { other: two.id } }
    expect(acting.leadDoes({ type: 'field.make', field: named, options: [] })).toBe('wrong-value')
    expect(acting.leadDoes({ type: 'field.make', field: one, other: two, options: [] })).toBe('wrong-value')
    expect(acting.leadDoes({ type: 'field.make', field: named, other: { ...two, name: 'beds' }, options: [] })).toBe('name-taken') // prettier-ignore
    expect(acting.leadDoes({ type: 'field.make', field: { ...named, required: true }, other: two, options: [] })).toBe('wrong-value') // prettier-ignore
    expect(acting.leadDoes({ type: 'field.make', field: named, other: two, options: [] })).toBe('done')
    const alike = field({ name: 'See also' })
    expect(acting.leadDoes({ type: 'field.add', record: alike })).toBe('done')
    const [a, b] = [acting.add(0), acting.add(0)]
    expect(acting.does(put(a, alike, [b]))).toBe('done')
    expect([shown(a, alike), shown(b, alike)]).toEqual([[b], [a]])
    expect(acting.does(put(b, alike, [], [a]))).toBe('done')
    expect([shown(a, alike), shown(b, alike)]).toEqual([null, null])
  })

  it('are removed together and come back together, with every link', () => {
    const [one, two] = [acting.add(0), acting.add(0)]
    acting.does(put(one, needs, [two]))
    expect(acting.leadDoes({ type: 'field.remove', target: neededFor.id, how: {} })).toBe('done')
    expect(fieldsOf(acting.small.state, acting.small.project.id).filter(({ type }) => type === 'relation')).toEqual([])
    expect(acting.does({ type: 'revert', of: acting.room.entries.at(-1)!.command }, acting.small.people.lead)).toBe('done') // prettier-ignore
    expect([shown(one, needs), shown(two, neededFor)]).toEqual([[two], [one]])
  })

  it('keep the end that they have, are no other type, and are asked for by no status', () => {
    const set = (to: Field['settings']): BareCommand => ({ type: 'field.set', target: needs.id, set: { settings: { from: needs.settings, to } } }) // prettier-ignore
    expect(acting.leadDoes(set({}))).toBe('wrong-value')
    expect(acting.leadDoes(set({ ...needs.settings, single: true }))).toBe('done')
    expect(acting.leadDoes({ type: 'field.set', target: needs.id, set: { required: { from: null, to: true } } })).toBe('wrong-value') // prettier-ignore
    expect(acting.leadDoes({ type: 'field.retype', target: neededFor.id, from: { type: 'relation', settings: neededFor.settings }, to: { type: 'shortText', settings: {} }, unit: '', options: [] })).toBe('cannot-become') // prettier-ignore
    const step = [...acting.small.state.all('step')][0]!
    expect(acting.leadDoes({ type: 'step.set', target: step.id, set: { asks: { from: step.asks ?? null, to: [{ asks: 'field', field: needs.id }] } } })).toBe('wrong-value') // prettier-ignore
  })

  it('of which one was made since cannot be taken back while it is used', () => {
    const alike = field({ name: 'See also' })
    acting.leadDoes({ type: 'field.add', record: alike })
    const made = acting.room.entries.at(-1)!.command
    const [one, two] = [acting.add(0), acting.add(0)]
    acting.does(put(one, alike, [two]))
    expect(acting.does({ type: 'revert', of: made }, acting.small.people.lead)).toBe('nothing-to-undo')
    acting.does(put(one, alike, [], [two]))
    expect(acting.does({ type: 'revert', of: made }, acting.small.people.lead)).toBe('done')
  })
})
