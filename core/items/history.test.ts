import { beforeEach, describe, expect, it } from 'vitest'
import type { Change } from '../change/patch'
import { fieldsOf, kindsOf, statusesOf } from '../model/reader'
import type { Field } from '../model/records'
import { run, smallWorkspace, type Small } from '../test-kit/workspace'
import { nameOf } from './history'
import { sentencesOf } from './told'

let small: Small
let item: string
let parent: string
beforeEach(() => {
  small = smallWorkspace()
  const { state, project, ids, people } = small
  const [one, other] = [ids.item(), ids.item()]
  const kind = kindsOf(state, project.id)[0]!.id
  const status = statusesOf(state, project.id)[0]!.id
  const items = [one, other].map((id) => ({ item: id, project: project.id, kind, status, title: 'Oil the winders', parent: null, values: {} })) // prettier-ignore
  run(state, { id: ids.command(), type: 'items.add', v: 1, items }, people.owner.id)
  ;[item, parent] = [one, other]
})
const field = (name: string): Field => fieldsOf(small.state, small.project.id).find((one) => one.name === name)!
const option = (name: string, i: number): string => small.state.optionsOf(field(name).id)[i]!.id
const day = (date: string) => `<${date}>`
const told = (type: string, ...changes: Partial<Change & { before: unknown; after: unknown }>[]) =>
  sentencesOf(small.state, { type, patch: changes.map((change) => ({ entity: 'item', id: item, ...change })) as Change[] }, item, day) // prettier-ignore
const set = (name: string, before: unknown, after: unknown) =>
  told('items.set', { field: field(name).id, before, after })

describe('what happened to an item', () => {
  it('is said of a number, a day and one option: set, changed, emptied', () => {
    expect(set('effort', null, 250)).toEqual(['set effort to 2.5 h'])
    expect(set('effort', 250, 1000)).toEqual(['changed effort from 2.5 h to 10 h'])
    expect(set('effort', 1000, null)).toEqual(['cleared effort, which was 10 h'])
    expect(set('due', '2026-12-01', '2026-12-08')).toEqual(['changed due from <2026-12-01> to <2026-12-08>'])
    const [must, should] = [option('need', 0), option('need', 1)]
    expect(set('need', must, should)).toEqual(['changed need from must to should'])
    expect(set('need', should, null)).toEqual(['cleared need, which was should'])
  })

  it('is said of a checkbox and of a long text without their words', () => {
    expect([set('signed off', null, true), set('signed off', true, null)]).toEqual([
      ['ticked signed off'],
      ['unticked signed off'],
    ])
    const [first, second] = [{ revision: 1 }, { revision: 2 }]
    expect([set('notes', null, first), set('notes', first, second), set('notes', second, null)]).toEqual([
      ['wrote notes'],
      ['rewrote notes'],
      ['emptied notes'],
    ])
  })

  it('is said of title, kind, parent and archive', () => {
    const change = (of: string, before: unknown, after: unknown) => told('items.set', { field: of, before, after })[0]
    expect(change('title', 'Oil the hinges', 'Oil the winders')).toBe('renamed it from “Oil the hinges”')
    expect(change('kind', null, kindsOf(small.state, small.project.id)[0]!.id)).toMatch(/^made it a \w+/)
    expect(change('kind', null, 'gone')).toBe('made it a removed kind')
    expect(change('parent', null, parent)).toBe('moved it into GLH-2')
    expect(change('parent', parent, null)).toBe('moved it out of GLH-2')
    expect(change('archived', null, '2026-11-25T09:00:00Z')).toBe('archived it')
    expect(change('archived', '2026-11-25T09:00:00Z', null)).toBe('restored it')
  })

  it('is said of the way through the workflow, and of the order', () => {
    const [noted, ready] = statusesOf(small.state, small.project.id)
    expect(told('items.move', { field: 'status', before: noted!.id, after: ready!.id }, { field: 'rank' })).toEqual([
      'moved it from Noted to Ready',
      'moved it in the order',
    ])
  })

  it('is said of people and options that came and went', () => {
    const { lead, reader } = small.people
    const people = (added: string[], removed: string[]) =>
      told('items.set', { field: field('assignees').id, added, removed } as never).join('; ')
    expect(people([lead.id], [])).toBe('added Imke to assignees')
    expect(people([], [reader.id])).toBe('removed Yuki from assignees')
    expect(people([lead.id], [reader.id])).toMatch(/Imke.*Yuki/)
  })

  it('is said as undone where it was, each sentence', () => {
    expect(told('revert', { field: 'title', before: 'b', after: 'a' })).toEqual(['undid this: renamed it from “b”'])
  })

  it('is said of what was made and of what is no more', () => {
    expect(told('items.add', { field: '*', before: null, after: {} })).toEqual(['added it'])
    expect(told('revert', { field: '*', before: {}, after: null })).toEqual(['undid this: removed it'])
    expect(told('items.set', { field: 'no-field', before: null, after: 'x' })[0]).toMatch(/a removed field/)
  })

  it('leaves out what follows from the rest, and what happened to others', () => {
    expect(told('items.move', { field: 'statusSince' }, { field: 'stay' }, { field: 'changed' })).toEqual([])
    const other = { entity: 'item', id: parent, field: 'title', before: 'a', after: 'b' } as Change
    expect(sentencesOf(small.state, { type: 'items.set', patch: [other] }, item, day)).toEqual([])
  })
})

describe('what undo would undo', () => {
  const named = (entity: 'project' | 'view' | 'person', field: string, before: unknown, after: unknown, id?: string) =>
    nameOf(small.state, `${entity}.set`, [{ entity, id: id ?? small.project.id, field, before, after } as Change])

  it('is said of a project and of a view by what happens to them', () => {
    const { name } = small.project
    expect(named('project', 'name', 'Old', name)).toBe(`changing the project ${name}`)
    expect(named('project', 'archived', false, true)).toBe(`archiving the project ${name}`)
    expect(named('project', 'archived', true, false)).toBe(`restoring the project ${name}`)
    expect(named('project', 'rank', 'a', 'b')).toBe(`reordering the project ${name}`)
    expect(named('view', '*', { name: 'Late' }, null)).toBe('removing the view Late')
  })

  it('is said of a person by what of them it is', () => {
    const { reader } = small.people
    const of = (field: string) => named('person', field, null, 'x', reader.id)
    expect(of('craft')).toBe('changing Yuki’s craft')
    expect(of('hours')).toBe('changing Yuki’s hours')
    expect(of('role')).toBe('changing what Yuki may do')
    expect(named('person', 'active', true, false, reader.id)).toBe('removing Yuki')
    expect(named('person', 'active', false, true, reader.id)).toBe('bringing Yuki back')
  })
})
