/** How a sheet is worked out: no part of what a worker begins with. */
import { foldText } from '../base/collation'
import { dateIn } from '../base/dates'
import { printCsv, safeText } from '../bring-in/print-csv'
import { figuresOf, fieldTypes, shownType, typeOf } from '../fields/registry'
import { valuesApart, type GroupHead } from '../layouts/rows'
import { fieldContext, itemKey, type Reader } from '../model/reader'
import type { Field, Item, ItemId, ViewDefinition } from '../model/records'
import { calledIn } from '../model/called'
import { fieldCell, ownCell } from './cell-text'
import { dayIn, type QueryContext } from './contract'
import { linesInView, type LinesInput, type WholeLine } from './view'

/** `values`: so that they can be read back. `shown`: as the view shows them, days as the reader writes them. */
export type SheetForm = 'values' | 'shown'
export interface SheetInput extends LinesInput {
  readonly as: SheetForm
  /** These items alone, in the order of the view; those that it does not hold come last. */
  readonly items?: readonly ItemId[]
}
/** A column of a sheet. */
export interface SheetColumn {
  readonly name: string
  readonly isNumber: boolean
  /** Its longest cell, in characters. */
  readonly width: number
}
/** A line of a sheet: an item's cells, or the head of a group. */
export type SheetLine = { readonly cells: readonly string[]; readonly level: number } | { readonly head: GroupHead }
/** A view as a sheet. */
export interface Sheet {
  readonly columns: readonly SheetColumn[]
  readonly lines: readonly SheetLine[]
}

const own = ['key', 'title', 'kind', 'status'] as const
const builtIn = [...own, 'part of'] as const

/** A view's rows as texts, with the heads of its groups; undefined: there is no such view. */
export function sheetOf(context: QueryContext, input: SheetInput): Sheet | undefined {
  const found = linesInView(context, input)
  return found && sheetWith(context, input, found, new Map())
}

type Found = NonNullable<ReturnType<typeof linesInView>>
function sheetWith(context: QueryContext, input: SheetInput, found: Found, texts: Texts): Sheet {
  const { definition, project } = found
  const fields = fieldsShown(context.state, definition).filter(
    ({ id, type }) => texts.has(id) || !fieldTypes[type].isApart,
  )
  const cells = cellsOf(context, fields, input.as, texts)
  const lines: SheetLine[] = linesOf(context, input, found.lines).map((line) =>
    'head' in line ? line : { cells: cells(line.item), level: line.level },
  )
  const names = [...builtIn.map((name) => (name === 'title' || name === 'status' ? (calledIn(context.state.maybe('project', project), name) ?? name) : name)), ...fields.map((field) => headOf(field, input.as))] // prettier-ignore
  const columns = names.map((name, i) => ({
    name,
    isNumber: i >= builtIn.length && typeOf(fields[i - builtIn.length]!).kind === 'number',
    width: lines.reduce((most, line) => ('cells' in line ? Math.max(most, line.cells[i]!.length) : most), name.length),
  }))
  return { columns, lines }
}

/** The sheet with the long texts that it shows, whose words the server has. */
export async function wholeSheetOf(context: QueryContext, input: SheetInput): Promise<Sheet | undefined> {
  const found = linesInView(context, input)
  if (!found) return undefined
  const texts = new Map<string, Readonly<Record<string, string>>>()
  for (const { id, type } of fieldsShown(context.state, found.definition))
    if (fieldTypes[type].isApart && context.server) texts.set(id, await context.server.longTexts(found.project, id))
  return sheetWith(context, input, found, texts)
}

/** A view's items as delimited text; '' where there is no such view. */
export async function csvOf(context: QueryContext, input: SheetInput): Promise<string> {
  const sheet = await wholeSheetOf(context, input)
  if (!sheet) return ''
  const safe = (cell: string, i: number): string => (sheet.columns[i]?.isNumber ? cell : safeText(cell))
  const records = sheet.lines.flatMap((line) => ('cells' in line ? [line.cells.map(safe)] : []))
  return printCsv(sheet.columns.map(({ name }) => safeText(name)), records) // prettier-ignore
}

