import { textKey } from '#core/base/collation'
import { rankAfter, rankBetween } from '#core/base/ranks'
import type { BareCommand } from '#core/commands/registry'
import { fieldTypeNames, optionColours, type FieldTypeName } from '#core/fields/names'
import { fieldTypes } from '#core/fields/registry'
import { useNames } from '#core/model/names'
import { uses } from '#core/model/uses'
import { isRetyped } from '#core/projects/set-up/retype'
import type { FieldSettings } from '#core/fields/settings'
import { fieldsOf, type Reader } from '#core/model/reader'
import { isEmptyValue } from '#core/fields/value'
import type { Fallback, Field, FieldId, OptionId, ProjectId } from '#core/model/records'

/** What is said of a field that is to be made. */
export interface NewField {
  readonly project: ProjectId
  readonly name: string
  readonly help: string
  readonly type: FieldTypeName
  readonly settings: FieldSettings
  readonly options: readonly string[]
  readonly required?: boolean
  readonly fallback?: Fallback | null
  /** The option that a new item has; '' for none. */
  readonly chosen?: string
  /** Of a relation: its name at the other end, and whether that takes one item; '' where both ends are alike. */
  readonly far?: { readonly name: string; readonly single: boolean }
  /** The field that it comes after; none: the last. */
  readonly after?: FieldId | undefined
}

/** Typed or pasted lines as options: trimmed, without empty ones. `twice`: what stands there more than once. */
export function readOptions(text: string): { readonly labels: readonly string[]; readonly twice: string | undefined } {
  const labels = text.split(/[\n\t]/).map((line) => line.trim().replace(/\s+/g, ' ')).filter(Boolean) // prettier-ignore
  const seen = new Set<string>()
  const twice = labels.find((label) => seen.size === seen.add(textKey(label)).size)
  return { labels, twice }
}

/** The command that makes it: its options coloured in turn, in the order in which they are written. */
export function newField(reader: Reader, made: NewField, newId: () => string): BareCommand {
  const id = newId() as FieldId
  const all = fieldsOf(reader, made.project)
  const at = all.findIndex((field) => field.id === made.after)
  const rank = at < 0 ? rankAfter(all) : rankBetween(all[at]!.rank, all[at + 1]?.rank)
  const field: Field = {
    id, project: made.project, name: made.name.trim(), help: made.help.trim(), type: made.type, settings: made.settings, rank, archived: false,
  } // prettier-ignore
  let last: string | undefined
  const labels = fieldTypes[made.type].choices === 'options' ? made.options : []
  const options = labels.map((label, i) => {
    last = rankBetween(last, undefined)
    const colour = optionColours[i % optionColours.length]!
    return { id: newId() as OptionId, field: id, label, colour, rank: last, archived: false }
  })
  const { several } = fieldTypes[made.type]
  const chosen = options.find(({ label }) => label === made.chosen)?.id
  const said = made.fallback?.is === 'value' && isEmptyValue(made.fallback.value) ? null : (made.fallback ?? null)
  const fallback: Fallback | null = chosen ? { is: 'value', value: several ? [chosen] : chosen } : said
  const name = made.far?.name.trim()
  if (!name || !fieldTypes[made.type].isLinked)
    return { type: 'field.make', field: { ...field, required: made.required || null, fallback }, options }
  const next = all.find((one) => one.rank > rank)?.rank
  const other: Field = { ...field, id: newId() as FieldId, name, help: '', rank: rankBetween(rank, next), settings: { other: id, ...(made.far?.single && { single: true }) } } // prettier-ignore
  return { type: 'field.make', field: { ...field, settings: { ...field.settings, other: other.id } }, options, other }
}

/** The types that a field can become: none where its values stand elsewhere; only those that can serve as it serves. */
export function retypes(field: Field, reader: Pick<Reader, 'maybe'>): FieldTypeName[] {
  if (!isRetyped(field.type)) return []
  const project = reader.maybe('project', field.project)
  const use = useNames.find((one) => project?.uses[one] === field.id)
  return fieldTypeNames.filter((type) => isRetyped(type) && (!use || uses[use].types.includes(type)))
}
