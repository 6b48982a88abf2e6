import * as z from 'zod/mini'
import * as ids from '../base/id-schemas'
import { list, text, whole } from '../base/schemas'
import { currencies } from './currencies'
import { givenTypes, ratingSigns, reaches, rollUpNames, type FieldTypeName } from './names'

const unique = z.optional(z.boolean())
const bounds = { least: z.optional(whole()), most: z.optional(whole()) }
/** The most characters that a formula may have. */
export const longestFormula = 2000

/** All that a field may be set to; each type has its own of them (`settingsOf`). */
const all = {
  /** What is written after a number: `h`. */
  unit: z.optional(text(12)),
  /** Decimals that are kept; 0 where it is not said. */
  decimals: z.optional(whole(0, 6)),
  /** No two items of the project may hold the same value. */
  unique,
  /** What a number may be, at its scale. Values from before stay. */
  ...bounds,
  /** Of money; the euro where it is not said. */
  currency: z.optional(z.enum(currencies)),
  /** How long a working day is, in minutes; 480 where it is not said. */
  dayMinutes: z.optional(whole(15, 1440)),
  /** The most that a rating can be; 5 where it is not said. */
  scale: z.optional(whole(2, 10)),
  /** What a rating is drawn with; a leaf where it is not said. */
  sign: z.optional(z.enum(ratingSigns)),
  /** No more than one person, or one item. */
  single: z.optional(z.boolean()),
  /** The people who can be chosen: those of a craft, or these. */
  craft: z.optional(text(60, 1)),
  among: z.optional(list(ids.personId, 200, 1)),
  /** Of a relation: the field at its other end; none where both are alike. */
  other: z.optional(ids.fieldId),
  /** Of what is worked out: as what it is shown. */
  gives: z.optional(z.enum(givenTypes)),
  /** Of a computed field: its formula, which names fields by their ids (`formulas.ts`). */
  formula: z.optional(text(longestFormula, 1)),
  /** Of a roll-up or a look-up: which items it reads. */
  over: z.optional(z.enum(reaches)),
  /** Over a relation: which one. */
  through: z.optional(ids.fieldId),
  /** Which of their fields; none where they are counted. */
  of: z.optional(ids.fieldId),
  /** Of a roll-up: what it makes of them. */
  how: z.optional(z.enum(rollUpNames)),
  /** Of the share that is finished: the number by which each counts; none: each counts alike. */
  weight: z.optional(ids.fieldId),
}
/** The settings of a field of whatever type. */
export const fieldSettings = z.object(all)
/** All settings that a field may have. */
export type FieldSettings = Readonly<z.infer<typeof fieldSettings>>

const none = z.strictObject({})
const chosen = z.strictObject({ unique })
/** How what is worked out is shown: as which type, and that type's own. */
const given = {
  gives: all.gives,
  unit: all.unit,
  decimals: all.decimals,
  currency: all.currency,
  dayMinutes: all.dayMinutes,
  scale: all.scale,
  sign: all.sign,
}
/** How the settings of each field type are read from outside; what a type does not have is refused. */
export const settingsOf: Readonly<Record<FieldTypeName, z.ZodMiniType<FieldSettings>>> = {
  shortText: chosen,
  longText: none,
  number: ordered({ unit: all.unit, decimals: all.decimals, unique, ...bounds }),
  money: ordered({ currency: all.currency, ...bounds }),
  duration: z.strictObject({ dayMinutes: all.dayMinutes }),
  oneOption: none,
  severalOptions: none,
  people: z.strictObject({ single: all.single, craft: all.craft, among: all.among }),
  date: none,
  dateTime: none,
  checkbox: none,
  rating: z.strictObject({ scale: all.scale, sign: all.sign }),
  health: none,
  webLink: chosen,
  email: chosen,
  phone: chosen,
  relation: z.strictObject({ other: all.other, single: all.single }),
  votes: none,
  computed: needing(['formula', 'gives'], { formula: all.formula, ...given }),
  rollUp: needing(['over', 'how', 'gives'], {
    over: all.over,
    through: all.through,
    of: all.of,
    how: all.how,
    weight: all.weight,
    ...given,
  }),
  lookUp: needing(['over', 'of', 'gives'], { over: all.over, through: all.through, of: all.of, ...given }),
}

/** With some that have to be said. */
function needing<S extends z.core.$ZodLooseShape>(needed: readonly (keyof FieldSettings)[], shape: S) {
  const isWhole = (read: FieldSettings) => needed.every((one) => read[one] !== undefined)
  return z
    .strictObject(shape)
    .check(z.refine((read) => isWhole(read as FieldSettings))) as unknown as z.ZodMiniType<FieldSettings>
}

/** Of bounds, the least is not above the most. */
function ordered<S extends z.core.$ZodLooseShape>(shape: S): z.ZodMiniType<FieldSettings> {
  const isOrdered = ({ least, most }: FieldSettings) => least === undefined || most === undefined || least <= most
  return z
    .strictObject(shape)
    .check(z.refine((read) => isOrdered(read as FieldSettings))) as unknown as z.ZodMiniType<FieldSettings>
}
