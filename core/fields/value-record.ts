import * as z from 'zod/mini'
import { list, text, whole } from '../base/schemas'
import type { Value } from './value'

/** What may stand in a command as a value; the field's type says more. */
export const valueRecord: z.ZodMiniType<Value> = z.union([
  text(100_000),
  z.number(),
  z.boolean(),
  list(text(64), 500),
  z.object({ revision: whole(1) }),
  z.null(),
])
