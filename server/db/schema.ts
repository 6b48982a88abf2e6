/** The tables. Every key begins with the workspace; what is not typed here stands as `jsonb` by field id. */
import {
  bigint,
  boolean,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'string', precision: 3 })
const inWorkspace = () => ({ workspaceId: uuid('workspace_id').notNull() })
const withId = () => ({ ...inWorkspace(), id: uuid('id').notNull() })
const key = (table: { workspaceId: never; id: never }) => [primaryKey({ columns: [table.workspaceId, table.id] })]
const byId = <T>(table: T) => key(table as never)

export const workspace = pgTable('workspace', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  timeZone: text('time_zone').notNull(),
  workingWeek: jsonb('working_week').notNull(),
  holidays: jsonb('holidays').notNull(),
  demo: boolean('demo').notNull(),
  sequence: bigint('sequence', { mode: 'number' }).notNull(),
})

export const person = pgTable('person', {
  ...withId(),
  name: text('name').notNull(),
  email: text('email'),
  role: text('role'),
  colour: text('colour').notNull(),
  hoursPerWeek: integer('hours_per_week').notNull(),
  craft: text('craft'),
  active: boolean('active').notNull(),
}, byId) // prettier-ignore

export const credential = pgTable('credential', {
  ...inWorkspace(),
  person: uuid('person').notNull(),
  password: text('password').notNull(),
}, (table) => [primaryKey({ columns: [table.workspaceId, table.person] })]) // prettier-ignore

export const session = pgTable('session', {
  /** SHA-256 of the id that the cookie holds. */
  id: text('id').primaryKey(),
  ...inWorkspace(),
  person: uuid('person').notNull(),
  made: instant('made').notNull(),
  lastSeen: instant('last_seen').notNull(),
  ended: instant('ended'),
})

export const project = pgTable('project', {
  ...withId(),
  name: text('name').notNull(),
  prefix: text('prefix').notNull(),
  oldPrefixes: jsonb('old_prefixes').notNull(),
  colour: text('colour').notNull(),
  order: integer('order').notNull(),
  archived: boolean('archived').notNull(),
  uses: jsonb('uses').notNull(),
  nextNumber: integer('next_number').notNull(),
}, byId) // prettier-ignore

export const member = pgTable('member', {
  ...inWorkspace(),
  /** `project/person`. */
  id: text('id').notNull(),
  project: uuid('project').notNull(),
  person: uuid('person').notNull(),
  role: text('role').notNull(),
}, byId) // prettier-ignore

export const workflow = pgTable(
  'workflow',
  { ...withId(), project: uuid('project').notNull(), name: text('name').notNull() },
  byId,
)

export const status = pgTable('status', {
  ...withId(),
  workflow: uuid('workflow').notNull(),
  name: text('name').notNull(),
  phase: text('phase').notNull(),
  colour: text('colour').notNull(),
  order: integer('order').notNull(),
  turn: uuid('turn'),
}, byId) // prettier-ignore

export const kind = pgTable('kind', {
  ...withId(),
  project: uuid('project').notNull(),
  workflow: uuid('workflow').notNull(),
  name: text('name').notNull(),
  icon: text('icon').notNull(),
  order: integer('order').notNull(),
}, byId) // prettier-ignore

export const field = pgTable('field', {
  ...withId(),
  project: uuid('project').notNull(),
  name: text('name').notNull(),
  help: text('help').notNull(),
  type: text('type').notNull(),
  settings: jsonb('settings').notNull(),
  order: integer('order').notNull(),
  archived: boolean('archived').notNull(),
}, byId) // prettier-ignore

export const item = pgTable('item', {
  ...withId(),
  project: uuid('project').notNull(),
  number: integer('number').notNull(),
  kind: uuid('kind').notNull(),
  title: text('title').notNull(),
  status: uuid('status').notNull(),
  parent: uuid('parent'),
  rank: text('rank').notNull(),
  siblingRank: text('sibling_rank').notNull(),
  values: jsonb('values').notNull(),
  stay: text('stay').notNull(),
  statusSince: instant('status_since').notNull(),
  started: instant('started'),
  finished: instant('finished'),
  archived: instant('archived'),
  created: instant('created').notNull(),
  createdBy: uuid('created_by').notNull(),
  changed: instant('changed').notNull(),
  changedBy: uuid('changed_by').notNull(),
}, (table) => [...byId(table), index('item_number').on(table.workspaceId, table.project, table.number)]) // prettier-ignore

export const stay = pgTable('stay', {
  ...inWorkspace(),
  id: text('id').notNull(),
  item: uuid('item').notNull(),
  status: uuid('status').notNull(),
  from: instant('from_at').notNull(),
  until: instant('until_at'),
}, (table) => [...byId(table), index('stay_item').on(table.workspaceId, table.item)]) // prettier-ignore

export const longText = pgTable('long_text', {
  ...inWorkspace(),
  /** `item/field`. */
  id: text('id').notNull(),
  item: uuid('item').notNull(),
  field: uuid('field').notNull(),
  revision: integer('revision').notNull(),
  text: text('text').notNull(),
}, byId) // prettier-ignore

export const board = pgTable('board', {
  ...withId(),
  project: uuid('project').notNull(),
  name: text('name').notNull(),
  order: integer('order').notNull(),
  v: integer('v').notNull(),
  definition: jsonb('definition').notNull(),
}, byId) // prettier-ignore

export const view = pgTable('view', {
  ...withId(),
  project: uuid('project').notNull(),
  owner: uuid('owner'),
  name: text('name').notNull(),
  order: integer('order').notNull(),
  definition: jsonb('definition').notNull(),
}, byId) // prettier-ignore

export const log = pgTable('log', {
  ...inWorkspace(),
  sequence: bigint('sequence', { mode: 'number' }).notNull(),
  command: uuid('command').notNull(),
  type: text('type').notNull(),
  v: integer('v').notNull(),
  /** What was sent, except for large commands, which the patch says as well. */
  body: jsonb('body').notNull(),
  /** Null where it stands in parts. */
  patch: jsonb('patch'),
  parts: integer('parts').notNull(),
  by: uuid('by_person').notNull(),
  at: instant('at').notNull(),
  /** `{of, leftAlone}` of a revert; else empty. */
  more: jsonb('more').notNull(),
  projects: jsonb('projects').notNull(),
}, (table) => [
  primaryKey({ columns: [table.workspaceId, table.sequence] }),
  uniqueIndex('log_command').on(table.workspaceId, table.command),
]) // prettier-ignore

export const logPart = pgTable('log_part', {
  ...inWorkspace(),
  sequence: bigint('sequence', { mode: 'number' }).notNull(),
  part: integer('part').notNull(),
  patch: jsonb('patch').notNull(),
}, (table) => [primaryKey({ columns: [table.workspaceId, table.sequence, table.part] })]) // prettier-ignore

/** An item's history: the entries that touched it, and the part that holds it. */
export const logItem = pgTable('log_item', {
  ...inWorkspace(),
  item: uuid('item').notNull(),
  sequence: bigint('sequence', { mode: 'number' }).notNull(),
  part: integer('part'),
}, (table) => [primaryKey({ columns: [table.workspaceId, table.item, table.sequence] })]) // prettier-ignore

/** The tables that hold records, by the name that patches use. */
export const recordTables = { person, project, member, workflow, status, kind, field, item, board, view } as const
