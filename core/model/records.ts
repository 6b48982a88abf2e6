import type * as z from 'zod/mini'
import type { Instant, PlainDate } from '../base/dates'
import type {
  BoardId,
  FieldId,
  ItemId,
  KindId,
  PersonId,
  ProjectId,
  StatusId,
  StayId,
  ViewId,
  WorkflowId,
} from '../base/ids'
import type { Value } from '../fields/contract'
import type {
  boardRecord,
  columnRecord,
  dayRecord,
  fieldRecord,
  groupKeyRecord,
  kindRecord,
  memberRecord,
  personRecord,
  projectRecord,
  sortKeyRecord,
  statusRecord,
  testRecord,
  totalRecord,
  viewDefinition,
  viewRecord,
  workflowRecord,
} from './schemas'

export type { Condition } from './schemas'
export { paletteColours, roles, type KindIcon, type PaletteColour, type Phase, type Role } from './names'

export interface Workspace {
  readonly id: string
  readonly name: string
  readonly timeZone: string
  readonly workingWeek: readonly number[]
  readonly holidays: readonly PlainDate[]
  readonly demo: boolean
}

export type Person = Readonly<z.infer<typeof personRecord>>

export type Project = Readonly<z.infer<typeof projectRecord>>

export type Member = Readonly<z.infer<typeof memberRecord>>

export type Workflow = Readonly<z.infer<typeof workflowRecord>>

export type Status = Readonly<z.infer<typeof statusRecord>>

export type Kind = Readonly<z.infer<typeof kindRecord>>

export type Field = Readonly<z.infer<typeof fieldRecord>>

/** One piece of work. Number and ranks are the server's; until it answers, the browser shows a dash for number 0. */
export interface Item {
  readonly id: ItemId
  readonly project: ProjectId
  readonly number: number
  readonly kind: KindId
  readonly title: string
  readonly status: StatusId
  readonly parent: ItemId | null
  readonly rank: string
  readonly siblingRank: string
  /** By field id; an empty value is absent. */
  readonly values: Readonly<Record<string, Value>>
  /** The open stay in the status. */
  readonly stay: StayId
  readonly statusSince: Instant
  readonly started: Instant | null
  readonly finished: Instant | null
  readonly archived: Instant | null
  readonly created: Instant
  readonly createdBy: PersonId
  readonly changed: Instant
  readonly changedBy: PersonId
}

/** The columns that every item has, apart from its values. */
export const itemColumns = [
  'project', 'number', 'kind', 'title', 'status', 'parent', 'rank', 'siblingRank', 'stay', 'statusSince', 'started',
  'finished', 'archived', 'created', 'createdBy', 'changed', 'changedBy',
] as const satisfies readonly (keyof Item)[] // prettier-ignore
export type ItemColumn = (typeof itemColumns)[number]
export const isItemColumn = (field: string): field is ItemColumn => (itemColumns as readonly string[]).includes(field)

/** A time that an item spent in a status; `until` none while it is there. Written, never read back by `apply`. */
export interface Stay {
  readonly id: StayId
  readonly item: ItemId
  readonly status: StatusId
  readonly from: Instant
  readonly until: Instant | null
}

/** The words of a long text, under `item/field`. The browser fetches them when they are looked at. */
export interface LongText {
  readonly id: string
  readonly item: ItemId
  readonly field: FieldId
  readonly revision: number
  readonly text: string
}
export const longTextId = (item: string, field: string): string => `${item}/${field}`

export type Column = Readonly<z.infer<typeof columnRecord>>
export type Board = Readonly<z.infer<typeof boardRecord>>

export type SortKey = Readonly<z.infer<typeof sortKeyRecord>>

export type GroupKey = Readonly<z.infer<typeof groupKeyRecord>>
export type Total = Readonly<z.infer<typeof totalRecord>>
export type TotalName = Total['name']
export type Grain = NonNullable<GroupKey['grain']>
export type FactTest = Readonly<z.infer<typeof testRecord>>
export type Day = Readonly<z.infer<typeof dayRecord>>

export type ViewDefinition = Readonly<z.infer<typeof viewDefinition>>
export type View = Readonly<z.infer<typeof viewRecord>>

/** Everything that a patch can speak of. */
export interface Records {
  workspace: Workspace
  person: Person
  project: Project
  member: Member
  workflow: Workflow
  status: Status
  kind: Kind
  field: Field
  item: Item
  stay: Stay
  longText: LongText
  board: Board
  view: View
}
export type EntityName = keyof Records
export const entityNames = [
  'workspace', 'person', 'project', 'member', 'workflow', 'status', 'kind', 'field', 'item', 'stay', 'longText',
  'board', 'view',
] as const satisfies readonly EntityName[] // prettier-ignore

export type { BoardId, FieldId, ItemId, KindId, PersonId, ProjectId, StatusId, ViewId, WorkflowId }
