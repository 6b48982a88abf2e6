import { beforeEach, describe, expect, it } from 'vitest'
import type { OptionId } from '../../base/ids'
import { effects } from '../../commands/effects'
import { judge, type BareCommand } from '../../commands/registry'
import { fieldTypeNames, optionColours, type FieldTypeName } from '../../fields/names'
import type { FieldSettings } from '../../fields/settings'
import type { Value } from '../../fields/value'
import { kindsOf, startOfKind } from '../../model/reader'
import type { Field, Item } from '../../model/records'
import { command, contextOf, PlainRoom, smallWorkspace, type Small } from '../../test-kit/workspace'
import { retypeOutcome, type Retyping, isRetyped } from './retype'

let small: Small
let room: PlainRoom
let field: Field
beforeEach(() => {
  small = smallWorkspace()
  room = new PlainRoom(small.state)
})
const lead = () => small.people.lead.id
function addItems(n: number): void {
  const kind = kindsOf(small.state, small.project.id)[0]!
  const status = startOfKind(small.state, kind.id)!.id
  const items = Array.from({ length: n }, (_, i) => ({ item: small.ids.item(), project: small.project.id, kind: kind.id, title: `Pane ${i}`, status, parent: null, values: {} })) // prettier-ignore
  does({ type: 'items.add', items })
}
function does(bare: BareCommand): void {
  const done = room.do(command(small.ids, bare), lead())
  if (!done.ok) throw new Error(JSON.stringify(done.problem))
}
/** A field of a type with what the first items hold in it, in words. */
function holding(type: FieldTypeName, settings: FieldSettings, values: readonly Value[]): void {
  const id = small.ids.next() as Field['id']
  const made: Field = {
    id,
    project: small.project.id,
    name: 'Spare',
    help: '',
    type,
    settings,
    rank: 'b9',
    archived: false,
  }
  does({ type: 'field.make', field: made, options: [] })
  field = small.state.maybe('field', id)!
  addItems(values.length)
  const items = last(values.length)
  does({ type: 'items.set', items: values.map((to, i) => ({ item: items[i]!.id, set: { [id]: Array.isArray(to) ? { add: [...to], remove: [] } : { from: null, to } } })) } as BareCommand) // prettier-ignore
}
const to = (type: FieldTypeName, settings: FieldSettings = {}, unit = '', options: Retyping['options'] = []): Retyping => ({
  target: field.id, from: { type: field.type, settings: field.settings }, to: { type, settings }, unit, options,
}) // prettier-ignore
const last = (n: number): Item[] => [...small.state.itemsOf(small.project.id)].slice(-n)
const held = (n: number): unknown[] => last(n).map((item) => item.values[field.id] ?? null) // prettier-ignore
function refused(retyping: Retyping, by = lead()): string | undefined {
  const one = command(small.ids, { type: 'field.retype', ...retyping })
  const judged = judge(small.state, one, contextOf(one, by))
  return judged.ok ? undefined : judged.problem.code
}
/** Retypes it, and holds what it says beforehand against what it does; then undoes it. */
function becomes(retyping: Retyping, expected: readonly unknown[]): void {
  const before = small.state.snapshot()
  const outcome = retypeOutcome(small.state, retyping)
  const one = command(small.ids, { type: 'field.retype', ...retyping })
  expect(effects(small.state, one, contextOf(one, lead())).ok).toBe(true)
  const done = room.do(one, lead())
  if (!done.ok) throw new Error(JSON.stringify(done.problem))
  expect(held(expected.length)).toEqual(expected)
  expect(outcome.kept).toBe(expected.filter((value) => value !== null).length)
  const undone = room.do(command(small.ids, { type: 'revert', of: one.id }), lead())
  expect(undone.ok && undone.value.leftAlone).toBeFalsy()
  expect(withoutStamps(small.state.snapshot())).toEqual(withoutStamps(before))
}
const withoutStamps = (snapshot: object): unknown =>
  JSON.parse(JSON.stringify(snapshot), (key, value: unknown) => (key === 'changed' || key === 'changedBy' ? null : value)) // prettier-ignore

