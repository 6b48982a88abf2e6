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
  type PgTable,
} from 'drizzle-orm/pg-core'
import type { EntityName } from '#core/model/records'

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
  demo: boolean('demo').notNull(),
  sequence: bigint('sequence', { mode: 'number' }).notNull(),
  /** The sequence number of a large entry whose records are still being written; null: every record is as the log says. */
  unwritten: bigint('unwritten', { mode: 'number' }),
})

export const person = pgTable('person', {
  ...withId(),
  name: text('name').notNull(),
  email: text('email'),
  role: text('role'),
  colour: text('colour').notNull(),
  /** Minutes of each weekday, Monday first. */
  hours: jsonb('hours').notNull(),
  craft: text('craft'),
  active: boolean('active').notNull(),
}, byId) // prettier-ignore

export const dayOff = pgTable('day_off', {
  ...withId(),
  /** Null: everyone. */
  person: uuid('person'),
  from: text('first_day').notNull(),
  to: text('last_day').notNull(),
  name: text('name').notNull(),
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

/** Lets a person set a password, once. */
export const oneTimeLink = pgTable('one_time_link', {
  /** SHA-256 of the secret in its address. */
  id: text('id').primaryKey(),
  ...inWorkspace(),
  person: uuid('person').notNull(),
  made: instant('made').notNull(),
  until: instant('until').notNull(),
  used: instant('used'),
}, (table) => [index('one_time_link_person').on(table.workspaceId, table.person)]) // prettier-ignore

/** What was sent to people, without the secrets in it. */
export const message = pgTable('message', {
  id: uuid('id').primaryKey(),
  ...inWorkspace(),
  person: uuid('person'),
  to: text('to_address').notNull(),
  subject: text('subject').notNull(),
  text: text('text').notNull(),
  made: instant('made').notNull(),
  sent: instant('sent'),
  trouble: text('trouble'),
}, (table) => [index('message_made').on(table.workspaceId, table.made)]) // prettier-ignore

export const project = pgTable('project', {
  ...withId(),
  name: text('name').notNull(),
  prefix: text('prefix').notNull(),
  oldPrefixes: jsonb('old_prefixes').notNull(),
  colour: text('colour').notNull(),
  rank: text('rank').notNull(),
  archived: boolean('archived').notNull(),
  pattern: boolean('pattern'),
  uses: jsonb('uses').notNull(),
  called: jsonb('called'),
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

export const status = pgTable('status', {
  ...withId(),
  project: uuid('project').notNull(),
  name: text('name').notNull(),
  phase: text('phase').notNull(),
  colour: text('colour').notNull(),
  rank: text('rank').notNull(),
  archived: boolean('archived').notNull(),
}, byId) // prettier-ignore

export const workflow = pgTable('workflow', {
  ...withId(),
  project: uuid('project').notNull(),
  name: text('name').notNull(),
  start: uuid('start').notNull(),
}, byId) // prettier-ignore

export const step = pgTable('step', {
  ...inWorkspace(),
  /** `workflow/status`. */
  id: text('id').notNull(),
  workflow: uuid('workflow').notNull(),
  status: uuid('status').notNull(),
  rank: text('rank').notNull(),
  turn: jsonb('turn').notNull(),
  goesTo: jsonb('goes_to'),
  asks: jsonb('asks'),
}, byId) // prettier-ignore

export const kind = pgTable('kind', {
  ...withId(),
  project: uuid('project').notNull(),
  workflow: uuid('workflow').notNull(),
  name: text('name').notNull(),
  icon: text('icon').notNull(),
  rank: text('rank').notNull(),
  archived: boolean('archived').notNull(),
  shows: jsonb('shows'),
  inside: jsonb('inside'),
  groups: jsonb('groups'),
  defaults: jsonb('defaults'),
}, byId) // prettier-ignore

export const field = pgTable('field', {
  ...withId(),
  project: uuid('project').notNull(),
  name: text('name').notNull(),
  help: text('help').notNull(),
  type: text('type').notNull(),
  settings: jsonb('settings').notNull(),
  required: boolean('required'),
  fallback: jsonb('fallback'),
  rank: text('rank').notNull(),
  archived: boolean('archived').notNull(),
}, byId) // prettier-ignore

export const option = pgTable('option', {
  ...withId(),
  field: uuid('field').notNull(),
  label: text('label').notNull(),
  colour: text('colour').notNull(),
  rank: text('rank').notNull(),
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
  phaseSince: instant('phase_since').notNull(),
  activeDays: integer('active_days').notNull().default(0),
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

export const link = pgTable('link', {
  ...inWorkspace(),
  /** `field/from/to`. */
  id: text('id').notNull(),
  field: uuid('field').notNull(),
  from: uuid('from_item').notNull(),
  to: uuid('to_item').notNull(),
}, byId) // prettier-ignore

export const board = pgTable('board', {
  ...withId(),
  project: uuid('project').notNull(),
  name: text('name').notNull(),
  rank: text('rank').notNull(),
  archived: boolean('archived').notNull(),
}, byId) // prettier-ignore

export const boardColumn = pgTable('board_column', {
  ...inWorkspace(),
  id: text('id').notNull(),
  board: uuid('board').notNull(),
  name: text('name').notNull(),
  rank: text('rank').notNull(),
  archived: boolean('archived').notNull(),
  belongs: text('belongs'),
  leaves: text('leaves'),
}, byId) // prettier-ignore

export const columnStatus = pgTable('column_status', {
  ...inWorkspace(),
  /** `column/status`. */
  id: text('id').notNull(),
  column: text('column_id').notNull(),
  status: uuid('status').notNull(),
  kind: uuid('kind'),
}, byId) // prettier-ignore

export const columnLimit = pgTable('column_limit', {
  ...inWorkspace(),
  /** `column/items`. */
  id: text('id').notNull(),
  column: text('column_id').notNull(),
  most: integer('most'),
  least: integer('least'),
  of: uuid('of_field'),
  stops: boolean('stops').notNull().default(false),
}, byId) // prettier-ignore

export const overrule = pgTable('overrule', {
  ...inWorkspace(),
  /** `column/item`. */
  id: text('id').notNull(),
  column: text('column_id').notNull(),
  item: uuid('item').notNull(),
  reason: text('reason').notNull(),
  by: uuid('by_person').notNull(),
  at: instant('at').notNull(),
}, byId) // prettier-ignore

export const moveNote = pgTable('move_note', {
  ...inWorkspace(),
  /** `status/item`. */
  id: text('id').notNull(),
  status: uuid('status').notNull(),
  item: uuid('item').notNull(),
  text: text('text').notNull(),
  by: uuid('by_person').notNull(),
  at: instant('at').notNull(),
}, byId) // prettier-ignore

export const view = pgTable('view', {
  ...withId(),
  project: uuid('project').notNull(),
  maker: uuid('maker').notNull(),
  audience: jsonb('audience').notNull(),
  name: text('name').notNull(),
  rank: text('rank').notNull(),
  definition: jsonb('definition').notNull(),
  about: text('about'),
  heading: text('heading'),
  gives: jsonb('gives'),
  allows: jsonb('allows'),
  archived: instant('archived'),
}, byId) // prettier-ignore

export const look = pgTable('look', {
  ...inWorkspace(),
  /** `view/person`. */
  id: text('id').notNull(),
  project: uuid('project').notNull(),
  view: uuid('view').notNull(),
  person: uuid('person').notNull(),
  widths: jsonb('widths').notNull(),
  folds: jsonb('folds'),
}, byId) // prettier-ignore

export const preference = pgTable('preference', {
  /** The person’s. */
  ...withId(),
  theme: text('theme').notNull(),
  density: text('density').notNull(),
  weekStart: integer('week_start').notNull(),
  folded: jsonb('folded').notNull(),
}, byId) // prettier-ignore

export const log = pgTable('log', {
  ...inWorkspace(),
  sequence: bigint('sequence', { mode: 'number' }).notNull(),
  command: uuid('command').notNull(),
  type: text('type').notNull(),
  v: integer('v').notNull(),
  /** What was sent, except for large commands, which the patch says as well. */
  body: jsonb('body').notNull(),
  /** Null where it is stored in parts. */
  patch: jsonb('patch'),
  parts: integer('parts').notNull(),
  /** The version of the model that the patch speaks of. */
  model: integer('model').notNull(),
  /** Who made the change: `{is: 'person', person}`. */
  by: jsonb('by').notNull(),
  at: instant('at').notNull(),
  /** `{of, leftAlone}` of a revert; else empty. */
  more: jsonb('more').notNull(),
  /** Whom its changes are for; of an entry in parts each scope once. Null: it is older than scopes are. */
  scopes: jsonb('scopes'),
}, (table) => [
  primaryKey({ columns: [table.workspaceId, table.sequence] }),
  uniqueIndex('log_command').on(table.workspaceId, table.command),
]) // prettier-ignore

/** Written before their entry is: parts of a command that is not in the log are nobody's, and are cleared. */
export const logPart = pgTable('log_part', {
  ...inWorkspace(),
  command: uuid('command').notNull(),
  part: integer('part').notNull(),
  patch: jsonb('patch').notNull(),
  scopes: jsonb('scopes'),
}, (table) => [primaryKey({ columns: [table.workspaceId, table.command, table.part] })]) // prettier-ignore

/** An item's history: the entries that touched it, and the part that holds it. */
export const logItem = pgTable('log_item', {
  ...inWorkspace(),
  item: uuid('item').notNull(),
  sequence: bigint('sequence', { mode: 'number' }).notNull(),
  part: integer('part'),
}, (table) => [primaryKey({ columns: [table.workspaceId, table.item, table.sequence] })]) // prettier-ignore

/**
 * The tables that hold records, by the name that patches use; the workspace's own row is made once, and set by itself. A state is read in this
 * order: a field before the items that have values of it.
 */
export const recordTables = {
  person, dayOff, project, member, status, workflow, step, kind, field, option, board, column: boardColumn, columnStatus,
  limit: columnLimit, overrule, moveNote, view, look, preference, item, link, stay, longText,
} as const satisfies Record<Exclude<EntityName, 'workspace'>, PgTable> // prettier-ignore
export type RecordEntity = keyof typeof recordTables
export const recordEntities = Object.keys(recordTables) as readonly RecordEntity[]
