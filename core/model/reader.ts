import { plainSpeech, type Speech } from '../base/days-said'
import { tieId, type PersonId } from '../base/ids'
import { compareRanked } from '../base/ranked'
import type { WorkingTime } from '../base/working-time'
import type { FieldContext, Names } from '../fields/contract'
import type { Lookup } from './entities'
import type { ItemTable } from './item-table'
import type {
  Board,
  BoardColumn,
  ColumnStatus,
  EntityName,
  Field,
  FieldId,
  Item,
  ItemId,
  Kind,
  Limit,
  Link,
  OptionOfField,
  Project,
  ProjectId,
  Records,
  Status,
  Step,
  Workspace,
} from './records'

/**
 * How commands, views and queues look at a workspace, in a replica and in a room. An item that is read is a copy; what
 * looks at many reads the columns. Stays and long texts are not read through it.
 */
export interface Reader extends Lookup {
  /** Another whenever anything changes that is no item. */
  readonly edition: number
  workspace(): Workspace
  /** The days that are worked by all, or by a person, with their hours. */
  workingTime(person?: PersonId): WorkingTime
  all<E extends EntityName>(entity: E): Iterable<Records[E]>
  /** The options of a field in their order, those that were removed among them. */
  optionsOf(field: string): readonly OptionOfField[]
  itemsOf(project: ProjectId): Iterable<Item>
  childrenOf(item: ItemId): Iterable<Item>
  /** The items of a project by columns; an empty table where it has none. */
  table(project: ProjectId): ItemTable
  /** Where an item is; undefined where there is no such item. */
  placeOf(item: string): { readonly table: ItemTable; readonly row: number } | undefined
  readonly names: Names
  /** The links that an item is at either end of. */
  linksOf(item: string): Iterable<Link>
}

interface Ordered {
  readonly id: string
  readonly rank: string
  readonly archived?: boolean
}
/** The order of items inside the same one. */
export const compareSiblings = (a: Item, b: Item): number =>
  compareRanked({ id: a.id, rank: a.siblingRank }, { id: b.id, rank: b.siblingRank })

/** Those that hold and are not archived, by rank. */
function inOrder<R extends Ordered>(all: Iterable<R>, holds: (record: R) => boolean): R[] {
  return [...all].filter((record) => !record.archived && holds(record)).sort(compareRanked)
}
const ofProject = (project: ProjectId) => (record: { readonly project: ProjectId }) => record.project === project

/** The fields of a project in their order, without those that were removed. */
export const fieldsOf = (reader: Reader, project: ProjectId): Field[] =>
  inOrder(reader.all('field'), ofProject(project))
/** The kinds of a project in their order. */
export const kindsOf = (reader: Reader, project: ProjectId): Kind[] => inOrder(reader.all('kind'), ofProject(project))
/** The statuses of a project in their order, whichever workflow they are in. */
export const statusesOf = (reader: Reader, project: ProjectId): Status[] =>
  inOrder(reader.all('status'), ofProject(project))
/** Whether somebody works on a project: it is not archived, and no pattern for others. */
export const isWorkedOn = ({ archived, pattern }: Pick<Project, 'archived' | 'pattern'>): boolean =>
  !archived && !pattern
/** The projects of the index in its order. */
export const projectsInOrder = (reader: Reader): Project[] => inOrder(reader.all('project'), isWorkedOn)
/** The projects that are kept as patterns. */
export const patternsOf = (reader: Reader): Project[] => inOrder(reader.all('project'), ({ pattern }) => !!pattern)
/** The boards of a project in their order. */
export const boardsOf = (reader: Reader, project: ProjectId): Board[] =>
  inOrder(reader.all('board'), ofProject(project))
/** The columns of a board in their order. */
export const columnsOf = (reader: Reader, board: string): BoardColumn[] =>
  inOrder(reader.all('column'), (column) => column.board === board)