describe('a field becomes one of another type', () => {
  it('words become numbers, as far as they are some', () => {
    holding('shortText', {}, ['2,5', 'about three', '1 200'])
    becomes(to('number', { decimals: 1 }), [25, null, 12_000])
  })
  it('numbers become durations by the unit that is said', () => {
    holding('number', { decimals: 1 }, [25, 5])
    becomes(to('duration', {}, 'h'), [150, 30])
    becomes(to('duration', {}, 'd'), [1200, 240])
  })
  it('words become options that are made of them', () => {
    holding('shortText', {}, ['sun', 'Shade', 'sun '])
    const plain = to('oneOption')
    expect(retypeOutcome(small.state, plain)).toMatchObject({ held: 3, kept: 0, words: ['sun', 'Shade'] })
    const options = ['sun', 'Shade'].map((label, i) => ({ id: small.ids.next() as OptionId, field: field.id, label, colour: optionColours[i]!, rank: `b${i + 1}`, archived: false })) // prettier-ignore
    becomes(to('oneOption', {}, '', options), [options[0]!.id, options[1]!.id, options[0]!.id])
  })
  it('words become people by their names', () => {
    const { owner, lead } = small.people
    holding('shortText', {}, [owner.name, 'nobody we know', `${owner.name}; ${lead.name}`])
    becomes(to('people'), [[owner.id], null, [owner.id, lead.id].sort()])
  })
  it('amounts keep their worth at another scale, and lose what does not fit', () => {
    holding('number', { decimals: 2 }, [250, 1275])
    becomes(to('number', { decimals: 3 }), [2500, 12_750])
    becomes(to('number', { decimals: 1 }), [25, null])
    becomes(to('money', { currency: 'JPY' }), [null, null])
  })
  it('amounts in another currency, and durations of another working day, stay what they are', () => {
    holding('money', { currency: 'EUR' }, [1250, 300])
    becomes(to('money', { currency: 'USD' }), [1250, 300])
    does({ type: 'field.remove', target: field.id, how: {} })
    holding('duration', {}, [720, 90])
    becomes(to('duration', { dayMinutes: 360 }), [720, 90])
    does({ type: 'field.set', target: field.id, set: { settings: { from: {}, to: { dayMinutes: 360 } } } })
    does({ type: 'revert', of: room.entries.at(-1)!.command })
    expect(held(2)).toEqual([720, 90])
  })
  it('undone later, what was said since is read as what it was', () => {
    holding('shortText', {}, ['7', 'words'])
    does({ type: 'field.retype', ...to('number') })
    const retyped = room.entries.at(-1)!.command
    const [one, two] = last(2)
    does({ type: 'items.set', items: [{ item: one!.id, set: { [field.id]: { from: 7, to: 12 } } }, { item: two!.id, set: { [field.id]: { from: null, to: 40 } } }] }) // prettier-ignore
    does({ type: 'revert', of: retyped })
    expect(held(2)).toEqual(['12', '40'])
  })
  it('names the first of those of which nothing is kept', () => {
    holding('shortText', {}, ['a', 'b'])
    const { lost } = retypeOutcome(small.state, to('date'))
    expect(lost.map(({ text }) => text)).toEqual(['a', 'b'])
  })
  it('any type to any other: what was said beforehand is done, and undone whole', () => {
    for (const type of fieldTypeNames.filter((one) => isRetyped(one) && one !== 'votes')) {
      holding('shortText', {}, ['7', 'https://glasshouse.example/', 'going well'])
      const retyping = to(type)
      const { kept } = retypeOutcome(small.state, retyping)
      becomes(retyping, held(3).map((_, i) => convertedNow(retyping, i))) // prettier-ignore
      expect(kept).toBeGreaterThanOrEqual(0)
      does({ type: 'field.remove', target: field.id, how: {} })
    }
    function convertedNow(retyping: Retyping, i: number): unknown {
      const one = command(small.ids, { type: 'field.retype', ...retyping })
      const judged = judge(small.state, one, contextOf(one, lead()))
      const item = last(3)[i]!
      const change = judged.ok
        ? judged.value.patch.find(({ id, field: of }) => id === item.id && of === field.id)
        : undefined
      return change && 'after' in change ? change.after : (item.values[field.id] ?? null)
    }
  })
})

describe('is refused', () => {
  it('to long text and from it, to whoever may not, where it serves otherwise, and where it has changed meanwhile', () => {
    holding('shortText', {}, ['a'])
    expect(refused(to('longText'))).toBe('cannot-become')
    expect(refused(to('number'), small.people.contributor.id)).toBe('not-allowed')
    expect(refused({ ...to('number'), from: { type: 'date', settings: {} } })).toBe('changed-meanwhile')
    expect(refused(to('number', { currency: 'EUR' }))).toBe('wrong-value')
    const due = small.state.maybe('project', small.project.id)!.uses.due!
    expect(refused({ ...to('shortText'), target: due, from: { type: 'date', settings: {} } })).toBe('serves')
  })
})
