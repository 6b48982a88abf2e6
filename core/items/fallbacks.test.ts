import { beforeEach, describe, expect, it } from 'vitest'
import type { ItemId } from '../base/ids'
import { judge, type BareCommand } from '../commands/registry'
import { addWorkingDays } from '../base/working-time'
import type { FieldTypeName } from '../fields/names'
import type { FieldSettings } from '../fields/settings'
import { isSetChange } from '../change/patch'
import { kindsOf, startOfKind } from '../model/reader'
import type { Fallback, Field, Item, Kind } from '../model/records'
import { command, contextOf, PlainRoom, smallWorkspace, type Small } from '../test-kit/workspace'

let small: Small
let room: PlainRoom
beforeEach(() => {
  small = smallWorkspace()
  room = new PlainRoom(small.state)
})
const lead = () => small.people.lead.id
const does = (bare: BareCommand) => room.do(command(small.ids, bare), lead())
function refused(bare: BareCommand): unknown {
  const one = command(small.ids, bare)
  const judged = judge(small.state, one, contextOf(one, lead()))
  return judged.ok ? undefined : [judged.problem.code, judged.problem.at?.length]
}
function field(
  type: FieldTypeName,
  more: { settings?: FieldSettings; required?: boolean; fallback?: Fallback },
): Field {
  const id = small.ids.next() as Field['id']
  const record: Field = {
    id,
    project: small.project.id,
    name: `Spare ${id.slice(-4)}`,
    help: '',
    type,
    settings: {},
    rank: 'b9',
    archived: false,
    ...more,
  }
  expect(does({ type: 'field.make', field: record, options: [] }).ok).toBe(true)
  return record
}
const newItem = (values: Item['values'] = {}) => {
  const kind = kindsOf(small.state, small.project.id)[0]!
  return { item: small.ids.item(), project: small.project.id, kind: kind.id, title: 'Air', status: startOfKind(small.state, kind.id)!.id, parent: null, values } as const // prettier-ignore
}
type New = ReturnType<typeof newItem>
const add = (...items: New[]): BareCommand => ({ type: 'items.add', items: items as never })
const valueOf = (item: ItemId, { id }: Field) => small.state.maybe('item', item)?.values[id] ?? null

describe('what a kind says of new items', () => {
  const say = (defaults: Record<string, Fallback> | null, from: Kind['defaults'] = null): BareCommand => {
    const { id } = kindsOf(small.state, small.project.id)[0]!
    return { type: 'kind.set', target: id, set: { defaults: { from, to: defaults } } }
  }

  it('comes before what the field says, and neither before what is said; a field that is not shown has nothing', () => {
    const words = field('shortText', { fallback: { is: 'value', value: 'as usual' } })
    const day = field('date', {})
    expect(does(say({ [words.id]: { is: 'value', value: 'of this kind' }, [day.id]: { is: 'today', days: 1 } })).ok).toBe(true) // prettier-ignore
    const [one, two, three] = [newItem(), newItem({ [words.id]: 'said' }), newItem()]
    for (const item of [one, two]) expect(does(add(item)).ok).toBe(true)
    expect([valueOf(one.item, words), valueOf(two.item, words)]).toEqual(['of this kind', 'said'])
    expect(valueOf(one.item, day)).toBe('2026-11-26')
    const kind = kindsOf(small.state, small.project.id)[0]!
    expect(does({ type: 'kind.set', target: kind.id, set: { shows: { from: null, to: [day.id] } } }).ok).toBe(true)
    expect(does(add(three)).ok).toBe(true)
    expect([valueOf(three.item, words), valueOf(three.item, day)]).toEqual([null, '2026-11-26'])
  })

  it('meets what a new item must have, and is nothing that its field cannot have', () => {
    const number = field('number', { settings: { least: 1 }, required: true })
    expect(refused(add(newItem()))).toEqual(['required', 1])
    expect(refused(say({ [number.id]: { is: 'value', value: 0 } }))).toEqual(['out-of-bounds', undefined])
    expect(refused(say({ [number.id]: { is: 'maker' } }))).toEqual(['wrong-value', undefined])
    expect(refused(say({ [small.ids.next()]: { is: 'maker' } }))).toEqual(['other-project', undefined])
    expect(does(say({ [number.id]: { is: 'value', value: 4 } })).ok).toBe(true)
    const item = newItem()
    expect(does(add(item)).ok).toBe(true)
    expect(valueOf(item.item, number)).toBe(4)
  })
})

