import { beforeEach, describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { invert, applyPatch } from '../change/patch'
import { judge } from '../commands/registry'
import type { PersonId, ProjectId } from '../model/records'
import { boardOf, fieldsOf, kindsOf, statusesOf } from '../model/reader'
import { contextOf, run, smallWorkspace, type Small } from '../test-kit/workspace'
import type { ProjectBody } from './create'
import { starterPattern } from './starter-pattern'

let small: Small
beforeEach(() => (small = smallWorkspace()))
const pattern = (more: Partial<{ name: string; prefix: string }> = {}): ProjectBody =>
  starterPattern({ name: 'Seed bank', prefix: 'SED', colour: 'pool', order: 2, ...more }, small.ids.next)
function refusal(body: ProjectBody, by: PersonId = small.people.lead.id): unknown {
  const command = { id: small.ids.command(), type: 'projects.create', v: 1, ...body } as const
  const patch = judge(small.state, command, contextOf(command, by))
  return patch.ok ? undefined : patch.problem.code
}

describe('the starter pattern', () => {
  it('is a project that can be worked in at once', () => {
    const body = pattern()
    run(small.state, { id: small.ids.command(), type: 'projects.create', v: 1, ...body }, small.people.lead.id)
    const id = body.project.id
    const statuses = statusesOf(small.state, id)
    expect(statuses.map((one) => one.phase)).toEqual(['waiting', 'waiting', 'active', 'active', 'finished', 'dropped'])
    // Where it is checked, it is the reviewer's turn; everywhere else the assignees'.
    const reviewer = body.project.uses.reviewer
    expect(statuses.map((one) => one.turn)).toEqual([null, null, null, reviewer, null, null])
    expect(fieldsOf(small.state, id).map((one) => one.type)).toContain('people')
    for (const field of Object.values(body.project.uses))
      if (field) expect(small.state.maybe('field', field)?.project).toBe(id)
    expect(kindsOf(small.state, id)).toHaveLength(1)
    // Every status stands in one column of the board.
    const held = must(boardOf(small.state, id), 'board').definition.columns.flatMap((one) => one.statuses)
    expect([...held].sort()).toEqual(statuses.map((one) => one.id).sort())
    const views = [...small.state.all('view')].filter((one) => one.project === id)
    expect(views.map((one) => one.definition.layout).sort()).toEqual(['board', 'table'])
  })

  it('gives every thing an id of its own', () => {
    const [one, other] = [pattern(), pattern({ name: 'Other', prefix: 'OTH' })]
    const idsOf = (body: ProjectBody) =>
      [
        body.project,
        ...body.workflows,
        ...body.statuses,
        ...body.kinds,
        ...body.fields,
        ...body.boards,
        ...body.views,
      ].map(({ id }) => id as string)
    const all = [...idsOf(one), ...idsOf(other)]
    expect(new Set(all).size).toBe(all.length)
  })
})

describe('a new project', () => {
  it('is for leads and owners', () => {
    const { owner, lead, contributor, reader } = small.people
    expect([owner, lead, contributor, reader].map((one) => refusal(pattern(), one.id))).toEqual([
      undefined, undefined, 'not-allowed', 'not-allowed',
    ]) // prettier-ignore
  })

  it('has a name and a prefix that no other has or had', () => {
    expect(refusal(pattern({ name: 'glasshouse ' }))).toBe('name-taken')
    expect(refusal(pattern({ prefix: 'GLH' }))).toBe('prefix-taken')
    small.state.put('project', small.project.id, { ...small.project, prefix: 'GLA', oldPrefixes: ['GLH'] })
    expect(refusal(pattern({ prefix: 'GLH' }))).toBe('prefix-taken')
    expect(refusal(pattern())).toBeUndefined()
  })

  const broken: [string, (body: ProjectBody) => void][] = [
    ['a use that names another’s field', (b) => (b.project.uses.due = b.views[0]!.id as never)],
    ['a status in no workflow of it', (b) => (b.statuses[0]!.workflow = b.views[0]!.id as never)],
    ['a turn that is no field of it', (b) => (b.statuses[3]!.turn = b.views[0]!.id as never)],
    ['a kind on another’s workflow', (b) => (b.kinds[0]!.workflow = b.views[0]!.id as never)],
    ['a column with another’s status', (b) => b.boards[0]!.definition.columns[0]!.statuses.push(b.views[0]!.id as never)],
    ['a view of another project', (b) => (b.views[0]!.project = small.project.id)],
    ['a view that is someone’s own', (b) => (b.views[0]!.owner = small.people.lead.id)],
    ['a number that has begun', (b) => (b.project.nextNumber = 7)],
  ] // prettier-ignore
  for (const [what, breakIt] of broken)
    it(`is refused whole with ${what}`, () => {
      const body = structuredClone(pattern())
      breakIt(body)
      expect(refusal(body)).toBe('wrong-value')
    })

  it('takes no id that something has already', () => {
    const body = pattern()
    const board = must([...small.state.all('board')][0], 'board')
    expect(refusal({ ...body, boards: body.boards.map((one) => ({ ...one, id: board.id })) })).toBe('id-taken')
  })

  it('is gone without a trace when it is taken back', () => {
    const before = small.state.snapshot()
    const body = pattern()
    const patch = run(
      small.state,
      { id: small.ids.command(), type: 'projects.create', v: 1, ...body },
      small.people.lead.id,
    )
    expect(small.state.maybe('project', body.project.id as ProjectId)).toBeDefined()
    applyPatch(small.state, invert(patch))
    expect(small.state.snapshot()).toEqual(before)
  })
})
