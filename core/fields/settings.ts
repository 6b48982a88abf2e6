import * as z from 'zod/mini'
import { text, whole } from '../base/schemas'
import type { FieldTypeName } from './names'

/** All settings that a field may have; each type has its own of them (`settingsOf`). */
export interface FieldSettings {
  /** What is written after a number: `h`. At most 12 characters. */
  readonly unit?: string | undefined
  /** Decimals that are kept, 0 to 6; 0 where it is not said. */
  readonly decimals?: number | undefined
  /** No two items of the project may hold the same value. */
  readonly unique?: boolean | undefined
}

const none = z.strictObject({})
/** How the settings of each field type are read from outside; what a type does not have is refused. */
export const settingsOf: Readonly<Record<FieldTypeName, z.ZodMiniType<FieldSettings>>> = {
  shortText: z.strictObject({ unique: z.optional(z.boolean()) }),
  longText: none,
  number: z.strictObject({
    unit: z.optional(text(12)),
    decimals: z.optional(whole(0, 6)),
    unique: z.optional(z.boolean()),
  }),
  oneOption: none,
  severalOptions: none,
  people: none,
  date: none,
  checkbox: none,
}
