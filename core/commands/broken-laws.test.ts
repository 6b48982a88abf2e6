import { inOnePiece } from '../base/pieces'
import { beforeEach, describe, expect, it } from 'vitest'
import { personActor } from '../change/actor'
import { makes, type Change, type Patch } from '../change/patch'
import { kindsOf, statusesOf } from '../model/reader'
import type { Item, ItemId } from '../model/records'
import { command, run, smallWorkspace, type Small } from '../test-kit/workspace'
import { brokenLaw } from './laws'

let small: Small
let [a, b, c]: ItemId[] = []
const item = (id: ItemId): Item => small.state.maybe('item', id)!
const set = (id: string, field: string, before: unknown, after: unknown, entity: Change['entity'] = 'item'): Change => ({
  entity, id, field, before, after,
}) // prettier-ignore
const codeOf = (patch: Patch) =>
  inOnePiece(
    brokenLaw(small.state, patch, { type: 'items.set' }, { by: personActor(small.people.owner.id), isRoom: true }),
  )?.code
function add(parent: ItemId | null): ItemId {
  const { state, project, ids, people } = small
  const one = { item: ids.item(), project: project.id, kind: kindsOf(state, project.id)[0]!.id, title: 'x', status: statusesOf(state, project.id)[0]!.id, parent, values: {} } // prettier-ignore
  run(state, command(ids, { type: 'items.add', items: [one] }), people.owner.id)
  return one.item
}
beforeEach(() => {
  small = smallWorkspace()
  a = add(null)
  b = add(a)
  c = add(null)
})

describe('the hierarchy', () => {
  it('has no loop, also where two changes of one patch make it together', () => {
    expect(codeOf([set(c!, 'parent', null, b)])).toBeUndefined()
    expect(codeOf([set(a!, 'parent', null, b)])).toBe('loop')
    expect(codeOf([set(a!, 'parent', null, c), set(c!, 'parent', null, b)])).toBe('loop')
    expect(codeOf([set(b!, 'parent', a, null), set(a!, 'parent', null, b)])).toBeUndefined()
  })

  it('has parents that are there, in the same project', () => {
    expect(codeOf([set(a!, 'parent', null, small.ids.item())])).toBe('gone')
    const elsewhere = { ...item(c!), id: small.ids.item(), project: small.ids.next() as never }
    small.state.put('item', elsewhere.id, elsewhere)
    expect(codeOf([set(a!, 'parent', null, elsewhere.id)])).toBe('other-project')
  })

  it('loses no parent of what stays', () => {
    const unmade = (id: ItemId): Change[] => [
      { entity: 'item', id, field: '*', before: item(id), after: null },
      { entity: 'stay', id: item(id).stay, field: '*', before: { id: item(id).stay, item: id, status: item(id).status, from: '', until: null }, after: null },
    ] // prettier-ignore
    expect(codeOf(unmade(a!))).toBe('in-use')
    expect(codeOf([...unmade(a!), ...unmade(b!)])).toBeUndefined()
    expect(codeOf([...unmade(a!), set(b!, 'parent', a, c)])).toBeUndefined()
  })
})