/** How much a column should hold. */
export interface LimitSet {
  /** Null: as much as comes. */
  readonly most: number | null
  /** Null: as little. */
  readonly least: number | null
  /** The number field whose values are summed; null: items are counted. */
  readonly of: FieldId | null
  readonly stops: boolean
}
/** How much a column should hold; null: nothing is said. */
export function limitSetOf(reader: Lookup, column: string): LimitSet | null {
  const limit = reader.maybe('limit', limitId(column))
  return limit ? limitSet(limit) : null
}
/** The limit that counts items and stops nobody; null: none. */
export const plainLimit = (most: number | null): LimitSet | null =>
  most === null ? null : { most, least: null, of: null, stops: false }
/** A stored limit, whole. */
export const limitSet = ({ most, least, of, stops }: Limit): LimitSet => ({
  most, least: least ?? null, of: of ?? null, stops: stops ?? false,
}) // prettier-ignore
/** How much a column should hold at most; null: as much as comes. */
export const limitOf = (reader: Lookup, column: string): number | null => limitSetOf(reader, column)?.most ?? null
/** The id of a column’s limit. */
export const limitId = (column: string): Limit['id'] => tieId<'limit'>(column, 'items')

/** What a column holds: statuses, of every kind or of one, in the statuses' order. */
export function heldBy(reader: Reader, column: string): ColumnStatus[] {
  const rankOf = (one: ColumnStatus) => reader.maybe('status', one.status)?.rank ?? ''
  return [...reader.all('columnStatus')]
    .filter((held) => held.column === column)
    .sort((a, b) => compareRanked({ id: a.id, rank: rankOf(a) }, { id: b.id, rank: rankOf(b) }))
}

/** A status as a workflow has it; undefined where it is no step of it. */
export const maybeStep = (reader: Lookup, workflow: string | undefined, status: string): Step | undefined =>
  workflow === undefined ? undefined : reader.maybe('step', tieId<'step'>(workflow, status))
/** The steps of a workflow in their order. */
export const stepsOf = (reader: Reader, workflow: string): Step[] =>
  [...reader.all('step')].filter((step) => step.workflow === workflow).sort(compareRanked)
/** The statuses that items of a kind can have, in the order of its workflow. */
export const statusesOfKind = (reader: Reader, kind: string): Status[] =>
  stepsOf(reader, reader.maybe('kind', kind)?.workflow ?? '').flatMap(
    (step) => reader.maybe('status', step.status) ?? [],
  )
/** The status in which items of a kind begin; undefined where there is no such kind. */
export const startOfKind = (reader: Lookup, kind: string): Status | undefined =>
  reader.maybe('status', reader.maybe('workflow', reader.maybe('kind', kind)?.workflow ?? '')?.start ?? '')

/** A field as its type needs to know it. */
export const fieldContext = (
  reader: Pick<Reader, 'optionsOf' | 'names' | 'workspace' | 'workingTime'>,
  field: Field,
  speech: Speech = workspaceSpeech(reader),
): FieldContext => ({
  settings: field.settings,
  // What is looked up is chosen from the options of the field that it is looked up in.
  options: reader.optionsOf((field.type === 'lookUp' && field.settings.of) || field.id),
  names: reader.names,
  speech,
})
/** How files and other programs write, with the clocks and the working days of the workspace. */
const workspaceSpeech = (reader: Pick<Reader, 'workspace' | 'workingTime'>): Speech => ({
  ...plainSpeech, timeZone: reader.workspace().timeZone, calendar: reader.workingTime(),
}) // prettier-ignore

/** `GLH-142`; a dash in place of the number until the server has given one. */
export const itemKey = (reader: Lookup, item: Pick<Item, 'project' | 'number'>): string =>
  `${reader.maybe('project', item.project)?.prefix ?? '?'}-${item.number || '–'}`

/** The parents of an item, topmost first. Stops at a loop, which stored data does not have. */
export function pathOf(reader: Lookup, item: Item): Item[] {
  const path: Item[] = []
  const seen = new Set<string>([item.id])
  for (let id = item.parent; id && !seen.has(id);) {
    const parent = reader.maybe('item', id)
    if (!parent) break
    seen.add(id)
    path.unshift(parent)
    id = parent.parent
  }
  return path
}
