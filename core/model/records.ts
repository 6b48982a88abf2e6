import { z } from 'zod'
import type { Instant, PlainDate } from '../base/dates'
import * as ids from '../base/ids'
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
import { fieldTypeNames, optionColours, type Value } from '../fields/contract'

export const phases = ['waiting', 'active', 'finished', 'dropped'] as const
export type Phase = (typeof phases)[number]
export const roles = ['reader', 'contributor', 'lead', 'owner'] as const
export type Role = (typeof roles)[number]

const name = z.string().trim().min(1).max(120)
/** A colour of the palette: for people, projects and statuses. */
export const paletteColours = [...optionColours, 'leaf', 'wren', 'pool'] as const
export type PaletteColour = (typeof paletteColours)[number]
const colour = z.enum(paletteColours)
const timeOrder = z.number().int()

export interface Workspace {
  readonly id: string
  readonly name: string
  readonly timeZone: string
  readonly workingWeek: readonly number[]
  readonly holidays: readonly PlainDate[]
  readonly demo: boolean
}

export const personRecord = z.object({
  id: ids.personId,
  name,
  email: z.email().max(200).nullable(),
  /** None: a person without an account. */
  role: z.enum(roles).nullable(),
  colour,
  /** Hours that the person works in a week. */
  hoursPerWeek: z.number().int().min(0).max(168),
  active: z.boolean(),
})
export type Person = Readonly<z.infer<typeof personRecord>>

/** Which field of the project serves as what; each may be none. */
export const usesRecord = z.object({
  assignees: ids.fieldId.nullable(),
  reviewer: ids.fieldId.nullable(),
  effort: ids.fieldId.nullable(),
  start: ids.fieldId.nullable(),
  due: ids.fieldId.nullable(),
  need: ids.fieldId.nullable(),
})

export const projectRecord = z.object({
  id: ids.projectId,
  name,
  prefix: z.string().regex(/^[A-Z][A-Z0-9]{1,7}$/),
  oldPrefixes: z.array(z.string()),
  colour,
  order: timeOrder,
  archived: z.boolean(),
  uses: usesRecord,
  nextNumber: z.number().int().min(1),
})
export type Project = Readonly<z.infer<typeof projectRecord>>

export const memberRecord = z.object({
  id: z.string(),
  project: ids.projectId,
  person: ids.personId,
  role: z.enum(roles),
})
export type Member = Readonly<z.infer<typeof memberRecord>>

export const workflowRecord = z.object({ id: ids.workflowId, project: ids.projectId, name })
export type Workflow = Readonly<z.infer<typeof workflowRecord>>

export const statusRecord = z.object({
  id: ids.statusId,
  workflow: ids.workflowId,
  name,
  phase: z.enum(phases),
  colour,
  order: timeOrder,
  /** The people field on turn here; none: the assignees. */
  turn: ids.fieldId.nullable(),
})
export type Status = Readonly<z.infer<typeof statusRecord>>

export const kindIcons = ['task', 'defect', 'inspection', 'deliverable', 'request', 'plain'] as const
export type KindIcon = (typeof kindIcons)[number]
export const kindRecord = z.object({
  id: ids.kindId,
  project: ids.projectId,
  workflow: ids.workflowId,
  name,
  icon: z.enum(kindIcons),
  order: timeOrder,
})
export type Kind = Readonly<z.infer<typeof kindRecord>>

export const optionRecord = z.object({ id: ids.optionId, label: name, colour: z.enum(optionColours) })
export const fieldRecord = z.object({
  id: ids.fieldId,
  project: ids.projectId,
  name,
  help: z.string().max(500),
  type: z.enum(fieldTypeNames),
  settings: z.object({
    unit: z.string().max(12).optional(),
    decimals: z.number().int().min(0).max(6).optional(),
    options: z.array(optionRecord).max(500).optional(),
    unique: z.boolean().optional(),
  }),
  order: timeOrder,
  archived: z.boolean(),
})
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

export const columnRecord = z.object({
  id: z.string().min(1).max(64),
  name,
  /** The statuses the column holds, of every kind. */
  statuses: z.array(ids.statusId),
  /** Advice: how many items it should hold at most. */
  limit: z.number().int().min(0).max(9999).nullable(),
})
export type Column = Readonly<z.infer<typeof columnRecord>>
export const boardRecord = z.object({
  id: ids.boardId,
  project: ids.projectId,
  name,
  order: timeOrder,
  v: z.literal(1),
  definition: z.object({ columns: z.array(columnRecord).max(60) }),
})
export type Board = Readonly<z.infer<typeof boardRecord>>

/** One phrase of a view's *where*; an item must meet all of them. */
export const conditionRecord = z.discriminatedUnion('about', [
  z.object({ about: z.literal('status'), statuses: z.array(ids.statusId).max(200) }),
  z.object({ about: z.literal('phase'), phases: z.array(z.enum(phases)).min(1) }),
  /** In some people field of the item; `me` is whoever looks. */
  z.object({
    about: z.literal('person'),
    people: z
      .array(z.union([ids.personId, z.literal('me')]))
      .min(1)
      .max(200),
  }),
  /** Whose turn it is; none of them: nobody's turn, though it is not finished. */
  z.object({ about: z.literal('turn'), of: z.enum(['me', 'nobody']) }),
  z.object({ about: z.literal('dueBefore'), day: z.union([z.iso.date(), z.literal('today')]) }),
])
export type Condition = Readonly<z.infer<typeof conditionRecord>>
export const sortKeyRecord = z.object({
  /** `rank`, `key`, `title`, `status`, `kind`, `changed` or a field id. */
  by: z.string().min(1).max(64),
  down: z.boolean(),
})
export type SortKey = Readonly<z.infer<typeof sortKeyRecord>>

/** Version 1: columns are made from statuses by the project's board. */
export const viewDefinition = z.object({
  v: z.literal(1),
  layout: z.enum(['table', 'board']),
  where: z.array(conditionRecord).max(20),
  sort: z.array(sortKeyRecord).max(5),
  /** Field ids shown, in order. */
  show: z.array(z.string().max(64)).max(100),
})
export type ViewDefinition = Readonly<z.infer<typeof viewDefinition>>
export const viewRecord = z.object({
  id: ids.viewId,
  project: ids.projectId,
  /** None: shared with the project. */
  owner: ids.personId.nullable(),
  name,
  order: timeOrder,
  definition: viewDefinition,
})
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
