import * as z from 'zod/mini'
import { list } from '../base/schemas'
import { firstProblem, problem, type Problem } from '../base/result'
import { memberId, refusal } from '../access/access'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand, type Context } from '../change/command'
import { makes } from '../change/patch'
import type { Reader } from '../model/reader'
import type { Member } from '../model/records'
import { memberRecord, personRecord } from '../model/schemas'

/** Adds people to the workspace and makes them members of projects. Accounts (passwords) are made separately. */
export const addPeople = defineCommand({
  type: 'people.add',
  v: 1,
  body: z.object({ people: list(personRecord, 200), members: list(memberRecord, 1000) }),
  projects: () => [],
  check: (reader, { people, members }, context) =>
    // Whoever works names people as they come up; they have no account, and see nothing.
    (people.length && !members.length && people.every(({ role }) => role === null)
      ? undefined
      : refusal(reader, context.by, 'manage people')) ??
    firstProblem(people, (person) => changeRefusal(reader, context.by, 'person', person)) ??
    firstProblem(members, (member) => checkMember(reader, member, context)),
  apply: (reader, body) =>
    applied([
      ...body.people.map((person) => makes('person', person)),
      ...body.members.map((member) => ({
        ...makes('member', member),
        before: reader.maybe('member', member.id) ?? null,
      })),
    ]),
})

/** Whether somebody may make a person a member of a project. */
export function checkMember(reader: Reader, member: Member, context: Context): Problem | undefined {
  const refused = changeRefusal(reader, context.by, 'member', member)
  if (refused) return refused
  return member.id === memberId(member.project, member.person) ? undefined : problem('wrong-value', { field: 'member' })
}
