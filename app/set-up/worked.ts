/** How worked-out fields are begun: what each can read, and what follows from that for how it is shown. */
import { givenTypes, reaches, type GivenType, type Reach, type RollUpName } from '#core/fields/names'
import { figuresOf, shownType } from '#core/fields/registry'
import type { FieldSettings } from '#core/fields/settings'
import type { Field, FieldId } from '#core/model/records'
import { canBeLookedUp, canWeigh, rollUpsOf } from '#core/worked-out/choices'

/** The fields that a roll-up can read. */
export const readBy = (how: RollUpName, fields: readonly Field[]): Field[] =>
  fields.filter((field) => rollUpsOf(field).includes(how))
/** The fields by which the finished share can be weighed. */
export const weights = (fields: readonly Field[]): Field[] => fields.filter(canWeigh)
/** The fields that can be looked up. */
export const lookedUp = (fields: readonly Field[]): Field[] => fields.filter(canBeLookedUp)

/** How the numbers of a field are shown, for one that is worked out from them. */
function numbersLike({ type, settings }: Field, fewest = 0): FieldSettings {
  const { unit, currency, dayMinutes } = settings
  const shown = shownType({ type, settings })
  if (shown === 'money') return { gives: 'money', ...(currency && { currency }) }
  if (shown === 'duration') return { gives: 'duration', ...(dayMinutes && { dayMinutes }) }
  const decimals = Math.max(figuresOf({ type, settings }).decimals, fewest)
  return { gives: 'number', ...(unit && { unit }), ...(decimals && { decimals }) }
}
/** Averages lie between whole numbers. */
const ofAverages = 2

/** Which items are read: by a way through the hierarchy, or by a relation. */
export type Over = Exclude<Reach, 'relation'> | FieldId
const overSettings = (over: Over): FieldSettings => (isReach(over) ? { over } : { over: 'relation', through: over })
const isReach = (over: Over): over is Exclude<Reach, 'relation'> => (reaches as readonly string[]).includes(over)
/** The way that settings say, as it is chosen. */
export const overOf = ({ over, through }: FieldSettings): Over | undefined => (over === 'relation' ? through : over)

/** What somebody says of a roll-up. */
export interface RollUpSaid {
  readonly how: RollUpName
  readonly over: Over
  readonly of: Field | undefined
  readonly weight: Field | undefined
}
/** The settings of a roll-up; undefined while it is not said what it reads. */
export function rollUpSettings({ how, over, of, weight }: RollUpSaid): FieldSettings | undefined {
  const begun = { how, ...overSettings(over) }
  if (how === 'count') return { ...begun, gives: 'number' }
  if (how === 'finished') return { ...begun, gives: 'number', unit: '%', ...(weight && { weight: weight.id }) }
  if (!of) return undefined
  if (how === 'earliest' || how === 'latest') return { ...begun, of: of.id, gives: 'date' }
  if (how === 'worst') return { ...begun, of: of.id, gives: 'health' }
  return { ...begun, of: of.id, ...numbersLike(of, how === 'average' ? ofAverages : 0) }
}

/** The settings of a look-up. */
export function lookUpSettings(of: Field, over: Over): FieldSettings {
  const shown = givenTypes.find((one) => one === shownType(of))
  const { scale, sign } = of.settings
  if (figuresOf(of).decimals || shown === 'number' || shown === 'money' || shown === 'duration')
    return { ...overSettings(over), of: of.id, ...numbersLike(of) }
  return {
    ...overSettings(over),
    of: of.id,
    gives: shown ?? 'shortText',
    ...(scale && { scale }),
    ...(sign && { sign }),
  }
}

/** As what a formula is shown where nobody says it: as money or a duration where it reckons with such. */
export function proposedGives(gives: readonly GivenType[], named: readonly Field[]): GivenType | undefined {
  const types = named.map(shownType).filter((type) => type === 'number' || type === 'money' || type === 'duration')
  const like = types.includes('money') ? 'money' : types.length && types.every((type) => type === 'duration') ? 'duration' : undefined // prettier-ignore
  return gives.find((one) => one === like) ?? gives[0]
}

/** How many decimals a formula's result has, where nobody says it: as many as what it names, two where it divides. */
export const decimalsOf = (formula: string, named: readonly Field[]): number =>
  Math.max(0, ...named.map((field) => figuresOf(field).decimals), /\/|average|\d\.\d/.test(formula) ? ofAverages : 0)
