import type * as z from 'zod/mini'
import type { Instant } from '../base/dates'
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

/** One team’s installation. */
export type Workspace = Read<typeof schemas.workspaceRecord>
/** Days on which somebody does not work, or nobody. */
export type DayOff = Read<typeof schemas.dayOffRecord>

/** Somebody of the team; without a role, a person without an account. */
export type Person = Read<typeof schemas.personRecord>
/** What a team works on. */
export type Project = Read<typeof schemas.projectRecord>
/** A person’s role in a project. */
export type Member = Read<typeof schemas.memberRecord>
/** Where items of a project can stand. */
export type Status = Read<typeof schemas.statusRecord>
/** Which statuses items of its kinds go through. */
export type Workflow = Read<typeof schemas.workflowRecord>
/** A status of a workflow. */
export type Step = Read<typeof schemas.stepRecord>
/** Whose move it is in a step. */
export type TurnOf = Read<typeof schemas.turnRecord>
/** One thing that entering a status asks for. */
export type Demand = Read<typeof schemas.demandRecord>
/** What was said when an item entered a status. */
export type MoveNote = Read<typeof schemas.moveNoteRecord>
/** What sort of items a project has. */
export type Kind = Read<typeof schemas.kindRecord>
/** What is kept of each item of a project. */
export type Field = Omit<Read<typeof schemas.fieldRecord>, 'settings'> & { readonly settings: FieldSettings }
/** What a new item has in a field where nobody says it. */
export type Fallback = Read<typeof schemas.fallbackRecord>
/** A value that can be chosen for a field. */
export type OptionOfField = Read<typeof schemas.optionRecord>
/** The columns of a project. */
export type Board = Read<typeof schemas.boardRecord>
/** A column of a board. */
export type BoardColumn = Read<typeof schemas.columnRecord>
/** A status that a column holds. */
export type ColumnStatus = Read<typeof schemas.columnStatusRecord>
/** How much a column should hold. */
export type Limit = Read<typeof schemas.limitRecord>
/** Why an item was let past the limit of a column. */
export type Overrule = Read<typeof schemas.overruleRecord>
/** Who sees a view. */
export type Audience = Read<typeof schemas.audienceRecord>
/** How a person has pages look everywhere. */
export type Preference = Read<typeof schemas.preferenceRecord>
/** That two items belong together. */
export type Link = Read<typeof schemas.linkRecord>
/** What may be done to items through a view. */
export type Allows = Read<typeof definitions.allowsRecord>
/** A saved view of a project. */
export type View = Read<typeof schemas.viewRecord>
/** How a person has a view look, which nobody else sees. */
export type Look = Read<typeof schemas.lookRecord>

/** Names a fact: an automatic one, or a field. */
export type FactRef = Read<typeof definitions.factRecord>
/** A key of the order. */
export type SortKey = Read<typeof definitions.sortKeyRecord>
/** A level of grouping. */
export type GroupKey = Read<typeof definitions.groupKeyRecord>
/** What is worked out of the items of a group. */
export type Total = Read<typeof definitions.totalRecord>
/** What marks items that meet a condition. */
export type Signal = Read<typeof definitions.signalRecord>
/** What is folded in a table or an outline. */
export type Folds = Read<typeof definitions.foldsRecord>
/** A view’s layout, conditions, grouping, order, totals and fields. */
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
  /** When it came into the phase of its status. */
  readonly phaseSince: Instant
  /** Working days for which it was in the active phase before it came into the one that it is in. */
  readonly activeDays: number
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
  'project', 'number', 'kind', 'title', 'status', 'parent', 'rank', 'siblingRank', 'stay', 'statusSince', 'phaseSince', 'activeDays', 'started',
  'finished', 'archived', 'created', 'createdBy', 'changed', 'changedBy',
] as const satisfies readonly (keyof Item)[] // prettier-ignore
/** A column of an item that is no field. */
export type ItemColumn = (typeof itemColumns)[number]
const columnNames: ReadonlySet<string> = new Set(itemColumns)
/** Whether a change’s field is a column of the item, and no field of the project. */
export const isItemColumn = (field: string): field is ItemColumn => columnNames.has(field)

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
/** The id of an item’s long text in a field. */
export const longTextId = (item: string, field: string): string => `${item}/${field}`

/** Everything that a patch can speak of; `entities.ts` says where each is held and who sees it. */
export interface Records {
  workspace: Workspace
  person: Person
  dayOff: DayOff
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
  overrule: Overrule
  moveNote: MoveNote
  link: Link
  view: View
  look: Look
  preference: Preference
}
/** Anything that a patch can speak of. */
export type EntityName = keyof Records
