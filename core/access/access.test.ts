import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { beforeEach, describe, expect, it } from 'vitest'
import { personActor } from '../change/actor'
import type { Scope } from '../model/entities'
import { roles, type Role } from '../model/records'
import { smallWorkspace, type Small } from '../test-kit/workspace'
import { actsIn, isIn, may, maySee, memberId, refusal } from './access'
import { rolesPage } from './roles-page'
import { rolesTable, type ProjectAct, type WorkspaceAct } from './acts'

let small: Small
beforeEach(() => (small = smallWorkspace()))
/** Gives someone a role in the workspace and, where it is given, in the project; what they may do there then. */
function actsOf(own: Role | null, member: Role | null, active = true): ProjectAct[] {
  const { state, project, people } = small
  const person = { ...people.stranger, role: own, active }
  state.put('person', person.id, person)
  const id = memberId(project.id, person.id)
  state.put('member', id, member ? { id, project: project.id, person: person.id, role: member } : undefined)
  return [...actsIn(state, person.id, project.id)]
}
const reader: ProjectAct[] = ['see project', 'keep own views']
const contributor: ProjectAct[] = [...reader, 'change items']
const lead: ProjectAct[] = [...contributor, 'keep views for everyone', 'set up project']

describe('what someone may do in a project', () => {
  const table: [own: Role | null, member: Role | null, then: ProjectAct[]][] = [
    ['owner', null, lead],
    ['owner', 'reader', lead],
    ['lead', null, lead],
    ['lead', 'reader', lead],
    ['contributor', null, []],
    ['contributor', 'contributor', contributor],
    ['contributor', 'reader', reader],
    ['contributor', 'lead', lead],
    ['reader', null, []],
    ['reader', 'reader', reader],
    ['reader', 'contributor', contributor],
    [null, null, []],
    [null, 'owner', []],
  ]
  for (const [own, member, then] of table)
    it(`as ${own ?? 'nobody'} who is ${member ?? 'no member'}: ${then.length ? then.join(', ') : 'nothing'}`, () => {
      expect(actsOf(own, member).sort()).toEqual([...then].sort())
      expect(maySee(small.state, small.people.stranger.id, small.project.id)).toBe(then.length > 0)
    })

  it('is nothing for whoever has left, and for whoever there never was', () => {
    for (const role of roles) expect(actsOf(role, 'owner', false)).toEqual([])
    expect(actsIn(small.state, 'nobody' as never, small.project.id).size).toBe(0)
  })

  it('is refused with the act that it takes', () => {
    const { state, project, people } = small
    const why = (act: ProjectAct) => refusal(state, personActor(people.reader.id), act, project.id)
    expect(why('see project')).toBeUndefined()
    expect(why('change items')).toEqual({ code: 'not-allowed', said: { act: 'change items' } })
  })
})

describe('what someone may do in the workspace', () => {
  const acts: WorkspaceAct[] = ['name people', 'manage people', 'start projects', 'make owners']
  it('grows with the role', () => {
    const { state, people } = small
    const allowed = [people.reader, people.contributor, people.lead, people.owner].map(
      (person) => acts.filter((act) => may(state, personActor(person.id), act)).length,
    )
    expect(allowed).toEqual([0, 1, 3, 4])
  })

  it('is nothing for whoever has left', () => {
    const { state, people } = small
    state.put('person', people.owner.id, { ...people.owner, active: false })
    expect(acts.some((act) => may(state, personActor(people.owner.id), act))).toBe(false)
  })

  it('gives a lower role nothing that a higher one lacks', () => {
    roles.forEach((role, i) => {
      const higher = rolesTable[roles[i + 1] ?? role]
      for (const key of ['inWorkspace', 'everywhere', 'asMember'] as const)
        for (const act of rolesTable[role][key]) expect(higher[key]).toContain(act)
    })
  })
})

describe('who belongs to a scope', () => {
  it('a view is its maker’s, some people’s, or everyone’s who sees the project', () => {
    const { state, project, people } = small
    const view = (audience: Extract<Scope, { of: 'view' }>['audience']): Scope => ({
      of: 'view', project: project.id, maker: people.reader.id, audience,
    }) // prettier-ignore
    const seen = (scope: Scope) =>
      [people.owner, people.contributor, people.reader, people.stranger].map((one) => isIn(state, one.id, scope))
    expect(seen(view({ of: 'maker' }))).toEqual([false, false, true, false])
    expect(seen(view({ of: 'project' }))).toEqual([true, true, true, false])
    expect(seen(view({ of: 'people', people: [people.contributor.id, people.stranger.id] }))).toEqual([
      false, true, true, false,
    ]) // prettier-ignore
    expect(seen({ of: 'workspace' })).toEqual([true, true, true, true])
    expect(isIn(state, people.owner.id, undefined)).toBe(false)
  })
})

it('is said in the docs as it is (npm run docs:tables)', () => {
  const said = readFileSync(join(import.meta.dirname, '../../docs/roles.md'), 'utf8')
  // How wide the columns are is the formatter's.
  const plain = (text: string) =>
    text
      .replace(/[ \n]+/g, ' ')
      .replace(/:?-+:?/g, '-')
      .trim()
  expect(plain(said)).toBe(plain(rolesPage()))
})
