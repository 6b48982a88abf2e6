/** The shapes that schemas are made of again and again, on zod's small build: the worker's script carries it. */
import * as z from 'zod/mini'
import { isRank } from './ranks'

export const text = (longest: number, shortest = 0) => z.string().check(z.minLength(shortest), z.maxLength(longest))
/** A whole number. */
export const whole = (least = Number.MIN_SAFE_INTEGER, most = Number.MAX_SAFE_INTEGER) =>
  z.int().check(z.gte(least), z.lte(most))
export const list = <T extends z.ZodMiniType>(of: T, most: number, least = 0) =>
  z.array(of).check(z.minLength(least), z.maxLength(most))
export const name = z.string().check(z.trim(), z.minLength(1), z.maxLength(120))
export const email = z.email().check(z.maxLength(200))
/** A fractional ordering key (`ranks.ts`). */
export const rank = z.string().check(z.maxLength(80), z.refine(isRank))
