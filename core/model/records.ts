import type * as z from 'zod/mini'
import type { Instant, PlainDate } from '../base/dates'
import type { FieldId, ItemId, KindId, PersonId, ProjectId, StatusId, StayId } from '../base/ids'
import type { FieldSettings } from '../fields/settings'
import type { Value } from '../fields/value'
import type * as definitions from './definition'
import type * as schemas from './schemas'

export type { Condition } from './definition'
export type { Day, FactTest } from '../fields/test'
export type { Grain, KindIcon, PaletteColour, Phase, Role, TotalName } from './names'
export type {
  BoardId,
  FieldId,
  ItemId,
  KindId,
  OptionId,
  PersonId,
  ProjectId,
  StatusId,
  ViewId,
  WorkflowId,
} from '../base/ids'
export { paletteColours, roles } from './names'

type Read<T extends z.ZodMiniType> = Readonly<z.infer<T>>

/** One team's installation. */
export interface Workspace {
  readonly id: string
  readonly name: string
  /** IANA name: `Europe/Berlin`. */
  readonly timeZone: string
  /** Weekdays worked, 1 for Monday to 7 for Sunday. */
  readonly workingWeek: readonly number[]
  readonly holidays: readonly PlainDate[]
  readonly demo: boolean
}

export type Person = Read<typeof schemas.personRecord>
export type Project = Read<typeof schemas.projectRecord>
export type Member = Read<typeof schemas.memberRecord>
export type Status = Read<typeof schemas.statusRecord>
export type Workflow = Read<typeof schemas.workflowRecord>
export type Step = Read<typeof schemas.stepRecord>
export type TurnOf = Read<typeof schemas.turnRecord>
export type Kind = Read<typeof schemas.kindRecord>
export type Field = Omit<Read<typeof schemas.fieldRecord>, 'settings'> & { readonly settings: FieldSettings }
export type OptionOfField = Read<typeof schemas.optionRecord>
export type Board = Read<typeof schemas.boardRecord>
export type BoardColumn = Read<typeof schemas.columnRecord>
export type ColumnStatus = Read<typeof schemas.columnStatusRecord>
export type Limit = Read<typeof schemas.limitRecord>
export type Audience = Read<typeof schemas.audienceRecord>
export type View = Read<typeof schemas.viewRecord>

export type FactRef = Read<typeof definitions.factRecord>
export type SortKey = Read<typeof definitions.sortKeyRecord>
export type GroupKey = Read<typeof definitions.groupKeyRecord>
export type Total = Read<typeof definitions.totalRecord>
export type ViewDefinition = Read<typeof definitions.viewDefinition>

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

/** Everything that a patch can speak of; `entities.ts` says where each is held and who sees it. */
export interface Records {
  workspace: Workspace
  person: Person
  project: Project
  member: Member
  status: Status
  workflow: Workflow
  step: Step
  kind: Kind
  field: Field
  option: OptionOfField
  item: Item
  stay: Stay
  longText: LongText
  board: Board
  column: BoardColumn
  columnStatus: ColumnStatus
  limit: Limit
  view: View
}
export type EntityName = keyof Records
