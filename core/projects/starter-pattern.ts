import { tieId, type NewId } from '../base/ids'
import { ranksBetween } from '../base/ranks'
import type { FieldTypeName, OptionColour } from '../fields/names'
import { limitId } from '../model/reader'
import type {
  BoardId,
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
  ProjectId,
  StatusId,
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

const statusesOfPattern: readonly { name: string; phase: Phase; colour: PaletteColour; reviewed?: true }[] = [
  { name: 'Noted', phase: 'waiting', colour: 'slate' },
  { name: 'Ready', phase: 'waiting', colour: 'leaf' },
  { name: 'In hand', phase: 'active', colour: 'leaf' },
  { name: 'Being checked', phase: 'active', colour: 'leaf', reviewed: true },
  { name: 'Accepted', phase: 'finished', colour: 'leaf' },
  { name: 'Set aside', phase: 'dropped', colour: 'slate' },
]
const needs: readonly (readonly [string, OptionColour])[] = [
  ['must', 'pond'], ['should', 'rain'], ['could', 'flax'], ['not now', 'slate'],
] // prettier-ignore
const fieldsOfPattern = {
  assignees: ['people', 'Who does the work.', {}],
  reviewer: ['people', 'Who checks it.', {}],
  effort: ['number', 'How long it takes, in hours.', { unit: 'h', decimals: 2 }],
  start: ['date', 'The day it may begin.', {}],
  due: ['date', 'The day it must be finished.', {}],
  need: ['oneOption', 'How much it is needed.', {}],
} as const satisfies Readonly<Record<string, readonly [FieldTypeName, string, Field['settings']]>>

/** What a new project begins with: one kind, a workflow, the usual fields, a board and a table. */
export function starterPattern({ maker, ...project }: NewProject, newId: NewId): ProjectBody {
  const id = <T extends string>() => newId() as T
  const projectId = id<ProjectId>()
  const ranks = ranksBetween(undefined, undefined, 10)
  const rank = (at: number) => ranks[at] ?? ''
  const names = Object.keys(fieldsOfPattern) as (keyof typeof fieldsOfPattern)[]
  const fields = names.map((name, at): Field => {
    const [type, help, settings] = fieldsOfPattern[name]
    return { id: id<FieldId>(), project: projectId, name, help, type, settings, rank: rank(at), archived: false }
  })
  const uses = Object.fromEntries(fields.map((field) => [field.name, field.id])) as ProjectBody['project']['uses']
  const statuses = statusesOfPattern.map(({ name, phase, colour }, at) => ({
    id: id<StatusId>(), project: projectId, name, phase, colour, rank: rank(at), archived: false,
  })) // prettier-ignore
  const workflow = id<WorkflowId>()
  const board = id<BoardId>()
  const columns = statuses.map(({ name, rank }) => ({ id: newId() as never, board, name, rank, archived: false }))
  const question = {
    v: 3 as const, where: [], group: [], sort: [{ by: { fact: 'rank' as const }, down: false }], totals: [],
  } // prettier-ignore
  const view = (name: string, at: number, definition: ProjectBody['views'][number]['definition']) => ({
    id: id<ViewId>(), project: projectId, maker, audience: { of: 'project' as const }, name, rank: rank(at), definition,
  }) // prettier-ignore
  const [assignees, due, effort, need] = [uses.assignees, uses.due, uses.effort, uses.need] as FieldId[]
  return {
    project: { id: projectId, ...project, oldPrefixes: [], archived: false, uses, nextNumber: 1 },
    statuses,
    workflows: [{ id: workflow, project: projectId, name: 'Usual', start: statuses[0]!.id }],
    steps: statuses.map((status, at) => ({
      id: tieId<'step'>(workflow, status.id),
      workflow,
      status: status.id,
      rank: status.rank,
      turn: statusesOfPattern[at]?.reviewed ? { of: 'field', field: uses.reviewer as FieldId } : { of: 'assignees' },
    })),
    kinds: [kindOfPattern({ name: 'task', icon: 'task', project: projectId, workflow, rank: rank(0) }, newId)],
    fields: fields as ProjectBody['fields'],
    options: optionsOf(uses.need as FieldId, needs, newId),
    boards: [{ id: board, project: projectId, name: 'Board', rank: rank(0), archived: false }],
    columns,
    columnStatuses: columns.map((column, at) => {
      const status = statuses[at]!.id
      return { id: tieId<'columnStatus'>(column.id, status), column: column.id, status, kind: null }
    }),
    limits: [{ id: limitId(columns[2]!.id), column: columns[2]!.id, most: 6 }],
    views: [
      view('Board', 0, { ...question, layout: 'board', board, show: [assignees!, due!] }),
      view('All items', 1, { ...question, layout: 'table', show: [assignees!, due!, effort!, need!] }),
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
