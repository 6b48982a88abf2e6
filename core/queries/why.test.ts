import { beforeEach, describe, expect, it } from 'vitest'
import { kindsOf, statusesOf } from '../model/reader'
import type { Condition, FactRef, FactTest, ItemId, ViewDefinition } from '../model/records'
import { run, smallWorkspace, today, type Small } from '../test-kit/workspace'
import { fieldRef } from '../facts/registry'
import type { DefinitionIn } from '../layouts/contract'
import { automaticFactNames } from '../model/names'
import { ask } from '../queries/registry'
import { viewContext } from '../facts/contract'
import { leaves, why } from '../language/why'

let small: Small
const ref = (by: string): FactRef =>
  (automaticFactNames as readonly string[]).includes(by) ? ({ fact: by } as FactRef) : fieldRef(by as never)
const fact = (by: string, test: FactTest): Condition => ({ about: 'fact', fact: ref(by), test })
const view = (more: Partial<DefinitionIn<'table'>>): ViewDefinition => ({ v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [], ...more }) // prettier-ignore
function add(title: string, values: object = {}, status = 0, parent: ItemId | null = null): ItemId {
  const { state, project, ids, people } = small
  const item = ids.item()
  const one = { item, project: project.id, kind: kindsOf(state, project.id)[0]!.id, title, status: statusesOf(state, project.id)[status]!.id, parent, values: values as never } // prettier-ignore
  run(state, { id: ids.command(), type: 'items.add', v: 1, items: [one] }, people.owner.id)
  return item
}
const context = () => viewContext(small.state, small.project.id, { me: small.people.owner.id, today })
const whyOf = (item: ItemId, definition: ViewDefinition) => {
  const wording = { reader: small.state, project: small.project, day: (date: string) => date }
  return why(context(), definition, context().table.maybeRow(item)!, wording)
}
beforeEach(() => {
  small = smallWorkspace()
})

describe('why an item is not in a view', () => {
  it('names each phrase that leaves it out, with what it has there', () => {
    const { due } = small.project.uses
    const item = add('Lag the pipes', { [due!]: '2026-12-24' }, 1)
    const told = whyOf(item, view({ where: [
      fact('phase', { is: 'anyOf', values: ['active'] }),
      { about: 'any', of: [fact(due!, { is: 'days', from: null, to: '2026-12-01' }), fact('late', { is: 'filled' })] },
      fact('title', { is: 'has', words: 'pipes' }),
    ] })) // prettier-ignore
    expect(told.isIn).toBe(false)
    expect(told.reasons).toEqual([
      { at: 0, holds: false, has: [{ fact: 'phase', value: 'waiting' }] },
      { at: 1, holds: false, has: [{ fact: 'due', value: '2026-12-24' }, { fact: 'days late', value: 'empty' }] },
      { at: 2, holds: true, has: [{ fact: 'title', value: 'Lag the pipes' }] },
    ]) // prettier-ignore
  })

  it('says that it is archived, and that those without a value are left out of the groups', () => {
    const { need } = small.project.uses
    const item = add('Lag the pipes')
    expect(whyOf(item, view({ group: [{ by: fieldRef(need!), hideNone: true }] }))).toMatchObject({ isIn: false, reasons: [{ at: -1, holds: false }] }) // prettier-ignore
    run(small.state, { id: small.ids.command(), type: 'items.archive', v: 1, items: [item], archived: true }, small.people.owner.id) // prettier-ignore
    expect(whyOf(item, view({}))).toMatchObject({ isIn: false, isArchived: true, reasons: [] })
  })

  it('says for one that is in it which groups it is in', () => {
    const { assignees } = small.project.uses
    const [owner, lead] = [small.people.owner.id, small.people.lead.id]
    const item = add('Lag the pipes', { [assignees!]: [owner, lead] }, 2)
    const told = whyOf(item, view({ group: [{ by: { fact: 'phase' } }, { by: fieldRef(assignees!) }] }))
    expect(told).toMatchObject({ isIn: true, groups: [['active', owner], ['active', lead]] }) // prettier-ignore
  })
})

it('an empty view tells how many items each phrase leaves, alone and after those before', () => {
  add('Ridge', {}, 0)
  add('Ridge two', {}, 2)
  add('Door', {}, 2)
  const where = [fact('title', { is: 'has', words: 'ridge' }), fact('phase', { is: 'anyOf', values: ['active'] }), fact('title', { is: 'has', words: 'no such' })] // prettier-ignore
  expect(leaves(context(), where)).toEqual({ all: 3, phrases: [{ alone: 2, after: 2 }, { alone: 2, after: 1 }, { alone: 0, after: 0 }] }) // prettier-ignore
})

it('typed words come with how many items each would leave beside the phrases there are', async () => {
  add('Ridge', {}, 0)
  add('Door', {}, 2)
  const ground = { state: small.state, me: small.people.owner.id, today: () => today }
  const where = [fact('title', { is: 'has', words: 'd' })]
  const read = async (text: string) => ask(ground, 'typedWords', { project: small.project.id, where, text })
  const { parts } = await read('active, by status, showing due, as a board, count')
  expect(parts.map((part) => [part.words, part.count])).toEqual([
    ['it’s active', 1], ['by status', undefined], ['showing due', undefined], ['as a board by status', undefined], ['with count', undefined],
  ]) // prettier-ignore
  expect(await read('gibberish')).toEqual({ parts: [], left: [{ from: 0, to: 9, words: 'gibberish' }] })
})

it('says which of some items a view leaves out, of its own project alone', async () => {
  const [a, b] = [add('Ridge'), add('Door')]
  const ground = { state: small.state, me: small.people.owner.id, today: () => today }
  const only = view({ where: [fact('title', { is: 'has', words: 'ridge' })] })
  const input = { project: small.project.id, view: only, items: [a, b, 'another'] }
  expect(await ask(ground, 'notIn', input)).toEqual([b])
})