describe('status and kind', () => {
  it('fit each other, whichever of them changes', () => {
    const { state, project, ids } = small
    const [kind] = kindsOf(state, project.id)
    const [noted, ready] = statusesOf(state, project.id)
    const workflow = { id: ids.next() as never, project: project.id, name: 'Short', start: noted!.id }
    const other = { ...kind!, id: ids.next() as never, workflow: workflow.id }
    state.put('workflow', workflow.id, workflow)
    state.put('kind', other.id, other)
    state.put('step', `${workflow.id}/${noted!.id}`, { id: `${workflow.id}/${noted!.id}` as never, workflow: workflow.id, status: noted!.id, rank: 'a0', turn: { of: 'nobody' } }) // prettier-ignore
    const stays = (id: ItemId): Change[] => [
      set(id, 'stay', item(id).stay, 'x/1'),
      set(item(id).stay, 'until', null, 'now', 'stay'),
      makes('stay', { id: 'x/1' as never, item: id, status: ready!.id, from: '', until: null }),
    ]
    expect(codeOf([set(a!, 'kind', kind!.id, other.id)])).toBeUndefined()
    expect(codeOf([set(a!, 'status', noted!.id, ready!.id), ...stays(a!)])).toBeUndefined()
    expect(codeOf([set(a!, 'kind', kind!.id, other.id), set(a!, 'status', noted!.id, ready!.id), ...stays(a!)])).toBe('wrong-value') // prettier-ignore
    expect(codeOf([set(a!, 'kind', kind!.id, ids.next())])).toBe('wrong-value')
  })

  it('a step goes only when nothing is in it', () => {
    const step = (at: number) => [...small.state.all('step')].find((one) => one.status === statusesOf(small.state, small.project.id)[at]!.id)! // prettier-ignore
    const gone = (at: number): Change => ({
      entity: 'step',
      id: step(at).id,
      field: '*',
      before: step(at),
      after: null,
    })
    expect(codeOf([gone(0)])).toBe('in-use')
    expect(codeOf([gone(4)])).toBeUndefined()
  })
})

describe('stays', () => {
  it('are one open one an item: a change of status closes one and opens one', () => {
    const [, ready] = statusesOf(small.state, small.project.id)
    const move = set(a!, 'status', item(a!).status, ready!.id)
    const opened = makes('stay', { id: 'x/1' as never, item: a!, status: ready!.id, from: '', until: null })
    const closed = set(item(a!).stay, 'until', null, 'now', 'stay')
    const named = set(a!, 'stay', item(a!).stay, 'x/1')
    expect(codeOf([move, opened, closed, named])).toBeUndefined()
    expect(codeOf([move, opened, named])).toBe('unexpected')
    expect(codeOf([move, closed, named])).toBe('unexpected')
    expect(codeOf([move, opened, closed])).toBeUndefined()
  })
})

describe('ids and addresses', () => {
  it('are taken once', () => {
    const field = [...small.state.all('field')][0]!
    const anew = { ...field, id: small.ids.next() as never }
    expect(codeOf([makes('field', anew)])).toBeUndefined()
    expect(codeOf([makes('field', field)])).toBe('id-taken')
    expect(codeOf([makes('field', anew), makes('field', anew)])).toBe('id-taken')
    const project = { ...small.project, id: small.ids.next() as never, name: 'Other', uses: { ...small.project.uses } }
    expect(codeOf([makes('project', project)])).toBe('prefix-taken')
    expect(codeOf([makes('project', { ...project, prefix: 'OTH' })])).toBeUndefined()
  })
})

describe('what is named', () => {
  it('is there, and does not go while something names it', () => {
    const option = [...small.state.all('option')][0]!
    const anew = { ...option, id: small.ids.next() as never }
    expect(codeOf([makes('option', { ...anew, field: small.ids.next() as never })])).toBe('wrong-value')
    const field = small.state.maybe('field', option.field)!
    const gone = (entity: 'field' | 'option', record: { id: string }): Change => ({ entity, id: record.id, field: '*', before: record, after: null }) // prettier-ignore
    expect(codeOf([gone('field', field)])).toBe('in-use')
    const options = [...small.state.all('option')].filter((one) => one.field === field.id)
    const uses = set(small.project.id, 'uses', small.project.uses, { ...small.project.uses, need: null }, 'project')
    expect(codeOf([uses, gone('field', field), ...options.map((one) => gone('option', one))])).toBeUndefined()
  })

  it('a view may speak of a field that has gone', () => {
    const [view] = [...small.state.all('view')]
    const definition = { ...view!.definition, show: [small.ids.next() as never] }
    expect(codeOf([set(view!.id, 'definition', view!.definition, definition, 'view')])).toBeUndefined()
  })
})
