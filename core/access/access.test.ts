import { beforeEach, describe, expect, it } from 'vitest'
import { smallWorkspace, type Small } from '../test-kit/workspace'
import { roles, type Role } from '../model/records'
import { isAtLeast, mayRead, memberId, needsRole, needsWorkspaceRole, roleIn } from './access'

let small: Small
beforeEach(() => (small = smallWorkspace()))
/** Gives someone a role in the workspace and, where it is given, in the project. */
function roleOf(own: Role | null, member: Role | null, active = true): Role | undefined {
  const { state, project, people } = small
  const person = { ...people.stranger, role: own, active }
  state.put('person', person.id, person)
  const id = memberId(project.id, person.id)
  state.put('member', id, member ? { id, project: project.id, person: person.id, role: member } : undefined)
  return roleIn(state, person.id, project.id)
}

describe('a role in a project', () => {
  const table: [own: Role | null, member: Role | null, then: Role | undefined][] = [
    ['owner', null, 'owner'],
    ['owner', 'reader', 'owner'],
    ['lead', null, 'lead'],
    ['lead', 'reader', 'lead'],
    ['lead', 'owner', 'owner'],
    ['contributor', null, undefined],
    ['contributor', 'contributor', 'contributor'],
    ['contributor', 'reader', 'reader'],
    ['contributor', 'lead', 'lead'],
    ['reader', null, undefined],
    ['reader', 'reader', 'reader'],
    ['reader', 'contributor', 'contributor'],
    [null, null, undefined],
    [null, 'owner', undefined],
  ]
  for (const [own, member, then] of table)
    it(`of ${own ?? 'nobody'} who is ${member ?? 'no member'}: ${then ?? 'none'}`, () => {
      expect(roleOf(own, member)).toBe(then)
      expect(mayRead(small.state, small.people.stranger.id, small.project.id)).toBe(then !== undefined)
    })

  it('is none for whoever has left, and for whoever there never was', () => {
    for (const role of roles) expect(roleOf(role, 'owner', false)).toBeUndefined()
    expect(roleIn(small.state, 'nobody' as never, small.project.id)).toBeUndefined()
  })
})

describe('what needs a role', () => {
  it('is allowed to that role and every higher one', () => {
    const { state, project, people } = small
    const inProject = { reader: people.reader, contributor: people.contributor, lead: people.lead, owner: people.owner }
    for (const least of roles)
      for (const [role, person] of Object.entries(inProject)) {
        const isHigh = roles.indexOf(role as Role) >= roles.indexOf(least)
        expect(isAtLeast(role as Role, least)).toBe(isHigh)
        expect(needsRole(state, person.id, project.id, least)).toEqual(
          isHigh ? undefined : { code: 'not-allowed', said: { needs: least } },
        )
        expect(!needsWorkspaceRole(state, person.id, least)).toBe(isHigh)
      }
  })

  it('is refused to whoever has none', () => {
    const { state, project, people } = small
    expect(isAtLeast(undefined, 'reader')).toBe(false)
    expect(needsRole(state, people.stranger.id, project.id, 'reader')?.code).toBe('not-allowed')
    state.put('person', people.owner.id, { ...people.owner, active: false })
    expect(needsWorkspaceRole(state, people.owner.id, 'reader')?.code).toBe('not-allowed')
  })
})
