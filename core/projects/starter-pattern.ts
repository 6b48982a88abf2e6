import { tieId, type NewId } from '../base/ids'
import { ranksBetween } from '../base/ranks'
import { must } from '../base/result'
import type { OptionColour } from '../fields/names'
import { limitId } from '../model/reader'
import type {
  BoardId,
  BoardColumn,
  Field,
  FieldId,
  Kind,
  KindIcon,
  KindId,
  OptionId,
  OptionOfField,
  PaletteColour,
  PersonId,
  Phase,
  Project,
  ProjectId,
  StatusId,
  TurnOf,
  ViewId,
  WorkflowId,
} from '../model/records'
import type { ProjectBody } from './create'

/** What is said of a project before it is made. */
export interface NewProject {
  readonly name: string
  /** 2 to 8 capital letters or digits, a letter first. */
  readonly prefix: string
  readonly colour: PaletteColour
  readonly rank: string
  /** Who starts it. */
  readonly maker: PersonId
}

const statusesOfPattern: readonly {
  name: string
  phase: Phase
  colour: PaletteColour
  reviewed?: true
  most?: number
}[] = [
  { name: 'Noted', phase: 'waiting', colour: 'slate' },
  { name: 'Ready', phase: 'waiting', colour: 'leaf' },
  { name: 'In hand', phase: 'active', colour: 'leaf', most: 6 },
  { name: 'Being checked', phase: 'active', colour: 'leaf', reviewed: true },
  { name: 'Accepted', phase: 'finished', colour: 'leaf' },
  { name: 'Set aside', phase: 'dropped', colour: 'slate' },
]
const needs: readonly (readonly [string, OptionColour])[] = [
  ['must', 'pond'], ['should', 'rain'], ['could', 'flax'], ['not now', 'slate'],
] // prettier-ignore
/** By the use that a field serves, whose name it has. */
const fieldsOfPattern: Readonly<Record<keyof Project['uses'], Pick<Field, 'type' | 'help' | 'settings'>>> = {
  assignees: { type: 'people', help: 'Who does the work.', settings: {} },
  reviewer: { type: 'people', help: 'Who checks it.', settings: {} },
  effort: { type: 'number', help: 'How long it takes, in hours.', settings: { unit: 'h', decimals: 2 } },
  start: { type: 'date', help: 'The day it may begin.', settings: {} },
  due: { type: 'date', help: 'The day it must be finished.', settings: {} },
  need: { type: 'oneOption', help: 'How much it is needed.', settings: {} },
}

/** What a new project begins with: one kind, a workflow, the usual fields, a board and a table. */
export function starterPattern({ maker, ...project }: NewProject, newId: NewId): ProjectBody {
  const id = <T extends string>() => newId() as T
  const projectId = id<ProjectId>()
  const ranks = ranksBetween(undefined, undefined, 10)
  const rank = (at: number) => ranks[at] ?? ''
  const uses = {
    assignees: id<FieldId>(), reviewer: id<FieldId>(), effort: id<FieldId>(), start: id<FieldId>(), due: id<FieldId>(),
    need: id<FieldId>(),
  } // prettier-ignore
  const [workflow, board] = [id<WorkflowId>(), id<BoardId>()]
  /** Each status with the step and the column that it has. */
  const begun = statusesOfPattern.map(({ name, phase, colour, reviewed, most }, at) => {
    const status = { id: id<StatusId>(), project: projectId, name, phase, colour, rank: rank(at), archived: false }
    const column = { id: id<BoardColumn['id']>(), board, name, rank: rank(at), archived: false }
    const turn: TurnOf = reviewed ? { of: 'field', field: uses.reviewer } : { of: 'assignees' }
    return {
      status,
      column,
      step: {
        id: tieId<'step'>(workflow, status.id),
        workflow,
        status: status.id,
        rank: status.rank,
        turn,
        goesTo: null,
        asks: null,
      },
      held: { id: tieId<'columnStatus'>(column.id, status.id), column: column.id, status: status.id, kind: null },
      limits: most ? [{ id: limitId(column.id), column: column.id, most, least: null, of: null, stops: false }] : [],
    }
  })
  const question = {
    v: 3 as const, where: [], group: [], sort: [{ by: { fact: 'rank' as const }, down: false }], totals: [],
  } // prettier-ignore
  const view = (name: string, at: number, definition: ProjectBody['views'][number]['definition']) => ({
    id: id<ViewId>(), project: projectId, maker, audience: { of: 'project' as const }, name, rank: rank(at), definition,
  }) // prettier-ignore
  const { assignees, due, effort, need } = uses
  return {
    project: { id: projectId, ...project, oldPrefixes: [], archived: false, uses, nextNumber: 1 },
    statuses: begun.map((one) => one.status),
    workflows: [{ id: workflow, project: projectId, name: 'Usual', start: must(begun[0], 'status').status.id }],
    steps: begun.map((one) => one.step),
    kinds: [kindOfPattern({ name: 'task', icon: 'task', project: projectId, workflow, rank: rank(0) }, newId)],
    fields: (Object.keys(uses) as (keyof typeof uses)[]).map((use, at) => ({
      id: uses[use], project: projectId, name: use, ...fieldsOfPattern[use], rank: rank(at), archived: false,
    })), // prettier-ignore
    options: optionsOf(need, needs, newId),
    boards: [{ id: board, project: projectId, name: 'Board', rank: rank(0), archived: false }],
    columns: begun.map((one) => one.column),
    columnStatuses: begun.map((one) => one.held),
    limits: begun.flatMap((one) => one.limits),
    views: [
      view('Board', 0, { ...question, layout: 'board', board, show: [assignees, due] }),
      view('All items', 1, { ...question, layout: 'table', show: [assignees, due, effort, need] }),
    ],
  }
}

/** Options of a field in the order in which they are given. */
export function optionsOf(
  field: FieldId,
  options: readonly (readonly [label: string, colour: OptionColour])[],
  newId: NewId,
): OptionOfField[] {
  const ranks = ranksBetween(undefined, undefined, options.length)
  return options.map(([label, colour], at) => ({
    id: newId() as OptionId, field, label, colour, rank: ranks[at] ?? '', archived: false,
  })) // prettier-ignore
}

/** A kind with a new id. */
export const kindOfPattern = (
  kind: { name: string; icon: KindIcon; project: ProjectId; workflow: WorkflowId; rank: string },
  newId: NewId,
): Kind => ({ id: newId() as KindId, ...kind, archived: false })
