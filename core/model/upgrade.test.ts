import { describe, expect, it } from 'vitest'
import { applyPatch } from '../change/patch'
import { contextOf, run, smallWorkspace } from '../test-kit/workspace'
import { judge } from '../commands/registry'
import type { Entry } from '../change/command'
import { upgradeDefinition, upgradeView } from './upgrade'
import { viewDefinition } from './schemas'

const { state, project, people, ids } = smallWorkspace()
const [table] = [...state.all('view')].filter((one) => one.definition.layout === 'table')
const old = (where: object[]) => ({ v: 1, layout: 'table', where, sort: [{ by: 'rank', down: false }], show: ['x'] })

describe('views of version 1', () => {
  it.each([
    [{ about: 'status', statuses: ['a', 'b'] }, { fact: 'status', test: { is: 'anyOf', values: ['a', 'b'] } }],
    [{ about: 'phase', phases: ['active'] }, { fact: 'phase', test: { is: 'anyOf', values: ['active'] } }],
    [{ about: 'person', people: ['me'] }, { fact: 'people', test: { is: 'anyOf', values: ['me'] } }],
    [{ about: 'turn', of: 'nobody' }, { fact: 'turn', test: { is: 'anyOf', values: ['nobody'] } }],
    [{ about: 'dueBefore', day: 'today' }, { fact: project.uses.due, test: { is: 'days', from: null, to: { of: 'day', n: -1 } } }],
    [{ about: 'dueBefore', day: '2026-12-01' }, { fact: project.uses.due, test: { is: 'days', from: null, to: '2026-11-30' } }],
  ])('%j', (before, after) => {
    const now = upgradeDefinition(old([before]), project)
    expect(now).toEqual({ v: 2, layout: 'table', where: [{ about: 'fact', ...after }], group: [], sort: [{ by: 'rank', down: false }], totals: [], show: ['x'] })
    expect(viewDefinition.safeParse(now).success).toBe(true)
  }) // prettier-ignore

  it('leave a phrase about a due field out where there is none, and today’s as they are', () => {
    expect(upgradeDefinition(old([{ about: 'dueBefore', day: 'today' }]), undefined).where).toEqual([])
    expect(upgradeDefinition(table!.definition, project)).toBe(table!.definition)
    expect(upgradeView(state, table!)).toEqual(table)
  })

  it('are restored as today’s, when a change of them is taken back', () => {
    const [before, after] = [old([]), old([{ about: 'turn', of: 'me' }])]
    const entry: Entry = {
      sequence: 1, command: ids.command(), type: 'views.set', v: 1, by: people.owner.id, at: '2026-11-01T00:00:00.000Z',
      patch: [{ entity: 'view', id: table!.id, field: 'definition', before, after }],
    } // prettier-ignore
    state.put('view', table!.id, { ...table!, definition: upgradeDefinition(after, project) })
    run(state, { id: ids.command(), type: 'revert', v: 1, of: entry.command }, people.owner.id, { entryOf: () => entry }) // prettier-ignore
    expect(state.maybe('view', table!.id)!.definition).toEqual(upgradeDefinition(before, project))
  })
})

describe('a view’s phrases', () => {
  const depthOf = (depth: number): object => (depth ? { about: 'none', of: [depthOf(depth - 1)] } : { about: 'fact', fact: 'late', test: { is: 'filled' } }) // prettier-ignore
  it('stand within one another eight times at most', () => {
    const read = (depth: number) => viewDefinition.safeParse({ ...table!.definition, where: [depthOf(depth)] }).success
    expect([read(0), read(8), read(9), read(5000)]).toEqual([true, true, false, false])
  })

  it('are kept with the view by a command', () => {
    const view = {
      ...table!,
      id: ids.next() as never,
      definition: { ...table!.definition, where: [depthOf(2)] as never },
    }
    const command = { id: ids.command(), type: 'views.add' as const, v: 1 as const, view }
    const patch = judge(state, command, contextOf(command, people.owner.id))
    if (patch.ok) applyPatch(state, patch.value)
    expect(state.maybe('view', view.id)?.definition.where).toEqual([depthOf(2)])
  })
})
