/** The closed lists of the field layer, without any code that reads or checks them. */
export const optionColours = [
  'moss', 'reed', 'flax', 'oat', 'bark', 'blossom', 'foxglove', 'lilac', 'iris', 'rain', 'pond', 'slate',
] as const // prettier-ignore
/** One of the twelve colours of options. */
export type OptionColour = (typeof optionColours)[number]

/** Every field type by name. */
export const fieldTypeNames = [
  'shortText', 'longText', 'number', 'money', 'duration', 'oneOption', 'severalOptions', 'people', 'date', 'dateTime',
  'checkbox', 'rating', 'health', 'webLink', 'email', 'phone', 'votes',
] as const // prettier-ignore
/** The name of a field type; `fieldTypes` says what each can do. */
export type FieldTypeName = (typeof fieldTypeNames)[number]

/** The signs that a rating can be drawn with. */
export const ratingSigns = ['leaf', 'sun', 'drop', 'flame', 'heart'] as const
/** A sign of ratings. */
export type RatingSign = (typeof ratingSigns)[number]