/** The lines on which a view shows some words, from the first; and how many more are in groups that are folded. */
export interface FoundLines {
  readonly lines: readonly number[]
  readonly folded: number
}
export function foundLines(
  context: QueryContext,
  { words, folds, ...input }: LinesInput & { words: string },
): FoundLines {
  const asked = foldText(words).split(/\s+/).filter(Boolean)
  if (!asked.length) return { lines: [], folded: 0 }
  const seen = sheetOf(context, { ...input, ...(folds && { folds }), as: 'shown' })
  const isFound = (line: SheetLine): boolean => {
    if (!('cells' in line)) return false
    // What it is part of is not seen in its row.
    const text = foldText(line.cells.filter((_, i) => i !== own.length).join('\n'))
    return asked.every((word) => text.includes(word))
  }
  const lines = (seen?.lines ?? []).flatMap((line, i) => (isFound(line) ? i : []))
  const isFolded = folds && (folds.turned.length > 0 || folds.to !== undefined)
  const all = isFolded
    ? (sheetOf(context, { ...input, as: 'shown' })?.lines ?? []).filter(isFound).length
    : lines.length
  return { lines, folded: all - lines.length }
}

/** The lines of the view, or those of some items. An item that is in several groups comes once where no heads are told. */
function linesOf({ state }: QueryContext, { items, as }: SheetInput, all: readonly WholeLine[]): WholeLine[] {
  const once = new Set<string>()
  const wanted = items && new Set<string>(items)
  const lines = all.filter((line) => {
    if ('head' in line) return !wanted && as === 'shown'
    if ((wanted && !wanted.has(line.item.id)) || (as === 'values' && once.has(line.item.id))) return false
    once.add(line.item.id)
    return true
  })
  const others = (items ?? []).flatMap((id) => (once.has(id) ? [] : (state.maybe('item', id) ?? [])))
  return [...lines, ...others.map((item) => ({ item, level: 0 }))]
}

/** Long texts by field and item, where they are told too. */
type Texts = ReadonlyMap<string, Readonly<Record<string, string>>>

const fieldsShown = (reader: Reader, { show }: ViewDefinition): Field[] =>
  show.flatMap((id) => {
    const field = reader.maybe('field', id)
    return field && !field.archived ? [field] : []
  })

/** Of plain numbers: `h`. */
const unitOf = (field: Field): string => (shownType(field) === 'number' ? figuresOf(field).unit : '')
const headOf = (field: Field, as: SheetForm): string => {
  const unit = as === 'values' ? unitOf(field) : ''
  return unit ? `${field.name} (${unit})` : field.name
}

function cellsOf(
  context: QueryContext,
  fields: readonly Field[],
  as: SheetForm,
  texts: Texts,
): (item: Item) => string[] {
  const { state } = context
  const day = dayIn(context)
  const contexts = fields.map((field) => fieldContext(state, field))
  const cell = (field: Field, i: number, item: Item): string => {
    const words = texts.get(field.id)
    if (words) return words[item.id] ?? ''
    const value = item.values[field.id]
    if (value === undefined || value === null) return ''
    const type = fieldTypes[shownType(field)]
    if (as === 'shown' && type.kind === 'day') return day(String(value))
    if (as === 'shown' && type.kind === 'instant') return day(dateIn(state.workspace().timeZone, String(value)))
    if (as === 'shown' && type.kind === 'number' && typeof value === 'number') return figuresOf(field).say(value)
    // The unit is in the head, so that a spreadsheet has numbers.
    if (as === 'values' && unitOf(field) && typeof value === 'number') return figuresOf(field).bare(value)
    return fieldCell(state, item, field, contexts[i])
  }
  return (stored) => {
    const apart = valuesApart(state, context.today(), stored, fields)
    const item = apart ? { ...stored, values: { ...stored.values, ...apart } } : stored
    const parent = item.parent && state.maybe('item', item.parent)
    return [
      ...own.map((column) => ownCell(state, item, column) ?? ''),
      parent ? itemKey(state, parent) : '',
      ...fields.map((field, i) => cell(field, i, item)),
    ]
  }
}
