import { statusWords } from './words'
import { rankBetween } from '#core/base/ranks'
import { tieId } from '#core/base/ids'
import { together } from '#core/commands/bare'
import type { BareCommand } from '#core/commands/registry'
import { fieldTypes, isInItem } from '#core/fields/registry'
import { demandsOf } from '#core/items/entering'
import { demandWord, demandWords } from '#core/language/demand-words'
import { demandedRoles } from '#core/model/names'
import { columnsOf, fieldsOf, heldBy, statusesOf, stepsOf, type Reader } from '#core/model/reader'
import type {
  BoardColumn,
  Demand,
  Field,
  Kind,
  Phase,
  ProjectId,
  Status,
  StatusId,
  Step,
  TurnOf,
  WorkflowId,
} from '#core/model/records'
import { isOver } from '#core/model/turn'

/** A status as a workflow has it. */
export interface StatusRow {
  readonly id: StatusId
  readonly name: string
  readonly status: Status
  readonly step: Step
}
export const statusRows = (reader: Reader, workflow: string): StatusRow[] =>
  stepsOf(reader, workflow).flatMap((step) => {
    const status = reader.maybe('status', step.status)
    return status ? [{ id: status.id, name: status.name, status, step }] : []
  })

/** Its place in the workflow, and the same among all of the project's. */
export const orderOf = (row: StatusRow, before: StatusRow | null): BareCommand =>
  together([
    { type: 'step.order', target: row.step.id, before: before?.step.id ?? null },
    { type: 'status.order', target: row.id, before: before?.id ?? null },
  ])

/** The board's column that is told of first: the one that holds the status. */
const columnAt = (reader: Reader, board: string, status: string): BoardColumn | undefined =>
  columnsOf(reader, board).find((column) => heldBy(reader, column.id).some((held) => held.status === status))

/** Where on the board a new status is: in a column of its own, in one that is there, or nowhere. */
export type Whereabouts = 'own' | 'none' | BoardColumn['id']

/** A new status after another, with its place on the board. */
export function newStatus(
  reader: Reader,
  { after, name, phase, board, where }: { after: StatusRow; name: string; phase: Phase; board: string | undefined; where: Whereabouts }, // prettier-ignore
  newId: () => string,
): BareCommand {
  const id = newId() as StatusId
  const { workflow } = after.step
  const between = <R extends { readonly id: string; readonly rank: string }>(all: readonly R[], of: R | undefined): string => {
    const at = all.findIndex((one) => one.id === of?.id)
    return rankBetween(of ? of.rank : all.at(-1)?.rank, of ? all.slice(at + 1).find(({ rank }) => rank > of.rank)?.rank : undefined)
  } // prettier-ignore
  const statuses = [...reader.all('status')]
    .filter((one) => one.project === after.status.project)
    .sort((a, b) => (a.rank < b.rank ? -1 : 1))
  const columns = board ? columnsOf(reader, board) : []
  const column =
    board && where === 'own'
      ? { id: newId() as BoardColumn['id'], board: board as BoardColumn['board'], name, rank: between(columns, columnAt(reader, board, after.id)), archived: false }
      : null // prettier-ignore
  const held = column?.id ?? (where === 'own' || where === 'none' ? undefined : where)
  return {
    type: 'workflow.extend', column,
    status: { ...after.status, id, name, phase, rank: between(statuses, after.status) },
    step: { id: tieId<'step'>(workflow, id), workflow, status: id, rank: between(stepsOf(reader, workflow), after.step), turn: { of: 'assignees' } },
    held: held ? { id: tieId<'columnStatus'>(held, id), column: held, status: id, kind: null } : null,
  } // prettier-ignore
}

/** A workflow of its own for a kind, which begins as the one that it shares; undefined where that is not there. */
export function ownWorkflow(reader: Reader, kind: Kind, newId: () => string): BareCommand | undefined {
  const shared = reader.maybe('workflow', kind.workflow)
  if (!shared) return undefined
  const to = newId() as WorkflowId
  const steps = stepsOf(reader, shared.id).map((step) => ({
    ...step,
    id: tieId<'step'>(to, step.status),
    workflow: to,
  }))
  return { type: 'kind.follow', kind: kind.id, from: shared.id, to, made: { workflow: { ...shared, id: to, name: kind.name }, steps }, instead: null } // prettier-ignore
}

