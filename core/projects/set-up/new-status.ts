import * as z from 'zod/mini'
import { isSameText } from '../../base/collation'
import { problem, type Problem } from '../../base/result'
import type { Pieces } from '../../base/pieces'
import { patchRefusal } from '../../access/changing'
import { applied, defineCommand } from '../../change/command'
import { makes, type Change } from '../../change/patch'
import { columnsOf, statusesOf, type Reader } from '../../model/reader'
import { columnRecord, columnStatusRecord, statusRecord, stepRecord } from '../../model/schemas'

/** A status with its place in a workflow and on a board. */
const newStatusBody = z.object({
  status: statusRecord,
  step: stepRecord,
  /** Made with it; null where a column that is there holds it, or none does. */
  column: z.nullable(columnRecord),
  held: z.nullable(columnStatusRecord),
})
type Body = z.infer<typeof newStatusBody>

/** Adds a status to a workflow, and to a board, in a column that is there or of its own. */
export const addStatus = defineCommand({
  type: 'workflow.extend',
  v: 1,
  body: newStatusBody,
  projects: (_reader, { status }) => [status.project],
  *check(reader, body, context): Pieces<Problem | undefined> {
    return (
      (yield* patchRefusal(reader, context.by, parts(body))) ?? checkNames(reader, body) ?? checkWhole(reader, body)
    )
  },
  apply: (_reader, body) => applied(parts(body)),
})

const parts = ({ status, step, column, held }: Body): Change[] => [
  makes('status', status),
  makes('step', step),
  ...(column ? [makes('column', column)] : []),
  ...(held ? [makes('columnStatus', held)] : []),
]

function checkNames(reader: Reader, { status, column }: Body): Problem | undefined {
  const isTaken = (others: readonly { readonly name: string }[], name: string) => others.some((one) => isSameText(one.name, name)) // prettier-ignore
  if (isTaken(statusesOf(reader, status.project), status.name)) return problem('name-taken', { name: status.name })
  return column && isTaken(columnsOf(reader, column.board), column.name) ? problem('name-taken', { name: column.name }) : undefined // prettier-ignore
}

/** All of it is about the new status, and in its project. */
function checkWhole(reader: Reader, { status, step, column, held }: Body): Problem | undefined {
  const { project } = status
  const board = column?.board ?? reader.maybe('column', held?.column ?? '')?.board
  const isWhole =
    step.status === status.id &&
    reader.maybe('workflow', step.workflow)?.project === project &&
    (!held || (held.status === status.id && (!column || held.column === column.id))) &&
    (board ? reader.maybe('board', board)?.project === project : !held)
  return isWhole ? undefined : problem('other-project')
}
