import { problem, type Problem } from '../base/result'
import type { Reader } from '../model/reader'
import { roles, type PersonId, type ProjectId, type Role } from '../model/records'

/**
 * Owners and leads of the workspace have that role in every project; contributors and readers have one where they are
 * members. The higher of both counts. A person without a role has no account and may do nothing.
 */
export function roleIn(reader: Reader, person: PersonId, project: ProjectId): Role | undefined {
  const own = reader.maybe('person', person)
  if (!own?.active || !own.role) return undefined
  const member = reader.maybe('member', memberId(project, person))?.role
  const everywhere = own.role === 'owner' || own.role === 'lead' ? own.role : undefined
  return highest(everywhere, member)
}

export const memberId = (project: string, person: string): string => `${project}/${person}`

const highest = (a: Role | undefined, b: Role | undefined): Role | undefined => (rank(a) >= rank(b) ? a : b)
const rank = (role: Role | undefined): number => (role ? roles.indexOf(role) : -1)

export const isAtLeast = (role: Role | undefined, least: Role): boolean => rank(role) >= rank(least)

export const mayRead = (reader: Reader, person: PersonId, project: ProjectId): boolean =>
  roleIn(reader, person, project) !== undefined

/** Undefined where the person has at least that role in the project. */
export function needsRole(reader: Reader, person: PersonId, project: ProjectId, least: Role): Problem | undefined {
  return isAtLeast(roleIn(reader, person, project), least) ? undefined : problem('not-allowed', { needs: least })
}

/** Undefined where the person has at least that role in the workspace. */
export function needsWorkspaceRole(reader: Reader, person: PersonId, least: Role): Problem | undefined {
  const own = reader.maybe('person', person)
  return own?.active && isAtLeast(own.role ?? undefined, least) ? undefined : problem('not-allowed', { needs: least })
}
