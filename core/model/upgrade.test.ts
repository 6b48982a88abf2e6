import { describe, expect, it } from 'vitest'
import { applyPatch } from '../change/patch'
import { judge } from '../commands/registry'
import { boardsOf } from './reader'
import { command as commandOf, contextOf, smallWorkspace } from '../test-kit/workspace'
import { viewDefinition } from './definition'
import { upgradeContextOf, upgradeDefinition } from './upgrade'

const { state, project, people, ids } = smallWorkspace()
const [table] = [...state.all('view')].filter((view) => view.definition.layout === 'table')
const around = upgradeContextOf(state, project.id)
const old = (where: object[]) => ({ v: 1, layout: 'table', where, sort: [{ by: 'rank', down: false }], show: [] })
const due = { fact: 'field', field: project.uses.due }

describe('views of version 1', () => {
  it.each([
    [{ about: 'status', statuses: ['a', 'b'] }, { fact: { fact: 'status' }, test: { is: 'anyOf', values: ['a', 'b'] } }],
    [{ about: 'phase', phases: ['active'] }, { fact: { fact: 'phase' }, test: { is: 'anyOf', values: ['active'] } }],
    [{ about: 'person', people: ['me'] }, { fact: { fact: 'people' }, test: { is: 'anyOf', values: ['me'] } }],
    [{ about: 'turn', of: 'nobody' }, { fact: { fact: 'turn' }, test: { is: 'anyOf', values: ['nobody'] } }],
    [{ about: 'dueBefore', day: 'today' }, { fact: due, test: { is: 'days', from: null, to: { of: 'day', n: -1 } } }],
    [{ about: 'dueBefore', day: '2026-12-01' }, { fact: due, test: { is: 'days', from: null, to: '2026-11-30' } }],
  ])('%j', (before, after) => {
    const now = upgradeDefinition(old([before]), around)
    expect(now).toEqual({ v: 3, layout: 'table', where: [{ about: 'fact', ...after }], group: [], sort: [{ by: { fact: 'rank' }, down: false }], totals: [], show: [] })
    expect(viewDefinition.safeParse(now).success).toBe(true)
  }) // prettier-ignore

  it('leave a phrase about a due field out where there is none, and today’s as they are', () => {
    const none = { due: null, board: undefined }
    expect(upgradeDefinition(old([{ about: 'dueBefore', day: 'today' }]), none).where).toEqual([])
    expect(upgradeDefinition(table!.definition, around)).toBe(table!.definition)
  })
})

describe('views of version 2', () => {
  const v2 = (more: object) => ({
    v: 2,
    layout: 'table',
    where: [],
    group: [],
    sort: [],
    totals: [],
    show: [],
    ...more,
  })
  const about = (fact: string) => ({ about: 'fact', fact, test: { is: 'filled' } })
  it('name facts by what they are, however deep', () => {
    const effort = project.uses.effort!
    const now = upgradeDefinition(
      v2({
        where: [{ about: 'any', of: [about('late'), { about: 'anyChild', that: about(effort) }] }, { about: 'was', daysAgo: 2, statuses: [] }],
        group: [{ by: 'status', byTotal: { name: 'sum', of: effort } }, { by: effort, down: true }],
        sort: [{ by: 'title', down: true, emptyFirst: true }],
        totals: [{ name: 'count' }, { name: 'sum', of: effort }],
      }),
      around,
    ) // prettier-ignore
    const field = { fact: 'field', field: effort }
    expect(now).toEqual({
      v: 3, layout: 'table', show: [],
      where: [{ about: 'any', of: [{ ...about(''), fact: { fact: 'late' } }, { about: 'anyChild', that: { ...about(''), fact: field } }] }, { about: 'was', daysAgo: 2, statuses: [] }],
      group: [{ by: { fact: 'status' }, byTotal: { name: 'sum', of: field } }, { by: field, down: true }],
      sort: [{ by: { fact: 'title' }, down: true, emptyFirst: true }],
      totals: [{ name: 'count' }, { name: 'sum', of: field }],
    }) // prettier-ignore
  })

  it('drew the project’s first board, and are tables where there is none', () => {
    const board = boardsOf(state, project.id)[0]!.id
    expect(upgradeDefinition(v2({ layout: 'board' }), around)).toMatchObject({ v: 3, layout: 'board', board })
    expect(upgradeDefinition(v2({ layout: 'board' }), { due: null, board: undefined }).layout).toBe('table')
  })
})

describe('a view’s phrases', () => {
  const depthOf = (depth: number): object => (depth ? { about: 'none', of: [depthOf(depth - 1)] } : { about: 'fact', fact: { fact: 'late' }, test: { is: 'filled' } }) // prettier-ignore
  it('stand within one another eight times at most', () => {
    const read = (depth: number) => viewDefinition.safeParse({ ...table!.definition, where: [depthOf(depth)] }).success
    expect([read(0), read(8), read(9), read(5000)]).toEqual([true, true, false, false])
  })

  it('are kept with the view by a command', () => {
    const view = {
      ...table!,
      maker: people.owner.id,
      id: ids.next() as never,
      definition: { ...table!.definition, where: [depthOf(2)] as never },
    }
    const command = commandOf(ids, { type: 'view.add', record: view })
    const patch = judge(state, command, contextOf(command, people.owner.id))
    if (patch.ok) applyPatch(state, patch.value.patch)
    expect(state.maybe('view', view.id)?.definition.where).toEqual([depthOf(2)])
  })
})
