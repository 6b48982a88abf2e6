import * as z from 'zod/mini'
import { list, text, whole } from '../base/schemas'

/** A day: `YYYY-MM-DD`, or counted from today: the n-th day or working day, the first or last day of a week, month … */
export const dayRecord = z.union([
  z.iso.date(),
  z.object({
    of: z.enum(['day', 'workingDay', 'week', 'month', 'quarter', 'year']),
    n: whole(-3660, 3660),
    end: z.optional(z.boolean()),
  }),
])
export type Day = Readonly<z.infer<typeof dayRecord>>

/** What is asked of a fact. Both bounds are included; a number is a whole one at its field's scale. */
export const testRecord = z.discriminatedUnion('is', [
  z.object({ is: z.literal('empty') }),
  z.object({ is: z.literal('filled') }),
  /** Ids of options, people, statuses …; `me` and `craft` mean whoever is looking, `nobody` a turn that nobody has. */
  z.object({ is: z.literal('anyOf'), values: list(text(64, 1), 200) }),
  z.object({ is: z.literal('allOf'), values: list(text(64, 1), 200, 1) }),
  /** Every one of the words, case and accents aside. */
  z.object({ is: z.literal('has'), words: text(200, 1) }),
  z.object({ is: z.literal('between'), from: z.nullable(whole()), to: z.nullable(whole()) }),
  z.object({ is: z.literal('days'), from: z.nullable(dayRecord), to: z.nullable(dayRecord) }),
])
export type FactTest = Readonly<z.infer<typeof testRecord>>
