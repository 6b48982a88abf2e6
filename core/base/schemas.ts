/** The shapes that schemas are made of again and again, on zod's small build: the worker's script carries it. */
import * as z from 'zod/mini'
import { isPlainDate, type Instant, type PlainDate } from './dates'
import { isRank } from './ranks'
import { isVisible, longestName, oneLine } from './text'

/** Text up to a length. */
export const text = (longest: number, shortest = 0) => z.string().check(z.minLength(shortest), z.maxLength(longest))
/** A whole number. */
export const whole = (least = Number.MIN_SAFE_INTEGER, most = Number.MAX_SAFE_INTEGER) =>
  z.int().check(z.gte(least), z.lte(most))
/** A list up to a length. */
export const list = <T extends z.ZodMiniType>(of: T, most: number, least = 0) =>
  z.array(of).check(z.minLength(least), z.maxLength(most))
/** A list that holds nothing twice, by what each is told apart. */
export const distinct = <T extends z.ZodMiniType>(of: T, most: number, keyOf: (one: z.infer<T>) => string) =>
  list(of, most, 1).check(z.refine((all) => new Set(all.map((one) => keyOf(one as z.infer<T>))).size === all.length))
/** A name: on one line, trimmed, 1 to 120 characters of which one can be seen. */
export const name = z
  .string()
  .check(z.overwrite(oneLine), z.minLength(1), z.maxLength(longestName), z.refine(isVisible))
/** An e-mail address of at most 200 characters. */
export const email = z.email().check(z.maxLength(200))
/** A day that the calendar has: `2026-11-25`. */
export const plainDate = z.string().check(z.refine(isPlainDate)) as z.ZodMiniType<PlainDate, string>
/** A moment in UTC, as `Date` writes it: `2026-11-25T09:00:00.000Z`. */
export const instant = z.string().check(
  z.regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/),
  z.refine((text) => !Number.isNaN(Date.parse(text))),
) as z.ZodMiniType<Instant, string>
/** A fractional ordering key (`ranks.ts`). */
export const rank = z.string().check(z.maxLength(80), z.refine(isRank))
