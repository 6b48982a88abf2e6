/** How what is stored and sent is read: one schema a record. The types made from them stand in `records.ts`. */
import * as z from 'zod/mini'
import { email, list, name, text, whole } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { fieldTypeNames, optionColours } from '../fields/contract'
import { kindIcons, paletteColours, phases, roles } from './names'

const colour = z.enum(paletteColours)
const timeOrder = whole()

export const personRecord = z.object({
  id: ids.personId,
  name,
  email: z.nullable(email),
  /** None: a person without an account. */
  role: z.nullable(z.enum(roles)),
  colour,
  /** Hours that the person works in a week. */
  hoursPerWeek: whole(0, 168),
  active: z.boolean(),
})
/** Which field of the project serves as what; each may be none. */
export const usesRecord = z.object({
  assignees: z.nullable(ids.fieldId),
  reviewer: z.nullable(ids.fieldId),
  effort: z.nullable(ids.fieldId),
  start: z.nullable(ids.fieldId),
  due: z.nullable(ids.fieldId),
  need: z.nullable(ids.fieldId),
})

export const projectRecord = z.object({
  id: ids.projectId,
  name,
  prefix: z.string().check(z.regex(/^[A-Z][A-Z0-9]{1,7}$/)),
  oldPrefixes: z.array(z.string()),
  colour,
  order: timeOrder,
  archived: z.boolean(),
  uses: usesRecord,
  nextNumber: whole(1),
})
export const memberRecord = z.object({
  id: z.string(),
  project: ids.projectId,
  person: ids.personId,
  role: z.enum(roles),
})
export const workflowRecord = z.object({ id: ids.workflowId, project: ids.projectId, name })
export const statusRecord = z.object({
  id: ids.statusId,
  workflow: ids.workflowId,
  name,
  phase: z.enum(phases),
  colour,
  order: timeOrder,
  /** The people field on turn here; none: the assignees. */
  turn: z.nullable(ids.fieldId),
})
export const kindRecord = z.object({
  id: ids.kindId,
  project: ids.projectId,
  workflow: ids.workflowId,
  name,
  icon: z.enum(kindIcons),
  order: timeOrder,
})
export const optionRecord = z.object({ id: ids.optionId, label: name, colour: z.enum(optionColours) })
export const fieldRecord = z.object({
  id: ids.fieldId,
  project: ids.projectId,
  name,
  help: text(500),
  type: z.enum(fieldTypeNames),
  settings: z.object({
    unit: z.optional(text(12)),
    decimals: z.optional(whole(0, 6)),
    options: z.optional(list(optionRecord, 500)),
    unique: z.optional(z.boolean()),
  }),
  order: timeOrder,
  archived: z.boolean(),
})
export const columnRecord = z.object({
  id: text(64, 1),
  name,
  /** The statuses the column holds, of every kind. */
  statuses: z.array(ids.statusId),
  /** Advice: how many items it should hold at most. */
  limit: z.nullable(whole(0, 9999)),
})
export const boardRecord = z.object({
  id: ids.boardId,
  project: ids.projectId,
  name,
  order: timeOrder,
  v: z.literal(1),
  definition: z.object({ columns: list(columnRecord, 60) }),
})
/** One phrase of a view's *where*; an item must meet all of them. */
export const conditionRecord = z.discriminatedUnion('about', [
  z.object({ about: z.literal('status'), statuses: list(ids.statusId, 200) }),
  z.object({ about: z.literal('phase'), phases: list(z.enum(phases), phases.length, 1) }),
  /** In some people field of the item; `me` is whoever looks. */
  z.object({
    about: z.literal('person'),
    people: list(z.union([ids.personId, z.literal('me')]), 200, 1),
  }),
  /** Whose turn it is; none of them: nobody's turn, though it is not finished. */
  z.object({ about: z.literal('turn'), of: z.enum(['me', 'nobody']) }),
  z.object({ about: z.literal('dueBefore'), day: z.union([z.iso.date(), z.literal('today')]) }),
])
export const sortKeyRecord = z.object({
  /** `rank`, `key`, `title`, `status`, `kind`, `changed` or a field id. */
  by: text(64, 1),
  down: z.boolean(),
})
/** Version 1: columns are made from statuses by the project's board. */
export const viewDefinition = z.object({
  v: z.literal(1),
  layout: z.enum(['table', 'board']),
  where: list(conditionRecord, 20),
  sort: list(sortKeyRecord, 5),
  /** Field ids shown, in order. */
  show: list(text(64), 100),
})
export const viewRecord = z.object({
  id: ids.viewId,
  project: ids.projectId,
  /** None: shared with the project. */
  owner: z.nullable(ids.personId),
  name,
  order: timeOrder,
  definition: viewDefinition,
})
