import * as z from 'zod/mini'
import type { Id } from './ids'

const uuid = z.string().check(z.regex(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/))
const idSchema = <T extends string>() => uuid as unknown as z.ZodMiniType<Id<T>, string>

/** The id of a person, as it comes from outside. */
export const personId = idSchema<'person'>()
/** The id of a project, as it comes from outside. */
export const projectId = idSchema<'project'>()
/** The id of a workflow, as it comes from outside. */
export const workflowId = idSchema<'workflow'>()
/** The id of a status, as it comes from outside. */
export const statusId = idSchema<'status'>()
/** The id of a kind, as it comes from outside. */
export const kindId = idSchema<'kind'>()
/** The id of a field, as it comes from outside. */
export const fieldId = idSchema<'field'>()
/** The id of an item, as it comes from outside. */
export const itemId = idSchema<'item'>()
/** The id of a board, as it comes from outside. */
export const boardId = idSchema<'board'>()
/** The id of a view, as it comes from outside. */
export const viewId = idSchema<'view'>()
/** The id of an option, as it comes from outside. */
export const optionId = idSchema<'option'>()
/** The id of a stretch of days off, as it comes from outside. */
export const dayOffId = idSchema<'dayOff'>()
/** The id of a command, as it comes from outside. */
export const commandId = idSchema<'command'>()
/** The id of a column: those of the first model are no UUIDs. */
export const columnId = z.string().check(z.minLength(1), z.maxLength(64)) as unknown as z.ZodMiniType<
  Id<'column'>,
  string
>
/** The id of a link: those of its field and of the items at its ends, with slashes between. */
export const linkId = z.string().check(z.regex(/^[^/\s]{1,64}(\/[^/\s]{1,64}){2}$/)) as unknown as z.ZodMiniType<
  Id<'link'>,
  string
>
/** The ids of two records with a slash between. */
export const tieIdOf = <T extends string>() =>
  z.string().check(z.regex(/^[^/\s]{1,64}\/[^/\s]{1,64}$/)) as unknown as z.ZodMiniType<Id<T>, string>
