import { beforeEach, describe, expect, it } from 'vitest'
import type { FieldId } from '../base/ids'
import { effects } from '../commands/effects'
import { commandOf, judge, type BareCommand } from '../commands/registry'
import { storedFormula, writtenFormula } from '../fields/formulas'
import type { FieldTypeName } from '../fields/names'
import type { FieldSettings } from '../fields/settings'
import { fieldsOf, kindsOf, statusesOf } from '../model/reader'
import type { Field } from '../model/records'
import { withEveryType } from '../test-kit/views'
import { contextOf, run, smallWorkspace, type Small } from '../test-kit/workspace'
import { nameables } from './names'

let small: Small
beforeEach(() => {
  small = withEveryType(smallWorkspace())
})
const idOf = (name: string): FieldId => fieldsOf(small.state, small.project.id).find((field) => field.name === name)!.id
const formula = (written: string) => storedFormula(written, nameables(small.state, small.project.id)).text
const command = (bare: BareCommand) => commandOf(small.ids.command(), bare)
function fieldOf(type: FieldTypeName, settings: FieldSettings, more: Partial<Field> = {}): Field {
  return { id: small.ids.next() as FieldId, project: small.project.id, name: 'new one', help: '', type, settings, rank: 'z1', archived: false, ...more } // prettier-ignore
}
/** What making such a field is refused with. */
function refused(type: FieldTypeName, settings: FieldSettings, more: Partial<Field> = {}) {
  const one = command({ type: 'field.make', field: fieldOf(type, settings, more), options: [] })
  const judged = judge(small.state, one, contextOf(one, small.people.lead.id))
  return judged.ok ? undefined : [judged.problem.code, ...Object.values(judged.problem.said ?? {})]
}
const set = (id: FieldId, settings: FieldSettings) => {
  const stored = small.state.maybe('field', id)!
  const one = command({ type: 'field.set', target: id, set: { settings: { from: stored.settings, to: settings } } })
  const judged = judge(small.state, one, contextOf(one, small.people.lead.id))
  return judged.ok ? undefined : [judged.problem.code, ...Object.values(judged.problem.said ?? {})]
}