describe('what nobody says', () => {
  it('is a value, a working day from today on, whoever makes it, or the next number', () => {
    const words = field('shortText', { fallback: { is: 'value', value: 'as usual' } })
    const day = field('date', { fallback: { is: 'today', days: 3 } })
    const maker = field('people', { fallback: { is: 'maker' } })
    const number = field('number', { settings: { decimals: 1 }, fallback: { is: 'next' } })
    const [one, two, three] = [newItem(), newItem({ [number.id]: 75, [words.id]: 'otherwise' }), newItem()]
    expect(does(add(one)).ok).toBe(true)
    expect(does(add(two)).ok).toBe(true)
    expect(does(add(three, newItem())).ok).toBe(true)
    const today = contextOf(command(small.ids, add()), lead()).today
    expect([words, day, maker, number].map((one_) => valueOf(one.item, one_))).toEqual(['as usual', addWorkingDays(today, 3, small.state.workingTime()), [lead()], 10]) // prettier-ignore
    expect([words, number].map((one_) => valueOf(two.item, one_))).toEqual(['otherwise', 75])
    expect(valueOf(three.item, number)).toBe(80)
    const last = [...small.state.itemsOf(small.project.id)].map(({ values }) => values[number.id])
    expect(last).toContain(90)
  })
  it('comes with rows that are brought in, too', () => {
    const words = field('shortText', { fallback: { is: 'value', value: 'as usual' } })
    const one = newItem()
    const done = does({ type: 'bring-in', project: small.project.id, people: [], kinds: [], fields: [], options: [], items: [one], texts: [] } as never) // prettier-ignore
    expect(done.ok && valueOf(one.item, words)).toBe('as usual')
  })
  it('is refused where the field cannot have it', () => {
    const words = field('shortText', {})
    const number = field('number', {})
    const set = (to: Field, fallback: Fallback): BareCommand => ({ type: 'field.set', target: to.id, set: { fallback: { from: to.fallback ?? null, to: fallback } } }) // prettier-ignore
    expect(refused(set(words, { is: 'today', days: 1 }))).toEqual(['wrong-value', undefined])
    expect(refused(set(words, { is: 'maker' }))).toEqual(['wrong-value', undefined])
    expect(refused(set(number, { is: 'value', value: 'three' }))).toEqual(['wrong-value', undefined])
    expect(refused(set(number, { is: 'next' }))).toBeUndefined()
  })
})

describe('what every item must have', () => {
  it('is asked for where one is added, all of it at once, and cannot be emptied; what is from before stays', () => {
    const words = field('shortText', {})
    const before = newItem({ [words.id]: 'here' })
    const empty = newItem()
    does(add(before, empty))
    expect(does({ type: 'field.set', target: words.id, set: { required: { from: null, to: true } } }).ok).toBe(true)
    expect(refused(add(newItem(), newItem({ [words.id]: 'said' })))).toEqual(['required', 1])
    expect(refused(add(newItem({ [words.id]: 'said' })))).toBeUndefined()
    const set = (item: New, from: string | null, to: string | null): BareCommand => ({ type: 'items.set', items: [{ item: item.item, set: { [words.id]: { from, to } } }] }) // prettier-ignore
    expect(refused(set(before, 'here', null))).toEqual(['required', undefined])
    expect(refused(set(empty, null, 'there'))).toBeUndefined()
    expect(refused({ type: 'items.set', items: [{ item: empty.item, set: { title: { from: 'Air', to: 'Aired' } } }] })).toBeUndefined() // prettier-ignore
  })
  it('may come from a default', () => {
    field('people', { required: true, fallback: { is: 'maker' } })
    expect(refused(add(newItem()))).toBeUndefined()
  })
  it('leaves undo its way', () => {
    const words = field('shortText', {})
    const item = newItem()
    does(add(item))
    does({ type: 'items.set', items: [{ item: item.item, set: { [words.id]: { from: null, to: 'here' } } }] })
    const entry = room.entries.at(-1)!
    does({ type: 'field.set', target: words.id, set: { required: { from: null, to: true } } })
    expect(does({ type: 'revert', of: entry.command }).ok).toBe(true)
    expect(entry.patch.some((change) => !isSetChange(change))).toBe(true)
    expect(valueOf(item.item, words)).toBeNull()
  })
})
