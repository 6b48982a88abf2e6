/** How a view's definition is read. Version 3; `upgrade.ts` makes earlier ones today's. */
import * as z from 'zod/mini'
import { list, name, text, whole } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { testRecord } from '../fields/test'
import {
  automaticFactNames, grains, leastWidth, mostFrozen, mostLines, mostOpen, mostSignals, mostWidth, paletteColours, signalSigns, totalNames, type LayoutName,
} from './names' // prettier-ignore

/** What can be asked, sorted, grouped and totalled: a field of the project, or what the product itself knows. */
export const factRecord = z.discriminatedUnion('fact', [
  z.object({ fact: z.literal('field'), field: ids.fieldId }),
  z.object({ fact: z.enum(automaticFactNames) }),
])
const askedRecord = z.object({ about: z.literal('fact'), fact: factRecord, test: testRecord })
/** Where an item was some days ago, at the end of that day. */
const wasRecord = z.object({ about: z.literal('was'), daysAgo: whole(1, 3660), statuses: list(ids.statusId, 200, 1) })

/** More conditions within one another, or in all, than anyone can read. */
const [deepest, mostConditions] = [8, 200]
function isReadable(conditions: unknown): boolean {
  let level = Array.isArray(conditions) ? (conditions as unknown[]) : []
  let all = 0
  for (let depth = 0; level.length; depth++) {
    all += level.length
    if (depth > deepest || all > mostConditions) return false
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
/** What an item must meet. */
export type Condition =
  | Readonly<z.infer<typeof askedRecord>>
  | Readonly<z.infer<typeof wasRecord>>
  | { readonly about: (typeof groupings)[number]; readonly of: readonly Condition[] }
  | { readonly about: (typeof kinships)[number]; readonly that: Condition }
/** One phrase of a view's *where*; an item must meet all of them. */
export const conditionRecord: z.ZodMiniType<Condition> = z.lazy(() =>
  z.discriminatedUnion('about', [
    askedRecord,
    wasRecord,
    z.object({ about: z.enum(groupings), of: list(conditionRecord, 20) }),
    z.object({ about: z.enum(kinships), that: conditionRecord }),
  ]),
)

/** A key of the order. */
export const sortKeyRecord = z.object({
  by: factRecord,
  down: z.boolean(),
  /** Those without a value come first; else they come last, whichever way. */
  emptyFirst: z.optional(z.boolean()),
})
/** Of a fact over the items of a group or of the whole view; `count` is of the items themselves. */
export const totalRecord = z.object({ name: z.enum(totalNames), of: z.optional(factRecord) })
/** A level of grouping. */
export const groupKeyRecord = z.object({
  by: factRecord,
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

/** What marks items that meet a condition. Those before others say it first; one that is off is kept and marks nothing. */
export const signalRecord = z.object({
  name,
  colour: z.enum(paletteColours),
  sign: z.enum(signalSigns),
  when: conditionRecord,
  isOff: z.optional(z.boolean()),
})

/** What may be done to items through a view; what it does not forbid, one's role in the project decides. */
export const allowsRecord = z.object({
  add: z.boolean(),
  /** Into the bin and out of it. */
  remove: z.boolean(),
  /** The facts of an item that may be changed; null: all. */
  change: z.nullable(list(factRecord, 120)),
})

/** How wide columns are, in px, by what they show: a field's id, or the name of an automatic fact. */
export const widthsRecord = z
  .record(text(64), whole(leastWidth, mostWidth))
  .check(z.refine((widths) => Object.keys(widths).length <= 200))

/**
 * Which groups of a table show their heads alone: those at the level `to` and deeper (0: all; left out: none), but not the ones
 * that are turned, nor the others where these are. Of an outline: what does not stand as its level says. By what names them.
 */
export const foldsRecord = z.object({ to: z.optional(whole(0, 3)), turned: list(text(1000), 500) })

const question = {
  v: z.literal(3),
  where: z.pipe(z.unknown().check(z.refine(isReadable)), list(conditionRecord, 20)),
  group: list(groupKeyRecord, 3),
  sort: list(sortKeyRecord, 5),
  totals: list(totalRecord, 20),
  /** Fields that are shown, in order. */
  show: list(ids.fieldId, 100),
  signals: z.optional(list(signalRecord, mostSignals)),
  /** A fact of one option or status by whose colour items are told apart. */
  colourBy: z.optional(factRecord),
}
const columnsOfTable = {
  widths: z.optional(widthsRecord),
  folds: z.optional(foldsRecord),
  /** So many columns after the title stay where they are when the others are scrolled. */
  frozen: z.optional(whole(0, mostFrozen)),
  /** So many lines of text a row has room for. */
  lines: z.optional(whole(1, mostLines)),
}
/** What each layout has in a definition beside the question. */
const layoutParts = {
  table: { ...columnsOfTable },
  board: { board: ids.boardId },
  /** `open`: so many levels are seen. */
  outline: { ...columnsOfTable, open: whole(1, mostOpen) },
} as const satisfies Record<LayoutName, object>

/** A view’s definition, by its layout. */
export const viewDefinition = z.discriminatedUnion('layout', [
  z.object({ ...question, layout: z.literal('table'), ...layoutParts.table }),
  z.object({ ...question, layout: z.literal('board'), ...layoutParts.board }),
  z.object({ ...question, layout: z.literal('outline'), ...layoutParts.outline }),
])
