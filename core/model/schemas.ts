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
  /** Who does the same kind of work has the same: a person's own team. None: of no craft. */
  craft: z.optional(z.nullable(text(60, 1))),
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
/** A day, or one counted from today: the n-th next or last day or working day; the first or last of a week, month … */
export const dayRecord = z.union([
  z.iso.date(),
  z.object({
    of: z.enum(['day', 'workingDay', 'week', 'month', 'quarter', 'year']),
    n: whole(-3660, 3660),
    end: z.optional(z.boolean()),
  }),
])
/** What is asked of a fact. Bounds are meant with themselves; a number is a whole one at its field's scale. */
export const testRecord = z.discriminatedUnion('is', [
  z.object({ is: z.literal('empty') }),
  z.object({ is: z.literal('filled') }),
  /** Ids of options, people, statuses …; `me` and `craft` speak of whoever looks, `nobody` of a turn that nobody has. */
  z.object({ is: z.literal('anyOf'), values: list(text(64, 1), 200) }),
  z.object({ is: z.literal('allOf'), values: list(text(64, 1), 200, 1) }),
  /** Each of the words, case and accents aside. */
  z.object({ is: z.literal('has'), words: text(200, 1) }),
  z.object({ is: z.literal('between'), from: z.nullable(whole()), to: z.nullable(whole()) }),
  z.object({ is: z.literal('days'), from: z.nullable(dayRecord), to: z.nullable(dayRecord) }),
])
const factRecord = z.object({ about: z.literal('fact'), fact: text(64, 1), test: testRecord })
/** Where an item stood some days ago, at the end of that day. */
const wasRecord = z.object({ about: z.literal('was'), daysAgo: whole(1, 3660), statuses: list(ids.statusId, 200, 1) })
/** More conditions within one another than anyone can read. */
const deepest = 8
function isShallow(conditions: unknown): boolean {
  let level = Array.isArray(conditions) ? (conditions as unknown[]) : []
  for (let depth = 0; level.length; depth++) {
    if (depth > deepest) return false
    level = level.flatMap((one) => {
      const { of, that } = (one ?? {}) as { of?: unknown; that?: unknown }
      return [...(Array.isArray(of) ? (of as unknown[]) : []), ...(that ? [that] : [])]
    })
  }
  return true
}
const groupings = ['all', 'any', 'none'] as const
/** How an item's relatives are asked: those inside it, and what it is inside of. */
const kinships = ['anyChild', 'allChildren', 'parent', 'someAncestor'] as const
export type Condition =
  | Readonly<z.infer<typeof factRecord>>
  | Readonly<z.infer<typeof wasRecord>>
  | { readonly about: (typeof groupings)[number]; readonly of: readonly Condition[] }
  | { readonly about: (typeof kinships)[number]; readonly that: Condition }
/** One phrase of a view's *where*; an item must meet all of them. */
export const conditionRecord: z.ZodMiniType<Condition> = z.lazy(() =>
  z.discriminatedUnion('about', [
    factRecord,
    wasRecord,
    z.object({ about: z.enum(groupings), of: list(conditionRecord, 20) }),
    z.object({ about: z.enum(kinships), that: conditionRecord }),
  ]),
)
/** What can be asked, sorted and grouped by: a field's id, or the name of an automatic fact. */
const fact = text(64, 1)
export const sortKeyRecord = z.object({
  by: fact,
  down: z.boolean(),
  /** Those without a value come first; else they come last, whichever way. */
  emptyFirst: z.optional(z.boolean()),
})
export const grains = ['day', 'week', 'month', 'quarter', 'year'] as const
export const totalNames = [
  'count', 'sum', 'average', 'median', 'least', 'most', 'filled', 'empty', 'share', 'distinct',
] as const // prettier-ignore
/** Of a fact over the items of a group or of the whole view; `count` is of the items themselves. */
export const totalRecord = z.object({ name: z.enum(totalNames), of: z.optional(fact) })
export const groupKeyRecord = z.object({
  by: fact,
  /** Of days; a day itself where it is not said. */
  grain: z.optional(z.enum(grains)),
  down: z.optional(z.boolean()),
  /** By this total of each group instead of by what the group is. */
  byTotal: z.optional(totalRecord),
  /** Groups of options, statuses and the like that hold nothing are shown too. */
  withEmpty: z.optional(z.boolean()),
  /** Items without a value are left out. */
  hideNone: z.optional(z.boolean()),
})
/** Version 2; version 1 had five kinds of conditions and neither groups nor totals (`saved-views/upgrade.ts`). */
export const viewDefinition = z.object({
  v: z.literal(2),
  layout: z.enum(['table', 'board']),
  where: z.pipe(z.unknown().check(z.refine(isShallow)), list(conditionRecord, 20)),
  group: list(groupKeyRecord, 3),
  sort: list(sortKeyRecord, 5),
  totals: list(totalRecord, 20),
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
