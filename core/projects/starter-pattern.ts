import type { NewId } from '../base/ids'
import type { FieldTypeName, Option, OptionColour } from '../fields/contract'
import type {
  BoardId,
  FieldId,
  Kind,
  KindId,
  KindIcon,
  Phase,
  ProjectId,
  StatusId,
  ViewId,
  WorkflowId,
  PaletteColour,
} from '../model/records'
import type { ProjectBody } from './create'

export interface NewProject {
  readonly name: string
  /** 2 to 8 capital letters or digits, a letter first. */
  readonly prefix: string
  readonly colour: PaletteColour
  readonly order: number
}

const statuses: readonly { name: string; phase: Phase; colour: PaletteColour; reviewer?: true }[] = [
  { name: 'Noted', phase: 'waiting', colour: 'slate' },
  { name: 'Ready', phase: 'waiting', colour: 'leaf' },
  { name: 'In hand', phase: 'active', colour: 'leaf' },
  { name: 'Being checked', phase: 'active', colour: 'leaf', reviewer: true },
  { name: 'Accepted', phase: 'finished', colour: 'leaf' },
  { name: 'Set aside', phase: 'dropped', colour: 'slate' },
]
const needs: readonly [string, OptionColour][] = [
  ['must', 'pond'], ['should', 'rain'], ['could', 'flax'], ['not now', 'slate'],
] // prettier-ignore

/** What a new project begins with: one kind, a workflow, the usual fields, a board and a table. */
export function starterPattern(project: NewProject, newId: NewId): ProjectBody {
  const id = <T extends string>() => newId() as T
  const projectId = id<ProjectId>()
  const workflow = id<WorkflowId>()
  const field = (name: string, type: FieldTypeName, order: number, help: string, settings = {}) => ({
    id: id<FieldId>(), project: projectId, name, help, type, settings, order, archived: false,
  }) // prettier-ignore
  const options: Option[] = needs.map(([label, colour]) => ({ id: newId(), label, colour }))
  const fields = [
    field('assignees', 'people', 1, 'Who does the work.'),
    field('reviewer', 'people', 2, 'Who checks it.'),
    field('effort', 'number', 3, 'How long it takes, in hours.', { unit: 'h', decimals: 2 }),
    field('start', 'date', 4, 'The day it may begin.'),
    field('due', 'date', 5, 'The day it must be finished.'),
    field('need', 'oneOption', 6, 'How much it is needed.', { options }),
  ] as const
  const [assignees, reviewer, effort, start, due, need] = fields
  const statusRecords = statuses.map((status, order) => ({
    id: id<StatusId>(), workflow, name: status.name, phase: status.phase, colour: status.colour, order,
    turn: status.reviewer ? reviewer.id : null,
  })) // prettier-ignore
  return {
    project: {
      id: projectId,
      ...project,
      oldPrefixes: [],
      archived: false,
      uses: {
        assignees: assignees.id,
        reviewer: reviewer.id,
        effort: effort.id,
        start: start.id,
        due: due.id,
        need: need.id,
      },
      nextNumber: 1,
    },
    workflows: [{ id: workflow, project: projectId, name: 'Usual' }],
    statuses: statusRecords,
    kinds: [kindOfPattern('task', 'task', projectId, workflow, 1, newId)],
    fields: [...fields] as ProjectBody['fields'],
    boards: [
      {
        id: id<BoardId>(), project: projectId, name: 'Board', order: 1, v: 1,
        definition: {
          columns: statusRecords.map((status) => ({
            id: newId(), name: status.name, statuses: [status.id], limit: status.name === 'In hand' ? 6 : null,
          })),
        },
      },
    ], // prettier-ignore
    views: (['board', 'table'] as const).map((layout, order) => ({
      id: id<ViewId>(), project: projectId, owner: null, name: layout === 'board' ? 'Board' : 'All items', order,
      definition: {
        v: 2, layout, where: [], group: [], sort: [{ by: 'rank', down: false }], totals: [],
        show: [assignees.id, due.id, ...(layout === 'table' ? [effort.id, need.id] : [])],
      },
    })), // prettier-ignore
  }
}

export const kindOfPattern = (name: string, icon: KindIcon, project: ProjectId, workflow: WorkflowId, order: number, newId: NewId): Kind => ({
  id: newId() as KindId, project, workflow, name, icon, order,
}) // prettier-ignore
