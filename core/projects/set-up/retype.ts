import * as z from 'zod/mini'
import { textKey } from '../../base/collation'
import { list, text } from '../../base/schemas'
import * as ids from '../../base/id-schemas'
import { problem, type Problem } from '../../base/result'
import { changeRefusal } from '../../access/changing'
import { applied, defineCommand, type Context } from '../../change/command'
import { makes, type Change } from '../../change/patch'
import type { FieldContext, FieldTypeName, Value } from '../../fields/contract'
import { convertValue, type FieldAs } from '../../fields/convert'
import { fieldTypeNames } from '../../fields/names'
import { fieldTypes } from '../../fields/registry'
import { fieldSettings, settingsOf, type FieldSettings } from '../../fields/settings'
import { isSameValue } from '../../base/sorted-ids'
import { splitSeveral } from '../../fields/contract'
import { useNames } from '../../model/names'
import { fieldContext, itemKey, type Reader } from '../../model/reader'
import type { Field, Item, OptionOfField } from '../../model/records'
import { optionRecord } from '../../model/schemas'
import { uses } from '../../model/uses'
import { stamp } from '../../items/changes'
import { itemsWith } from './in-project'
import { mostOptions, optionsRefusal } from './most-fields'

/** What a field becomes: another type, or the same with settings under which its values are kept otherwise. */
export const retypeBody = z.object({
  target: ids.fieldId,
  from: z.object({ type: z.enum(fieldTypeNames), settings: fieldSettings }),
  to: z.object({ type: z.enum(fieldTypeNames), settings: fieldSettings }),
  /** Written behind each value before it is read anew: `h`, where numbers become durations. */
  unit: text(12),
  /** Made with it, where words become options. */
  options: list(optionRecord, mostOptions),
})
/** What a field becomes. */
export type Retyping = Readonly<z.infer<typeof retypeBody>>

/** Makes a field one of another type, and reads what items hold in it as that: what cannot be read is emptied. */
export const retypeField = defineCommand({
  type: 'field.retype',
  v: 1,
  body: retypeBody,
  projects: (reader, { target }) => [reader.maybe('field', target)?.project ?? []].flat(),
  check(reader, body, context): Problem | undefined {
    const field = reader.maybe('field', body.target)
    if (!field || field.archived) return problem('gone')
    return (
      changeRefusal(reader, context.by, 'field', field) ??
      checkMeanwhile(field, body) ??
      checkRetyping(reader, field, body)
    )
  },
  apply(reader, body, context) {
    const field = reader.maybe('field', body.target)!
    return applied([...recordChanges(field, body), ...valueChanges(reader, field, body, context)])
  },
})

function checkMeanwhile({ type, settings }: Field, { from }: Retyping): Problem | undefined {
  return type === from.type && isSameValue(settings, from.settings) ? undefined : problem('changed-meanwhile')
}

function checkRetyping(reader: Reader, field: Field, { to, options }: Retyping): Problem | undefined {
  const project = reader.maybe('project', field.project)
  const use = project && useNames.find((one) => project.uses[one] === field.id)
  if (!isRetyped(field.type) || !isRetyped(to.type)) return problem('cannot-become', { type: fieldTypes[to.type].label }) // prettier-ignore
  if (use && !uses[use].types.includes(to.type)) return problem('serves', { name: field.name, type: fieldTypes[to.type].label }) // prettier-ignore
  if (!settingsOf[to.type].safeParse(to.settings).success) return problem('wrong-value', { field: 'settings' })
  const held = reader.optionsOf(field.id)
  const takesSome = fieldTypes[to.type].choices === 'options'
  if (options.some((option) => !takesSome || option.field !== field.id || held.some(({ id }) => id === option.id)))
    return problem('wrong-value', { field: 'options' })
  return options.length ? optionsRefusal(held.length + options.length) : undefined
}

