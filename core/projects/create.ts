import * as z from 'zod/mini'
import { list } from '../base/schemas'
import { isSameText } from '../base/collation'
import { firstProblem, ok, problem, type Problem } from '../base/result'
import { needsWorkspaceRole } from '../access/access'
import { defineCommand } from '../change/command'
import { makes } from '../change/patch'
import {
  boardRecord,
  fieldRecord,
  kindRecord,
  projectRecord,
  statusRecord,
  viewRecord,
  workflowRecord,
} from '../model/schemas'

/** A project with all that it begins with; `starterPattern` makes such a body. */
export const projectBody = z.object({
  project: projectRecord,
  workflows: list(workflowRecord, 20, 1),
  statuses: list(statusRecord, 200, 1),
  kinds: list(kindRecord, 60, 1),
  fields: list(fieldRecord, 200),
  boards: list(boardRecord, 20),
  views: list(viewRecord, 60),
})
export type ProjectBody = z.infer<typeof projectBody>

export const createProject = defineCommand({
  type: 'projects.create',
  v: 1,
  body: projectBody,
  projects: (_reader, body) => [body.project.id],
  check(reader, body, context) {
    const refused = needsWorkspaceRole(reader, context.by, 'lead')
    if (refused) return refused
    const { project } = body
    for (const other of reader.all('project')) {
      if (isSameText(other.name, project.name)) return problem('name-taken', { name: project.name })
      if ([other.prefix, ...other.oldPrefixes].includes(project.prefix))
        return problem('prefix-taken', { name: project.prefix })
    }
    return (
      checkWhole(body) ??
      firstProblem(parts(body), (part) => (reader.maybe(part.entity, part.id) ? problem('id-taken') : undefined))
    )
  },
  apply: (_reader, body) => ok(parts(body)),
})

const parts = (body: ProjectBody) => [
  makes('project', body.project),
  ...body.workflows.map((one) => makes('workflow', one)),
  ...body.statuses.map((one) => makes('status', one)),
  ...body.kinds.map((one) => makes('kind', one)),
  ...body.fields.map((one) => makes('field', one)),
  ...body.boards.map((one) => makes('board', one)),
  ...body.views.map((one) => makes('view', one)),
]

/** Everything that is named must be in it. */
function checkWhole(body: ProjectBody): Problem | undefined {
  const { project } = body
  const fields = new Set<string>(body.fields.map((field) => field.id))
  const workflows = new Set<string>(body.workflows.map((one) => one.id))
  const statuses = new Set<string>(body.statuses.map((one) => one.id))
  const isWhole =
    project.nextNumber === 1 &&
    [...body.workflows, ...body.kinds, ...body.fields, ...body.boards, ...body.views].every(
      (one) => one.project === project.id,
    ) &&
    Object.values(project.uses).every((field) => field === null || fields.has(field)) &&
    body.statuses.every((one) => workflows.has(one.workflow) && (one.turn === null || fields.has(one.turn))) &&
    body.kinds.every((one) => workflows.has(one.workflow)) &&
    body.boards.every((one) =>
      one.definition.columns.every((column) => column.statuses.every((id) => statuses.has(id))),
    ) &&
    body.views.every((one) => one.owner === null)
  return isWhole ? undefined : problem('wrong-value', { field: 'project' })
}
