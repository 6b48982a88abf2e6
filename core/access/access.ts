import { tieId } from '../base/ids'
import { problem, type Problem } from '../base/result'
import type { Actor } from '../change/actor'
import type { Lookup, Scope } from '../model/entities'
import type { Member, Person, PersonId, ProjectId, Role } from '../model/records'
import { rolesTable, type Act, type ProjectAct, type WorkspaceAct } from './acts'

/** The id of a person’s membership of a project. */
export const memberId = (project: string, person: string): Member['id'] => tieId<'member'>(project, person)

/** A person with an account; undefined for everyone else: people without one, who have left, who never were. */
export function accountOf(found: Lookup, person: string): (Person & { readonly role: Role }) | undefined {
  const own = found.maybe('person', person)
  return own?.active && own.role ? { ...own, role: own.role } : undefined
}

/** What someone may do in a project: what their role in the workspace gives everywhere, and what membership adds. */
export function actsIn(found: Lookup, person: PersonId, project: ProjectId): ReadonlySet<ProjectAct> {
  const own = accountOf(found, person)
  if (!own) return new Set()
  const member = found.maybe('member', memberId(project, person))?.role
  return new Set([...rolesTable[own.role].everywhere, ...(member ? rolesTable[member].asMember : [])])
}

/** Whether someone may do an act of the workspace, or one in a project. */
export function may(found: Lookup, by: Actor, act: WorkspaceAct): boolean
export function may(found: Lookup, by: Actor, act: ProjectAct, project: ProjectId): boolean
export function may(found: Lookup, by: Actor, act: Act, project?: ProjectId): boolean {
  if (project !== undefined) return actsIn(found, by.person, project).has(act as ProjectAct)
  const own = accountOf(found, by.person)
  return !!own && rolesTable[own.role].inWorkspace.includes(act as WorkspaceAct)
}

/** Why someone may not; undefined where they may. */
export function refusal(found: Lookup, by: Actor, act: WorkspaceAct): Problem | undefined
export function refusal(found: Lookup, by: Actor, act: ProjectAct, project: ProjectId): Problem | undefined
export function refusal(found: Lookup, by: Actor, act: Act, project?: ProjectId): Problem | undefined {
  const isAllowed =
    project === undefined ? may(found, by, act as WorkspaceAct) : may(found, by, act as ProjectAct, project)
  return isAllowed ? undefined : problem('not-allowed', { act })
}

/** Whether a person may see a project. */
export const maySee = (found: Lookup, person: PersonId, project: ProjectId): boolean =>
  actsIn(found, person, project).has('see project')

/** Whether a person belongs to a scope now. */
export function isIn(found: Lookup, person: PersonId, scope: Scope | undefined): boolean {
  if (!scope) return false
  if (scope.of === 'person') return scope.person === person
  if (scope.of === 'workspace' || (scope.of === 'project' && scope.self === person)) return true
  if (!maySee(found, person, scope.project)) return false
  if (scope.of === 'project' || scope.maker === person || scope.audience.of === 'project') return true
  return scope.audience.of === 'people' && scope.audience.people.includes(person)
}
