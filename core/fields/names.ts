/** The closed lists of the field layer, without any code that reads or checks them. */
export const optionColours = [
  'moss', 'reed', 'flax', 'oat', 'bark', 'blossom', 'foxglove', 'lilac', 'iris', 'rain', 'pond', 'slate',
] as const // prettier-ignore
/** One of the twelve colours of options. */
export type OptionColour = (typeof optionColours)[number]

/** Every field type by name. */
export const fieldTypeNames = [
  'shortText', 'longText', 'number', 'money', 'duration', 'oneOption', 'severalOptions', 'people', 'date', 'dateTime',
  'checkbox', 'rating', 'health', 'webLink', 'email', 'phone', 'relation', 'votes', 'computed', 'rollUp', 'lookUp',
] as const // prettier-ignore
/** The name of a field type; `fieldTypes` says what each can do. */
export type FieldTypeName = (typeof fieldTypeNames)[number]

/** As what a field that is worked out from others can be shown, asked and totalled. */
export const givenTypes = [
  'shortText', 'number', 'money', 'duration', 'oneOption', 'severalOptions', 'people', 'date', 'dateTime', 'checkbox',
  'rating', 'health', 'webLink', 'email', 'phone',
] as const satisfies readonly FieldTypeName[] // prettier-ignore
/** As what a worked-out field is shown. */
export type GivenType = (typeof givenTypes)[number]
/** Which items a roll-up or a look-up reads: those directly inside, all inside at every level, the one it is inside of, or those that it is linked to. */
export const reaches = ['children', 'inside', 'parent', 'relation'] as const
/** Which items a roll-up or a look-up reads. */
export type Reach = (typeof reaches)[number]
/** What a roll-up makes of what it reads. */
export const rollUpNames = [
  'count', 'sum', 'average', 'least', 'most', 'earliest', 'latest', 'worst', 'finished',
] as const // prettier-ignore
/** What a roll-up makes of what it reads. */
export type RollUpName = (typeof rollUpNames)[number]

/** The signs that a rating can be drawn with. */
export const ratingSigns = ['leaf', 'sun', 'drop', 'flame', 'heart'] as const
/** A sign of ratings. */
export type RatingSign = (typeof ratingSigns)[number]
