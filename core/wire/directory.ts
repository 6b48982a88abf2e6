import type { PlainDate } from '../base/dates'
import type { PersonId } from '../base/ids'
import { mayRead } from '../access/access'
import type { Reader } from '../model/reader'
import type { EntityName, ProjectId, Records } from '../model/records'

/** Everything of a workspace that is no item, as far as a person may see it. */
export interface Directory {
  readonly me: PersonId
  readonly sequence: number
  readonly build: string
  readonly now: string
  /** The workspace's day at that moment. */
  readonly today: PlainDate
  readonly records: { readonly [E in DirectoryEntity]: readonly Records[E][] }
}

export const directoryEntities = [
  'workspace', 'person', 'project', 'member', 'workflow', 'status', 'kind', 'field', 'board', 'view',
] as const satisfies readonly EntityName[] // prettier-ignore
export type DirectoryEntity = (typeof directoryEntities)[number]

export function directoryFor(reader: Reader, me: PersonId): Directory['records'] {
  const projects = new Set<ProjectId>(
    [...reader.all('project')].filter((one) => mayRead(reader, me, one.id)).map((one) => one.id),
  )
  const within = <R extends { readonly project: ProjectId }>(all: Iterable<R>) =>
    [...all].filter((one) => projects.has(one.project))
  const workflows = within(reader.all('workflow'))
  const held = new Set(workflows.map((one) => one.id))
  return {
    workspace: [reader.workspace()],
    person: [...reader.all('person')],
    project: [...reader.all('project')].filter((one) => projects.has(one.id)),
    member: within(reader.all('member')),
    workflow: workflows,
    status: [...reader.all('status')].filter((one) => held.has(one.workflow)),
    kind: within(reader.all('kind')),
    field: within(reader.all('field')),
    board: within(reader.all('board')),
    view: within(reader.all('view')).filter((one) => one.owner === null || one.owner === me),
  }
}
