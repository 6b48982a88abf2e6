import * as z from 'zod/mini'
import { name } from '../../base/schemas'
import * as ids from '../../base/id-schemas'
import { problem } from '../../base/result'
import type { Context } from '../../change/command'
import { changeOf, changeStatus, stamp, StayIds } from '../../items/changes'
import { paletteColours, phases } from '../../model/names'
import { heldBy, limitId, statusesOf, stepsOf, type Reader } from '../../model/reader'
import type { ColumnStatus, Item, Status } from '../../model/records'
import { isOver } from '../../model/turn'
import type { Change } from '../../change/patch'
import { isInItem, isWorkedOut } from '../../fields/registry'
import { asksRecord, goesToRecord, statusRecord, stepRecord, turnRecord } from '../../model/schemas'
import { recordCommands, unmade } from '../../setup/record-commands'
import { archivedNow, itemsWith } from './in-project'

/** Where a status is of another phase, what stands in it has been started or finished since it came there, or has not. */
function itemsInPhase(reader: Reader, status: Status, next: Status, context: Context): Change[] {
  if (status.phase === next.phase) return []
  const standsIn = (item: Item) => item.status === status.id
  return itemsWith(reader, status.project, standsIn).flatMap((item): Change[] => {
    const started = item.started ?? (next.phase === 'active' ? item.statusSince : null)
    const finished = isOver(next.phase) ? (item.finished ?? item.statusSince) : null
    const changes = [
      ...changeOf(item, 'started', item.started, started),
      ...changeOf(item, 'finished', item.finished, finished),
      ...changeOf(item, 'phaseSince', item.phaseSince, item.statusSince),
    ]
    return changes.length ? [...changes, ...stamp(item, context)] : []
  })
}

/** What holds a status lets go of it; a column that held nothing else goes too, with its limit. */
function letGo(reader: Reader, held: readonly ColumnStatus[]): Change[] {
  const leaving = new Set<string>(held.map((one) => one.id))
  const columns = [...new Set(held.map((one) => one.column))].filter((column) =>
    heldBy(reader, column).every((one) => leaving.has(one.id)),
  )
  return [
    ...held.map((one) => unmade('columnStatus', one)),
    ...columns.flatMap((id): Change[] => {
      const [column, limit] = [reader.maybe('column', id), reader.maybe('limit', limitId(id))]
      return [
        ...(column && !column.archived ? [archivedNow('column', column)] : []),
        ...(limit ? [unmade('limit', limit)] : []),
      ]
    }),
  ]
}

/** Adding, changing, removing and ordering the statuses of a project. */
export const statuses = recordCommands({
  entity: 'status',
  record: statusRecord,
  id: ids.statusId,
  fields: { name, phase: z.enum(phases), colour: z.enum(paletteColours) },
  siblings: (reader, status) => statusesOf(reader, status.project),
  called: (status) => status.name,
  besides: (status, next, reader, context) => itemsInPhase(reader, status, next, context),
  /** `to`: where its items go, and where workflows begin that began with it. */
  removal: z.object({ to: ids.statusId }),
  checkRemoval: (reader, status, { to }) =>
    statusesOf(reader, status.project).some((other) => other.id === to && to !== status.id)
      ? undefined
      : problem('wrong-value', { field: 'to' }),
  remove(reader, status, { to }, context) {
    const stays = new StayIds(context.command)
    const steps = [...reader.all('step')].filter((step) => step.status === status.id)
    const begun = [...reader.all('workflow')].filter((workflow) => workflow.start === status.id)
    const held = [...reader.all('columnStatus')].filter((one) => one.status === status.id)
    const items = itemsWith(reader, status.project, (item) => item.status === status.id)
    return [
      archivedNow('status', status),
      ...steps.map((step) => unmade('step', step)),
      ...begun.map(({ id, start }): Change => ({ entity: 'workflow', id, field: 'start', before: start, after: to })),
      ...letGo(reader, held),
      ...items.flatMap((item) => [...changeStatus(reader, item, to, context, stays), ...stamp(item, context)]),
    ]
  },
})

/** The statuses of a workflow: which it has, in which order, and whose turn it is in each. */
export const steps = recordCommands({
  entity: 'step',
  record: stepRecord,
  id: ids.tieIdOf<'step'>(),
  fields: { turn: turnRecord, goesTo: goesToRecord, asks: asksRecord },
  siblings: (reader, step) => stepsOf(reader, step.workflow),
  check(reader, step) {
    const isOne = reader.maybe('status', step.status)?.project === reader.maybe('workflow', step.workflow)?.project
    if (!isOne) return problem('other-project')
    const asked = (step.asks ?? []).flatMap((one) =>
      one.asks === 'field' ? (reader.maybe('field', one.field) ?? []) : [],
    )
    const worked = asked.find((one) => !isInItem(one))
    return worked && problem(isWorkedOut(worked) ? 'worked-out' : 'wrong-value', { field: worked.name })
  },
  /** `to`: where what stands there goes, of the kinds that go through the workflow; none where nothing does. */
  removal: z.object({ to: z.optional(ids.statusId) }),
  checkRemoval(reader, step, { to }) {
    if (reader.maybe('workflow', step.workflow)?.start === step.status) return problem('in-use')
    const isOther = to === undefined || (to !== step.status && stepsOf(reader, step.workflow).some((one) => one.status === to)) // prettier-ignore
    return isOther ? undefined : problem('wrong-value', { field: 'to' })
  },
  remove(reader, step, { to }, context) {
    const stays = new StayIds(context.command)
    const kinds = new Set([...reader.all('kind')].flatMap(({ id, workflow }) => (workflow === step.workflow ? id : [])))
    const project = reader.maybe('workflow', step.workflow)!.project
    const items = to ? itemsWith(reader, project, (item) => item.status === step.status && kinds.has(item.kind)) : []
    return [
      unmade('step', step),
      ...items.flatMap((item) => [...changeStatus(reader, item, to!, context, stays), ...stamp(item, context)]),
    ]
  },
})
