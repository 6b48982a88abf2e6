import { isSetChange, itemsOfChange, type Change } from '../change/patch'
import type { Entry } from '../change/command'
import { fieldTypes } from '../fields/registry'
import { describeChange } from '../fields/describe'
import type { Value } from '../fields/contract'
import { fieldContext, itemKey, type Reader } from '../model/reader'
import { farEnd, shownIn } from '../model/links'
import { isItemColumn, type EntityName, type Field, type Link, type MoveNote, type Overrule } from '../model/records'

/** Columns that a person is shown; the others follow from them. */
const shownColumns = ['title', 'kind', 'parent', 'archived'] as const

type Day = (date: string) => string

/** Whether a change stands in an item’s history. */
export const isOfItem = (change: Change, item: string): boolean =>
  itemsOfChange(change).includes(item) || isSaidOf(change, item)
const isSaidOf = ({ entity, id }: Change, item: string): boolean =>
  (entity === 'overrule' || entity === 'moveNote') && id.endsWith(`/${item}`)

/** What an entry did to one item, as sentences without who and when: `moved it from Noted to In hand`. */
export function sentencesOf(reader: Reader, entry: Pick<Entry, 'patch' | 'type'>, item: string, day: Day): string[] {
  // Where it stands in what it came into goes without saying.
  const isNested = entry.patch.some((change) => change.field === 'parent' && change.id === item)
  const sentences = entry.patch
    .filter((change) => isOfItem(change, item) && !(change.field === 'siblingRank' && isNested))
    .flatMap((change) => {
      if (change.entity === 'link') return linkSentence(reader, change, item)
      return change.entity === 'item' ? sentenceOf(reader, change, day) : saidSentence(reader, change)
    })
  return entry.type === 'revert' ? sentences.map((sentence) => `undid this: ${sentence}`) : sentences
}

/** What somebody said with what they did. */
function saidSentence(reader: Reader, change: Change): string[] {
  if (isSetChange(change) || !change.after) return []
  if (change.entity === 'moveNote') return [`noted: “${(change.after as MoveNote).text}”`]
  const { column, reason } = change.after as Overrule
  return [`let it past the limit of ${reader.maybe('column', column)?.name ?? 'a removed column'}: “${reason}”`]
}

/** A link, as the item at one of its ends tells it. */
function linkSentence(reader: Reader, change: Change, item: string): string[] {
  const link = linkIn(change)
  const by = link && reader.maybe('field', link.field)
  if (!link || !by) return []
  const name = reader.maybe('field', shownIn(link, by, item) ?? '')?.name ?? by.name
  const key = keyOf(reader, farEnd(link, item))
  return [linkIsMade(change) ? `added ${key} to ${name}` : `removed ${key} from ${name}`]
}
const linkIn = (change: Change): Link | undefined =>
  change.entity === 'link' && !isSetChange(change) ? ((change.after ?? change.before) as Link) : undefined
const linkIsMade = (change: Change): boolean => !isSetChange(change) && !!change.after

function sentenceOf(reader: Reader, change: Change, day: Day): string[] {
  const { field } = change
  if (isSetChange(change)) return valueSentences(reader, change, day)
  if (field === '*') return [change.after ? 'added it' : 'removed it']
  if (field === 'status')
    return [`moved it from ${statusName(reader, change.before)} to ${statusName(reader, change.after)}`]
  if (field === 'rank') return ['moved it in the order']
  if (field === 'siblingRank') return ['moved it in the outline']
  if ((shownColumns as readonly string[]).includes(field))
    return [columnSentence(reader, field as (typeof shownColumns)[number], change)]
  return isItemColumn(field) ? [] : valueSentences(reader, change, day)
}

