/** What happened to an item, as sentences: no part of what a worker begins with. */
import type { Entry } from '../change/command'
import { isSetChange, type Change } from '../change/patch'
import type { Value } from '../fields/contract'
import { describeChange } from '../fields/describe'
import { fieldTypes } from '../fields/registry'
import { farEnd, shownIn } from '../model/links'
import { fieldContext, type Reader } from '../model/reader'
import { isItemColumn, type Field, type MoveNote, type Overrule } from '../model/records'
import { isOfItem, keyOf, linkIn, shownColumns, statusName } from './history'

type Day = (date: string) => string

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

const linkIsMade = (change: Change): boolean => !isSetChange(change) && !!change.after

/** What of an item a column is. */
export const columnWords: Readonly<Record<string, string>> = {
  title: 'title',
  status: 'status',
  kind: 'kind',
  parent: 'what it is inside',
  archived: 'whether it is archived',
}
