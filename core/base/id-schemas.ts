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
