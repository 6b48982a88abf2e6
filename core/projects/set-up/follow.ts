import * as z from 'zod/mini'
import { list } from '../../base/schemas'
import * as ids from '../../base/id-schemas'
import { problem, type Problem } from '../../base/result'
import { changeRefusal } from '../../access/changing'
import { applied, defineCommand } from '../../change/command'
import { makes, type Change } from '../../change/patch'
import { changeStatus, stamp, StayIds } from '../../items/changes'
import { maybeStep, stepsOf, type Reader } from '../../model/reader'
import type { Kind } from '../../model/records'
import { stepRecord, workflowRecord } from '../../model/schemas'
import { unmade } from '../../setup/record-commands'
import { itemsWith } from './in-project'

const followBody = z.object({
  kind: ids.kindId,
  from: ids.workflowId,
  to: ids.workflowId,
  /** The workflow that it follows from now on, where that is made with it; null: one that is there. */
  made: z.nullable(z.object({ workflow: workflowRecord, steps: list(stepRecord, 200, 1) })),
  /** Where its items go whose status that workflow has not; null: there are none. */
  instead: z.nullable(ids.statusId),
})
type Body = z.infer<typeof followBody>

/** Has a kind go through another workflow: one of its own, or that of another kind. Its items keep their statuses where they can. */
export const followWorkflow = defineCommand({
  type: 'kind.follow',
  v: 1,
  body: followBody,
  projects: (reader, { kind }) => [reader.maybe('kind', kind)?.project ?? []].flat(),
  check(reader, body, context): Problem | undefined {
    const kind = reader.maybe('kind', body.kind)
    if (!kind || kind.archived) return problem('gone')
    const refused = changeRefusal(reader, context.by, 'kind', kind)
    if (refused) return refused
    if (kind.workflow !== body.from) return problem('changed-meanwhile')
    return checkTarget(reader, kind, body) ?? checkInstead(reader, kind, body)
  },
  apply(reader, body, context) {
    const kind = reader.maybe('kind', body.kind)!
    const stays = new StayIds(context.command)
    const { made, to, instead } = body
    return applied([
      ...(made ? [makes('workflow', made.workflow), ...made.steps.map((step) => makes('step', step))] : []),
      { entity: 'kind', id: kind.id, field: 'workflow', before: kind.workflow, after: to },
      ...(instead ? misfits(reader, kind, body) : []).flatMap((item): Change[] => [
        ...changeStatus(reader, item, instead!, context, stays),
        ...stamp(item, context),
      ]),
      ...leftBehind(reader, kind),
    ])
  },
})

const has = (reader: Reader, { to, made }: Body, status: string): boolean =>
  made ? made.steps.some((step) => step.status === status) : !!maybeStep(reader, to, status)

function checkTarget(reader: Reader, kind: Kind, { to, from, made }: Body): Problem | undefined {
  const wrong = problem('wrong-value', { field: 'workflow' })
  if (!made) return to !== from && reader.maybe('workflow', to)?.project === kind.project ? undefined : wrong
  const { workflow, steps } = made
  const isOurs = (id: string) => {
    const status = reader.maybe('status', id)
    return status?.project === kind.project && !status.archived
  }
  const isWhole =
    workflow.id === to &&
    workflow.project === kind.project &&
    steps.every((step) => step.workflow === to && isOurs(step.status)) &&
    new Set(steps.map(({ status }) => status)).size === steps.length &&
    steps.some(({ status }) => status === workflow.start)
  return isWhole ? undefined : wrong
}

function checkInstead(reader: Reader, kind: Kind, body: Body): Problem | undefined {
  const { instead } = body
  if (instead && !has(reader, body, instead)) return problem('wrong-value', { field: 'instead' })
  return !instead && misfits(reader, kind, body).length ? problem('wrong-value', { field: 'instead' }) : undefined
}
/** Its items that stand in a status which the workflow has not. */
const misfits = (reader: Reader, kind: Kind, body: Body) =>
  itemsWith(reader, kind.project, (item) => item.kind === kind.id && !has(reader, body, item.status))

/** A workflow that no kind goes through any more, of which no removed kind speaks either, goes with its steps. */
function leftBehind(reader: Reader, { id, workflow }: Kind): Change[] {
  const before = reader.maybe('workflow', workflow)
  for (const kind of reader.all('kind')) if (kind.id !== id && kind.workflow === workflow) return []
  return before ? [...stepsOf(reader, workflow).map((step) => unmade('step', step)), unmade('workflow', before)] : []
}