function columnSentence(
  reader: Reader,
  field: (typeof shownColumns)[number],
  { before, after }: { before: unknown; after: unknown },
): string {
  if (field === 'title') return `renamed it from “${String(before)}”`
  if (field === 'archived') return after ? 'archived it' : 'restored it'
  if (field === 'kind') return `made it a ${reader.maybe('kind', String(after))?.name ?? 'removed kind'}`
  return after ? `moved it into ${keyOf(reader, after)}` : `moved it out of ${keyOf(reader, before)}`
}

function valueSentences(reader: Reader, change: Change, day: Day): string[] {
  const field = reader.maybe('field', change.field)
  return describeChange(field && fieldTypes[field.type], field?.name ?? 'a removed field', change, (value) =>
    valueWords(reader, field, value, day),
  )
}

function valueWords(reader: Reader, field: Field | undefined, value: unknown, day: Day): string {
  if (!field || value === null || value === undefined) return ''
  const type = fieldTypes[field.type]
  if (type.kind === 'day') return day(String(value))
  return type.print(value as Value, fieldContext(reader, field)).replaceAll('; ', ' and ')
}

const statusName = (reader: Reader, id: unknown): string =>
  reader.maybe('status', String(id))?.name ?? 'a removed status'
function keyOf(reader: Reader, id: unknown): string {
  const item = reader.maybe('item', String(id))
  return item ? itemKey(reader, item) : 'an item that is gone'
}

/** What undo would undo: `moving GLH-109 to Ready`, `changing effort of GLH-119`, `adding 12 items`. */
export function nameOf(reader: Reader, type: string, patch: readonly Change[]): string {
  // Whoever leaves hands items over: that they leave is what happens.
  const leaving = patch.find(({ entity, field }) => entity === 'person' && field === 'active')
  if (leaving) return nameOfAccess(reader, leaving, [leaving])
  const setUp = patch.find(({ entity }) => entity in setUpWords)
  if (setUp && type !== 'bring-in' && type !== 'projects.create' && type !== 'projects.delete')
    return nameOfSetUp(reader, setUp, setUpWords[setUp.entity] ?? '')
  const items = [...new Set(patch.filter((one) => one.entity === 'item').map((one) => one.id))]
  const made = patch.filter((one) => one.entity === 'item' && one.field === '*' && !isSetChange(one) && one.after)
  if (type === 'projects.delete') return 'deleting a project for good'
  if (type === 'bring-in') return `bringing in ${many(made.length)}`
  if (made.length) return `adding ${made.length === 1 ? label(reader, made[0]) : many(made.length)}`
  const first = items[0]
  if (!first) return nameOfOther(reader, patch)
  const which = items.length === 1 ? keyOf(reader, first) : many(items.length)
  const change = patch.find((one) => one.entity === 'item' && isWorthNaming(one.field))
  const link = change ? undefined : patch.flatMap((one) => linkIn(one) ?? [])[0]
  const by = link && reader.maybe('field', link.field)
  if (by) return `changing ${reader.maybe('field', shownIn(link, by, first) ?? '')?.name ?? by.name} of ${which}`
  if (!change) return `changing ${which}`
  if (change.field === 'status' && !isSetChange(change)) return `moving ${which} to ${statusName(reader, change.after)}`
  if (orders.has(change.field)) return `reordering ${which}`
  if (change.field === 'parent' && !isSetChange(change))
    return `moving ${which} ${change.after ? `into ${keyOf(reader, change.after)}` : 'to the top'}`
  if (change.field === 'archived' && !isSetChange(change)) return `${change.after ? 'archiving' : 'restoring'} ${which}`
  const name = isItemColumn(change.field)
    ? change.field
    : (reader.maybe('field', change.field)?.name ?? 'a removed field')
  return `changing ${name} of ${which}`
}

const many = (n: number): string => `${n} ${n === 1 ? 'item' : 'items'}`
/** Columns that say where an item stands among others. */
const orders: ReadonlySet<string> = new Set(['rank', 'siblingRank'])
const isWorthNaming = (field: string): boolean =>
  !isItemColumn(field) || field === 'status' || orders.has(field) || (shownColumns as readonly string[]).includes(field)
