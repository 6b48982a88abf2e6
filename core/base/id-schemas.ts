import * as z from 'zod/mini'
import type { Id } from './ids'

const uuid = z.string().check(z.regex(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/))
const idSchema = <T extends string>() => uuid as unknown as z.ZodMiniType<Id<T>, string>

export const personId = idSchema<'person'>()
export const projectId = idSchema<'project'>()
export const workflowId = idSchema<'workflow'>()
export const statusId = idSchema<'status'>()
export const kindId = idSchema<'kind'>()
export const fieldId = idSchema<'field'>()
export const itemId = idSchema<'item'>()
export const boardId = idSchema<'board'>()
export const viewId = idSchema<'view'>()
export const optionId = idSchema<'option'>()
export const commandId = idSchema<'command'>()
export const columnId = z.string().check(z.minLength(1), z.maxLength(64)) as unknown as z.ZodMiniType<
  Id<'column'>,
  string
>
/** The ids of two records with a slash between. */
export const tieIdOf = <T extends string>() =>
  z.string().check(z.regex(/^[^/\s]{1,64}\/[^/\s]{1,64}$/)) as unknown as z.ZodMiniType<Id<T>, string>
