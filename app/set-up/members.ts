import { compareText } from '#core/base/collation'
import { memberId } from '#core/access/access'
import type { Reader } from '#core/model/reader'
import type { Person, ProjectId, Role } from '#core/model/records'

/** What somebody may do in a project as one of its members; undefined where they are none. */
export const memberRole = (reader: Reader, project: ProjectId, person: Person): Role | undefined =>
  reader.maybe('member', memberId(project, person.id))?.role
/** Whether somebody sees and leads every project. */
export const runsAll = ({ role }: Person): boolean => role === 'owner' || role === 'lead'

const activeIn = (reader: Reader): Person[] =>
  [...reader.all('person')].filter((person) => person.active).sort((a, b) => compareText(a.name, b.name))
/** Those who take part in a project, those of the whole workspace first. */
export function membersOf(reader: Reader, project: ProjectId): Person[] {
  const active = activeIn(reader)
  return [
    ...active.filter(runsAll),
    ...active.filter((person) => !runsAll(person) && memberRole(reader, project, person)),
  ]
}
/** Those who could. */
export const othersOf = (reader: Reader, project: ProjectId): Person[] =>
  activeIn(reader).filter((person) => !runsAll(person) && !memberRole(reader, project, person))
