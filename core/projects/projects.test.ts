import { beforeEach, describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { invert, applyPatch } from '../change/patch'
import { judge, type BareCommand } from '../commands/registry'
import type { PersonId, ProjectId } from '../model/records'
import { boardsOf, columnsOf, fieldsOf, heldBy, kindsOf, maybeStep, projectsInOrder, statusesOf } from '../model/reader'
import { command as commandOf, contextOf, run, smallWorkspace, type Small } from '../test-kit/workspace'
import type { ProjectBody } from './create'
import { likeAnother } from './like-another'
import { starterPattern } from './starter-pattern'

let small: Small
beforeEach(() => (small = smallWorkspace()))
const pattern = (more: Partial<{ name: string; prefix: string; maker: PersonId }> = {}): ProjectBody =>
  starterPattern(
    { name: 'Seed bank', prefix: 'SED', colour: 'pool', rank: 'a2', maker: small.people.lead.id, ...more },
    small.ids.next,
  )
const start = (body: ProjectBody) => commandOf(small.ids, { type: 'projects.create', ...body })
function refusal(body: ProjectBody, by: PersonId = small.people.lead.id): unknown {
  const command = start(body)
  const patch = judge(small.state, command, contextOf(command, by))
  return patch.ok ? undefined : patch.problem.code
}

describe('the starter pattern', () => {
  it('is a project that can be worked in at once', () => {
    const body = pattern()
    run(small.state, start(body), small.people.lead.id)
    const id = body.project.id
    const statuses = statusesOf(small.state, id)
    expect(statuses.map((status) => status.phase)).toEqual([
      'waiting',
      'waiting',
      'active',
      'active',
      'finished',
      'dropped',
    ])
    // Where it is checked, it is the reviewer's turn; everywhere else the assignees'.
    const reviewer = body.project.uses.reviewer
    const turns = statuses.map((status) => maybeStep(small.state, body.workflows[0]!.id, status.id)?.turn)
    const usual = { of: 'assignees' }
    expect(turns).toEqual([usual, usual, usual, { of: 'field', field: reviewer }, usual, usual])
    expect(fieldsOf(small.state, id).map((field) => field.type)).toContain('people')
    for (const field of Object.values(body.project.uses))
      if (field) expect(small.state.maybe('field', field)?.project).toBe(id)
    expect(kindsOf(small.state, id)).toHaveLength(1)
    // Every status is in one column of the board.
    const columns = columnsOf(small.state, must(boardsOf(small.state, id)[0], 'board').id)
    const held = columns.flatMap((column) => heldBy(small.state, column.id)).map((one) => one.status)
    expect([...held].sort()).toEqual(statuses.map((status) => status.id).sort())
    const views = [...small.state.all('view')].filter((view) => view.project === id)
    expect(views.map((view) => view.definition.layout).sort()).toEqual(['board', 'table'])
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
    expect([owner, lead, contributor, reader].map((one) => refusal(pattern({ maker: one.id }), one.id))).toEqual([
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
    ['a status in no workflow of it', (b) => (b.steps[0]!.workflow = b.views[0]!.id as never)],
    ['a turn that is no field of it', (b) => (b.steps[3]!.turn = { of: 'field', field: b.views[0]!.id as never })],
    ['a kind on another’s workflow', (b) => (b.kinds[0]!.workflow = b.views[0]!.id as never)],
    ['a column with another’s status', (b) => (b.columnStatuses[0]!.status = b.views[0]!.id as never)],
    ['a view of another project', (b) => (b.views[0]!.project = small.project.id)],
    ['a view that is someone’s own', (b) => (b.views[0]!.audience = { of: 'maker' })],
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
    const view = must([...small.state.all('view')][0], 'view')
    expect(refusal({ ...body, views: body.views.map((one) => ({ ...one, id: view.id })) })).toBe('id-taken')
  })

  it('is gone without a trace when it is undone', () => {
    const before = small.state.snapshot()
    const body = pattern()
    const patch = run(small.state, start(body), small.people.lead.id)
    expect(small.state.maybe('project', body.project.id as ProjectId)).toBeDefined()
    applyPatch(small.state, invert(patch))
    expect(small.state.snapshot()).toEqual(before)
  })
})

describe('a project that is there', () => {
  const doing = (bare: BareCommand, by: PersonId = small.people.lead.id): string | undefined => {
    const sent = commandOf(small.ids, bare)
    const judged = judge(small.state, sent, contextOf(sent, by))
    if (judged.ok) applyPatch(small.state, judged.value.patch)
    return judged.ok ? undefined : judged.problem.code
  }
  const now = () => must(small.state.maybe('project', small.project.id), 'project')
  const set = (field: 'name' | 'prefix', from: string, to: string, by?: PersonId) =>
    doing({ type: 'project.set', target: small.project.id, set: { [field]: { from, to } } }, by)

  it('is named by those who lead it, as no other is, whatever the case, accents and blanks', () => {
    run(small.state, start(pattern({ name: 'Séed bank' })), small.people.lead.id)
    const { name } = small.project
    expect(set('name', name, 'Fern house', small.people.contributor.id)).toBe('not-allowed')
    expect(set('name', name, 'seed  BANK')).toBe('name-taken')
    expect(set('name', name, 'Fern house')).toBeUndefined()
    expect(set('name', name, 'Palm house')).toBe('changed-meanwhile')
    // Its own name in another way is no other's.
    expect(set('name', 'Fern house', 'FERN HOUSE')).toBeUndefined()
    expect(now().name).toBe('FERN HOUSE')
  })

  it('keeps an earlier prefix, which no other project can have', () => {
    const { prefix } = small.project
    run(small.state, start(pattern()), small.people.lead.id)
    expect(set('prefix', prefix, 'SED')).toBe('prefix-taken')
    expect(set('prefix', prefix, 'FERN')).toBeUndefined()
    expect(set('prefix', 'FERN', 'PALM')).toBeUndefined()
    expect(now()).toMatchObject({ prefix: 'PALM', oldPrefixes: [prefix, 'FERN'] })
    expect(refusal(pattern({ name: 'Other', prefix }))).toBe('prefix-taken')
    // Taken up again, it is no earlier one any more.
    expect(set('prefix', 'PALM', prefix)).toBeUndefined()
    expect(now()).toMatchObject({ prefix, oldPrefixes: ['FERN', 'PALM'] })
  })

  it('leaves the index when it is archived, comes back, and has its place by hand', () => {
    const body = pattern()
    run(small.state, start(body), small.people.lead.id)
    const order = () => projectsInOrder(small.state).map((project) => project.id)
    const [first, second] = order()
    expect(doing({ type: 'project.order', target: second!, before: first! })).toBeUndefined()
    expect(order()).toEqual([second, first])
    expect(doing({ type: 'project.remove', target: second!, how: {} })).toBeUndefined()
    expect(order()).toEqual([first])
    expect(doing({ type: 'project.remove', target: second!, how: {} })).toBe('gone')
    expect(doing({ type: 'project.set', target: second!, set: { archived: { from: true, to: false } } })).toBeUndefined() // prettier-ignore
    expect(order()).toEqual([second, first])
  })
})

describe('a project that is set up as another is', () => {
  const copied = () => likeAnother(small.state, must(small.state.maybe('project', small.project.id), 'project'), { name: 'Seed bank', prefix: 'SED', colour: 'pool', rank: 'a2', maker: small.people.lead.id }, small.ids.next).body // prettier-ignore

  it('has the same statuses, fields, columns, limits and shared views, all of its own, and no items', () => {
    const body = copied()
    run(small.state, start(body), small.people.lead.id)
    const id = body.project.id
    const names = (list: readonly { readonly name: string }[]) => list.map(({ name }) => name)
    expect(names(statusesOf(small.state, id))).toEqual(names(statusesOf(small.state, small.project.id)))
    expect(names(fieldsOf(small.state, id))).toEqual(names(fieldsOf(small.state, small.project.id)))
    const columns = (project: ProjectId) => columnsOf(small.state, must(boardsOf(small.state, project)[0], 'board').id)
    expect(names(columns(id))).toEqual(names(columns(small.project.id)))
    expect(columns(id).map((column) => heldBy(small.state, column.id).length)).toEqual(columns(small.project.id).map((column) => heldBy(small.state, column.id).length)) // prettier-ignore
    expect(fieldsOf(small.state, id).map((field) => field.id)).toContain(body.project.uses.due)
    expect([...small.state.itemsOf(id)]).toEqual([])
    expect(body.views).toHaveLength(2)
  })

  it('leaves behind what was removed, and phrases that still speak of it', () => {
    const due = must(
      fieldsOf(small.state, small.project.id).find((field) => field.name === 'due'),
      'due',
    )
    run(small.state, commandOf(small.ids, { type: 'field.remove', target: due.id, how: {} }), small.people.lead.id)
    const body = copied()
    expect(body.project.uses.due).toBeNull()
    expect(body.views.map(({ definition }) => definition.show.length)).toEqual([1, 3])
    run(small.state, start(body), small.people.lead.id)
    expect(fieldsOf(small.state, body.project.id).map((field) => field.name)).not.toContain('due')
  })
})