/** The statuses of a project that a workflow has not. */
export const statusesBeside = (reader: Reader, workflow: string, project: ProjectId): Status[] => {
  const own = new Set<string>(stepsOf(reader, workflow).map(({ status }) => status))
  return statusesOf(reader, project).filter(({ id }) => !own.has(id))
}
/** A status that other kinds have, after another of a workflow. */
export function sharedStatus(reader: Reader, after: StatusRow, status: StatusId): BareCommand {
  const { workflow, rank } = after.step
  const next = stepsOf(reader, workflow).find((step) => step.rank > rank)?.rank
  const record: Step = { id: tieId<'step'>(workflow, status), workflow, status, rank: rankBetween(rank, next), turn: { of: 'assignees' } } // prettier-ignore
  return { type: 'step.add', record }
}

/** Whose turn it can be in a status, by a name of its own. */
export const turnChoices = (people: readonly Field[], assignees: string | null) =>
  people.map((field) => ({
    id: field.id as string,
    label: field.name,
    turn: (field.id === assignees ? { of: 'assignees' } : { of: 'field', field: field.id }) as TurnOf,
  }))

/** How a stay is said: in minutes, hours or days, whichever it is about. */
export function stayWords(ms: number): string {
  const hours = ms / 3_600_000
  if (hours < 1) return `${Math.round(ms / 60_000)} min`
  if (Math.round(hours) < 24) return `${Math.round(hours)} h`
  const days = hours < 48 ? Math.round(hours / 2.4) / 10 : Math.round(hours / 24)
  return `${days} ${days === 1 ? 'day' : 'days'}`
}

/** Whose turn it is, in words; none where nothing is left to do. */
export function turnText(reader: Reader, { status, step }: StatusRow): string {
  if (status.phase === 'finished' || status.phase === 'dropped') return ''
  if (step.turn.of === 'nobody') return statusWords.nobody
  const assignees = reader.maybe('project', status.project)?.uses.assignees
  const field = step.turn.of === 'field' ? step.turn.field : assignees
  return reader.maybe('field', field ?? '')?.name ?? statusWords.nobody
}

/** What entering a status can ask for, each by a name of its own. */
export function demandChoices(reader: Reader, project: ProjectId) {
  const fields = fieldsOf(reader, project).filter((field) => !fieldTypes[field.type].isApart && isInItem(field))
  const all: readonly Demand[] = [
    ...fields.map(({ id }): Demand => ({ asks: 'field', field: id })),
    { asks: 'note' },
    { asks: 'children' },
    ...demandedRoles.map((role): Demand => ({ asks: 'role', role })),
    { asks: 'another' },
  ]
  return all.map((demand) => ({
    id: demand.asks === 'field' ? (demand.field as string) : demand.asks === 'role' ? demand.role : demand.asks,
    label: demandWord(reader, demand),
    demand,
  }))
}

/** What entering it asks for, in words; a blank where it asks for nothing. */
export const asksText = (reader: Reader, { step }: StatusRow): string => demandWords(reader, demandsOf(reader, step))

/** Whether an item goes from a status to another. */
export const mayLeave = ({ step }: StatusRow, to: StatusId): boolean => !step.goesTo || step.goesTo.includes(to)

/** Where items go from it, in words: nowhere, if it has no way out. */
export function goesToText(row: StatusRow, rows: readonly StatusRow[]): string {
  const others = rows.filter(({ id }) => id !== row.id)
  const [to, not] = [others.filter(({ id }) => mayLeave(row, id)), others.filter(({ id }) => !mayLeave(row, id))]
  const names = (all: readonly StatusRow[]) => all.map(({ name }) => name)
  if (!not.length) return statusWords.anywhere
  if (!to.length) return statusWords.nowhere
  return not.length < to.length ? statusWords.anywhereBut(names(not)) : names(to).join(', ')
}
/** Whether work that is not over gets stuck in it: nothing leads out. */
export const hasNoWayOut = (row: StatusRow, rows: readonly StatusRow[]): boolean =>
  !isOver(row.status.phase) && rows.length > 1 && !rows.some(({ id }) => id !== row.id && mayLeave(row, id))

/** How many moves are allowed, of all there could be. */
export const movesOf = (rows: readonly StatusRow[]): number =>
  rows.reduce((sum, row) => sum + rows.filter(({ id }) => id !== row.id && mayLeave(row, id)).length, 0)
