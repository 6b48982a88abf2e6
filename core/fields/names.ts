/** The closed lists of the field layer, without any code that reads or checks them. */
export const optionColours = [
  'moss', 'reed', 'flax', 'oat', 'bark', 'blossom', 'foxglove', 'lilac', 'iris', 'rain', 'pond', 'slate',
] as const // prettier-ignore
/** One of the twelve colours of options. */
export type OptionColour = (typeof optionColours)[number]

/** Every field type by name. */
export const fieldTypeNames = [
  'shortText', 'longText', 'number', 'oneOption', 'severalOptions', 'people', 'date', 'checkbox',
] as const // prettier-ignore
/** The name of a field type; `fieldTypes` says what each can do. */
export type FieldTypeName = (typeof fieldTypeNames)[number]