/** Whether fields of a type can become others, and others it: not where the words stand elsewhere, nobody gives them, or they are links. */
export const isRetyped = (type: FieldTypeName): boolean =>
  !fieldTypes[type].isApart && !fieldTypes[type].isWorkedOut && !fieldTypes[type].isLinked

/** The field first: what is held then belongs in a column of its new type. */
function recordChanges({ id, type, settings }: Field, { to, options }: Retyping): Change[] {
  return [
    ...(type === to.type ? [] : [{ entity: 'field' as const, id, field: 'type', before: type, after: to.type }]),
    ...(isSameValue(settings, to.settings) ? [] : [{ entity: 'field' as const, id, field: 'settings', before: settings, after: to.settings }]), // prettier-ignore
    ...options.map((option) => makes('option', option)),
  ]
}

function valueChanges(reader: Reader, field: Field, body: Retyping, context: Context): Change[] {
  const convert = conversion(reader, field, body)
  return itemsWith(reader, field.project, ({ values }) => values[field.id] !== undefined).flatMap((item): Change[] => {
    const [before, after] = [item.values[field.id]!, convert(item.values[field.id]!)]
    if (isSameValue(before, after)) return []
    return [{ entity: 'item', id: item.id, field: field.id, before, after }, ...stamp(item, context)]
  })
}

/** How a value of the field is read as what it becomes; null: nothing is kept of it. */
export function conversion(
  reader: Reader,
  field: Field,
  { to, unit, options }: Pick<Retyping, 'to' | 'unit' | 'options'>,
): (value: Value) => Value {
  const context = fieldContext(reader, field)
  const next: FieldContext = { ...context, settings: to.settings, options: [...context.options, ...options] }
  const from: FieldAs = { type: fieldTypes[field.type], context }
  const into: FieldAs = { type: fieldTypes[to.type], context: next }
  return (value) => convertValue(value, from, into, unit)
}

/** What would become of the values of a field. */
export interface RetypeOutcome {
  /** How many items hold something in it. */
  readonly held: number
  readonly kept: number
  /** The first of those of which nothing is kept, with what they hold. */
  readonly lost: readonly { readonly key: string; readonly text: string }[]
  /** What would have to be made so that words become options, in the order in which they come. */
  readonly words: readonly string[]
}

/** So many of the lost are shown. */
const shown = 20

/** What a field would become, before it does. */
export function retypeOutcome(reader: Reader, retyping: Retyping): RetypeOutcome {
  const field = reader.maybe('field', retyping.target)
  if (!field) return { held: 0, kept: 0, lost: [], words: [] }
  const convert = conversion(reader, field, retyping)
  const [type, context] = [fieldTypes[field.type], fieldContext(reader, field)]
  const holding = itemsWith(reader, field.project, ({ values }) => values[field.id] !== undefined)
  const lost = holding.filter(({ values }) => convert(values[field.id]!) === null)
  return {
    held: holding.length,
    kept: holding.length - lost.length,
    lost: lost
      .slice(0, shown)
      .map((item) => ({ key: itemKey(reader, item), text: type.print(item.values[field.id]!, context) })),
    words: wordsIn(
      lost,
      (item) => type.print(item.values[field.id]!, context),
      retyping.to,
      reader.optionsOf(field.id),
    ),
  }
}

/** The words of items that no option is called by, each once. */
function wordsIn(
  items: readonly Item[],
  print: (item: Item) => string,
  { type }: { readonly type: FieldTypeName; readonly settings: FieldSettings },
  options: readonly OptionOfField[],
): string[] {
  if (fieldTypes[type].choices !== 'options') return []
  const known = new Set(options.filter(({ archived }) => !archived).map(({ label }) => textKey(label)))
  const words: string[] = []
  for (const item of items)
    for (const word of fieldTypes[type].several ? splitSeveral(print(item)) : [print(item).trim()]) {
      const key = textKey(word)
      if (known.has(key) || !word) continue
      known.add(key)
      words.push(word.slice(0, 120))
    }
  return words
}