const label = (reader: Reader, change: Change | undefined): string => {
  const item = change && reader.maybe('item', change.id)
  return item ? (item.number ? itemKey(reader, item) : `“${item.title}”`) : ''
}
/** What an entry that is about no item did, by its first change. */
function nameOfOther(reader: Reader, patch: readonly Change[]): string {
  const first = patch.find((change) => change.entity === 'project') ?? patch[0]
  if (first?.entity === 'person' || first?.entity === 'member') return nameOfAccess(reader, first, patch)
  if (first?.entity === 'preference') return 'changing your settings'
  if (first?.entity !== 'view' && first?.entity !== 'project') return 'a change'
  const record = recordOf(reader, first) as Named | undefined
  return `${doingOf(first)} the ${first.entity} ${record?.name ?? ''}`.trim()
}
/** What a project is set up with, by what its record is called. */
const setUpWords: Readonly<Partial<Record<EntityName, string>>> = {
  status: 'status', step: 'status', workflow: 'workflow', kind: 'kind', field: 'field', option: 'option',
  column: 'column', columnStatus: 'column', limit: 'limit',
} // prettier-ignore
/** `removing the status Being checked`, `changing the limit of In hand`. */
function nameOfSetUp(reader: Reader, change: Change, what: string): string {
  const record = recordOf(reader, change) as Partial<Named & Record<'label' | 'column' | 'status', string>> | undefined
  const { entity } = change
  if (change.field === 'name' && !isSetChange(change))
    return `renaming the ${what} ${String(change.before)} to ${String(change.after)}`
  const column = reader.maybe('column', record?.column ?? change.id.split('/')[0] ?? '')?.name ?? ''
  if (entity === 'limit') return `changing the limit of ${column}`.trim()
  if (entity === 'columnStatus') return `changing what ${column} holds`
  if (entity === 'kind' && change.field === 'workflow') return `changing the workflow of ${record?.name ?? ''}`
  const named = entity === 'step' ? statusName(reader, record?.status ?? change.id.split('/')[1]) : (record?.name ?? record?.label ?? '') // prettier-ignore
  const doing = doingOf(change) === 'archiving' ? 'removing' : doingOf(change)
  return `${doing} the ${what} ${named}`.trim()
}
/** The record that a change makes, takes away or changes. */
const recordOf = (reader: Reader, change: Change): unknown =>
  change.field === '*' && !isSetChange(change)
    ? (change.after ?? change.before)
    : reader.maybe(change.entity, change.id)
function doingOf(change: Change): string {
  if (isSetChange(change)) return 'changing'
  if (change.field === '*') return change.after ? 'adding' : 'removing'
  if (change.field === 'archived') return change.after ? 'archiving' : 'restoring'
  return change.field === 'rank' ? 'reordering' : 'changing'
}
function nameOfAccess(reader: Reader, change: Change, patch: readonly Change[]): string {
  const { entity, id, field } = change
  const person = (of: string) => (entity === 'person' ? of : (of.split('/')[1] ?? ''))
  const people = new Set(patch.flatMap((one) => (one.entity === entity ? [person(one.id)] : [])))
  const name = people.size > 1 ? `${people.size} people` : (reader.maybe('person', person(id))?.name ?? 'someone')
  if (entity === 'person' && field === '*') return 'adding people'
  if (field === 'active') return !isSetChange(change) && change.after ? `bringing ${name} back` : `removing ${name}`
  const own = entity === 'person' ? ownWords[field] : undefined
  return own ? `changing ${name}’s ${own}` : `changing what ${name} may do`
}
const ownWords: Readonly<Record<string, string>> = {
  name: 'name',
  colour: 'colour',
  craft: 'craft',
  hours: 'hours',
  email: 'e-mail',
}
interface Named {
  readonly name: string
}
