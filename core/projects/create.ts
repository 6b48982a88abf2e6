import * as z from 'zod/mini'
import { list } from '../base/schemas'
import { firstProblem, problem, type Problem } from '../base/result'
import { refusal } from '../access/access'
import { applied, defineCommand, personIn, type Context } from '../change/command'
import { makes, type Change } from '../change/patch'
import { entityOf, idsIn, projectOf, type Lookup } from '../model/entities'
import type { EntityName, Records } from '../model/records'
import * as schemas from '../model/schemas'
import { checkMember } from '../people/add'
import { nameRefusal } from './commands'

/** A project with all that it begins with; `starterPattern` makes such a body. */
export const projectBody = z.object({
  project: schemas.projectRecord,
  statuses: list(schemas.statusRecord, 200, 1),
  workflows: list(schemas.workflowRecord, 20, 1),
  steps: list(schemas.stepRecord, 1000, 1),
  kinds: list(schemas.kindRecord, 60, 1),
  fields: list(schemas.fieldRecord, 200),
  options: list(schemas.optionRecord, 5000),
  boards: list(schemas.boardRecord, 20),
  columns: list(schemas.columnRecord, 500),
  columnStatuses: list(schemas.columnStatusRecord, 1000),
  limits: list(schemas.limitRecord, 500),
  views: list(schemas.viewRecord, 60),
  /** Who takes part from the start. */
  members: z.optional(list(schemas.memberRecord, 1000)),
})
/** A project with all that it begins with. */
export type ProjectBody = z.infer<typeof projectBody>

/** Makes a project with all that it begins with. */
export const createProject = defineCommand({
  type: 'projects.create',
  v: 2,
  body: projectBody,
  projects: (_reader, body) => [body.project.id],
  check(reader, body, context) {
    return (
      refusal(reader, context.by, 'start projects') ??
      nameRefusal(reader, body.project) ??
      checkWhole(body, context) ??
      firstProblem(body.members ?? [], (member) => checkMember(reader, member, context))
    )
  },
  apply: (_reader, body) => applied(parts(body)),
})

const lists = {
  statuses: 'status', workflows: 'workflow', steps: 'step', kinds: 'kind', fields: 'field', options: 'option',
  boards: 'board', columns: 'column', columnStatuses: 'columnStatus', limits: 'limit', views: 'view', members: 'member',
} as const satisfies Record<Exclude<keyof ProjectBody, 'project'>, EntityName> // prettier-ignore

const parts = (body: ProjectBody): Change[] => [
  makes('project', body.project),
  ...Object.entries(lists).flatMap(([list, entity]) =>
    (body[list as keyof typeof lists] ?? []).map((record) => makes(entity, record as never)),
  ),
]

/** Everything in it belongs to the project, and everything that is named is in it. */
function checkWhole(body: ProjectBody, context: Context): Problem | undefined {
  const made = parts(body) as { entity: EntityName; id: string; after: Records[EntityName] }[]
  const held = new Map(made.map((one) => [`${one.entity} ${one.id}`, one.after]))
  const found: Lookup = { maybe: (entity, id) => held.get(`${entity} ${id}`) as never }
  const isOurs = ({ entity, after }: (typeof made)[number]) => {
    const project = projectOf(entityOf(entity).scope(after as never, found))
    const named = idsIn(entity, after as never)
    return (
      project === body.project.id &&
      named.every((one) => !one.entity || one.entity === 'person' || held.has(`${one.entity} ${one.id}`))
    )
  }
  const isWhole =
    body.project.nextNumber === 1 &&
    made.every(isOurs) &&
    body.views.every((view) => view.audience.of === 'project' && view.maker === personIn(context))
  return isWhole ? undefined : problem('wrong-value', { field: 'project' })
}
