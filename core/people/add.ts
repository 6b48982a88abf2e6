import * as z from 'zod/mini'
import { list } from '../base/schemas'
import { isSameText } from '../base/collation'
import { firstProblem, ok, problem } from '../base/result'
import { isAtLeast, memberId, needsWorkspaceRole } from '../access/access'
import { defineCommand } from '../change/command'
import { makes } from '../change/patch'
import { memberRecord, personRecord } from '../model/schemas'

/** Adds people to the workspace and makes them members of projects. Accounts (passwords) are made apart. */
export const addPeople = defineCommand({
  type: 'people.add',
  v: 1,
  body: z.object({ people: list(personRecord, 200), members: list(memberRecord, 1000) }),
  projects: () => [],
  check(reader, body, context) {
    const refused = needsWorkspaceRole(reader, context.by, 'lead')
    if (refused) return refused
    const mine = reader.maybe('person', context.by)?.role
    return (
      firstProblem(body.people, (one) => {
        if (reader.maybe('person', one.id)) return problem('id-taken')
        if (isAtLeast(one.role ?? undefined, 'owner') && mine !== 'owner')
          return problem('not-allowed', { needs: 'owner' })
        const taken = [...reader.all('person')].some((other) => !!one.email && isSameText(other.email ?? '', one.email))
        return taken ? problem('name-taken', { name: one.email ?? '' }) : undefined
      }) ??
      firstProblem(body.members, (one) => {
        const known = reader.maybe('person', one.person) ?? body.people.find((person) => person.id === one.person)
        if (!known || !reader.maybe('project', one.project)) return problem('gone')
        if (isAtLeast(one.role, 'owner') && mine !== 'owner') return problem('not-allowed', { needs: 'owner' })
        return one.id === memberId(one.project, one.person) ? undefined : problem('wrong-value', { field: 'member' })
      })
    )
  },
  apply: (reader, body) =>
    ok([
      ...body.people.map((person) => makes('person', person)),
      ...body.members.map((member) => ({
        ...makes('member', member),
        before: reader.maybe('member', member.id) ?? null,
      })),
    ]),
})
