/** How what is stored and sent is read: one schema a record. The types made from them stand in `records.ts`. */
import { z } from 'zod'
import * as ids from '../base/id-schemas'
import { fieldTypeNames, optionColours } from '../fields/contract'
import { kindIcons, paletteColours, phases, roles } from './names'

const name = z.string().trim().min(1).max(120)
const colour = z.enum(paletteColours)
const timeOrder = z.number().int()

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
  turn: ids.fieldId.nullable(),
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
export const columnRecord = z.object({
  id: z.string().min(1).max(64),
  name,
  /** The statuses the column holds, of every kind. */
  statuses: z.array(ids.statusId),
  /** Advice: how many items it should hold at most. */
  limit: z.number().int().min(0).max(9999).nullable(),
})
export const boardRecord = z.object({
  id: ids.boardId,
  project: ids.projectId,
  name,
  order: timeOrder,
  v: z.literal(1),
  definition: z.object({ columns: z.array(columnRecord).max(60) }),
})
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
export const sortKeyRecord = z.object({
  /** `rank`, `key`, `title`, `status`, `kind`, `changed` or a field id. */
  by: z.string().min(1).max(64),
  down: z.boolean(),
})
/** Version 1: columns are made from statuses by the project's board. */
export const viewDefinition = z.object({
  v: z.literal(1),
  layout: z.enum(['table', 'board']),
  where: z.array(conditionRecord).max(20),
  sort: z.array(sortKeyRecord).max(5),
  /** Field ids shown, in order. */
  show: z.array(z.string().max(64)).max(100),
})
export const viewRecord = z.object({
  id: ids.viewId,
  project: ids.projectId,
  /** None: shared with the project. */
  owner: ids.personId.nullable(),
  name,
  order: timeOrder,
  definition: viewDefinition,
})