describe('a field that is worked out', () => {
  it('is made where what it reads is there and fits', () => {
    const effort = idOf('effort')
    expect(refused('computed', { formula: formula('effort * 2'), gives: 'number' })).toBeUndefined()
    expect(refused('rollUp', { over: 'children', how: 'sum', of: effort, gives: 'number' })).toBeUndefined()
    expect(refused('rollUp', { over: 'inside', how: 'finished', weight: effort, gives: 'number', unit: '%' })).toBeUndefined() // prettier-ignore
    expect(refused('lookUp', { over: 'parent', of: idOf('need'), gives: 'oneOption' })).toBeUndefined()
  })

  it('is refused with the reason', () => {
    const [effort, due] = [idOf('effort'), idOf('due')]
    expect(refused('computed', { formula: '1 +', gives: 'number' })).toEqual(['no-formula', 'Something is missing at the end.']) // prettier-ignore
    expect(refused('computed', { formula: '`00000000-0000-7000-8f00-00000000dead` + 1', gives: 'number' })).toEqual(['no-formula', 'This names a field that has been removed.']) // prettier-ignore
    expect(refused('computed', { formula: formula('effort * 2'), gives: 'date' })?.[0]).toBe('wrong-value')
    expect(refused('rollUp', { over: 'children', how: 'sum', of: due, gives: 'number' })?.[0]).toBe('wrong-value')
    expect(refused('rollUp', { over: 'children', how: 'latest', of: due, gives: 'number' })?.[0]).toBe('wrong-value')
    expect(refused('rollUp', { over: 'children', how: 'count', of: effort, gives: 'number' })?.[0]).toBe('wrong-value')
    expect(refused('rollUp', { over: 'parent', how: 'sum', of: effort, gives: 'number' })?.[0]).toBe('wrong-value')
    expect(refused('rollUp', { over: 'children', how: 'finished', weight: due, gives: 'number' })?.[0]).toBe('wrong-value') // prettier-ignore
    expect(refused('lookUp', { over: 'parent', of: idOf('own lookUp'), gives: 'date' })?.[0]).toBe('wrong-value')
    expect(refused('lookUp', { over: 'parent', of: idOf('own votes'), gives: 'people' })?.[0]).toBe('wrong-value')
    expect(refused('lookUp', { over: 'parent', of: small.ids.next() as FieldId, gives: 'date' })).toEqual(['unknown-field']) // prettier-ignore
    expect(refused('computed', { formula: '1', gives: 'number' }, { required: true })).toEqual(['worked-out'])
  })

  it('hangs on itself nowhere: the way round is told', () => {
    const own = idOf('own computed')
    const { settings } = small.state.maybe('field', own)!
    expect(set(own, { ...settings, formula: formula('`own computed` + 1') })).toEqual(['formula-loop', 'own computed → own computed']) // prettier-ignore
    expect(set(own, { ...settings, formula: formula('`sum of computed` + 1') })).toEqual(['formula-loop', 'own computed → sum of computed → own computed']) // prettier-ignore
    expect(set(own, { ...settings, formula: formula('effort + 1') })).toBeUndefined()
    // Of another scale, or kind, what views ask of it would mean something else.
    expect(set(own, { ...settings, decimals: 3 })?.[0]).toBe('wrong-value')
    expect(set(own, { formula: formula('title'), gives: 'shortText' })?.[0]).toBe('wrong-value')
  })

  it('takes no value from anybody, and becomes nothing else', () => {
    const field = small.state.maybe('field', idOf('own computed'))!
    const [kind, status] = [
      kindsOf(small.state, small.project.id)[0]!.id,
      statusesOf(small.state, small.project.id)[0]!.id,
    ]
    const give = command({ type: 'items.add', items: [{ item: small.ids.item(), project: small.project.id, kind, title: 'Sow', parent: null, status, values: { [field.id]: 5 } }] }) // prettier-ignore
    expect(judge(small.state, give, contextOf(give, small.people.lead.id))).toMatchObject({ ok: false, problem: { code: 'worked-out' } }) // prettier-ignore
    const become = command({ type: 'field.retype', target: field.id, from: { type: field.type, settings: field.settings }, to: { type: 'number', settings: {} }, unit: '', options: [] }) // prettier-ignore
    expect(judge(small.state, become, contextOf(become, small.people.lead.id))).toMatchObject({ ok: false, problem: { code: 'cannot-become' } }) // prettier-ignore
    const [step] = small.state.all('step')
    const asks = command({ type: 'step.set', target: step!.id, set: { asks: { from: step!.asks ?? null, to: [{ asks: 'field', field: field.id }] } } }) // prettier-ignore
    expect(judge(small.state, asks, contextOf(asks, small.people.lead.id))).toMatchObject({ ok: false, problem: { code: 'worked-out' } }) // prettier-ignore
  })
  it('stays when what it reads goes, and says so beforehand; a new name breaks nothing', () => {
    const effort = idOf('effort')
    const remove = command({ type: 'field.remove', target: effort, how: {} })
    const told = effects(small.state, remove, contextOf(remove, small.people.lead.id))
    const names = told.ok ? told.value.fields.map((id) => small.state.maybe('field', id)!.name) : []
    expect(names.sort()).toEqual(['average effort', 'effort needed', 'needs twice', 'own computed', 'own rollUp'])
    run(small.state, command({ type: 'field.set', target: effort, set: { name: { from: 'effort', to: 'hours of work' } } }), small.people.lead.id) // prettier-ignore
    const own = small.state.maybe('field', idOf('own computed'))!
    expect(writtenFormula(own.settings.formula!, nameables(small.state, small.project.id))).toBe('otherwise(hours_of_work, 0) * 2 + size(children)') // prettier-ignore
    run(small.state, remove, small.people.lead.id)
    // What it reads is gone: it can still be called something else.
    const call = command({ type: 'field.set', target: own.id, set: { name: { from: own.name, to: 'still here' } } })
    expect(judge(small.state, call, contextOf(call, small.people.lead.id)).ok).toBe(true)
  })
})
