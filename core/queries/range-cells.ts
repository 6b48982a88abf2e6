/** How ranges of cells are written and read: no part of what a worker begins with. */
import Papa from 'papaparse'
import { isSameText } from '../base/collation'
import type { Speech } from '../base/days-said'
import type { CommandId } from '../base/ids'
import { fail, ok, problem, type Problem, type Result } from '../base/result'
import { idsMissingFrom, isSameValue } from '../base/sorted-ids'
import { personActor } from '../change/actor'
import type { Context } from '../change/command'
import { commandOf, judge, type BareCommand } from '../commands/registry'
import { isEmptyValue, type Value } from '../fields/contract'
import { fieldTypes, isWorkedOut } from '../fields/registry'
import { idsOf } from '../fields/value'
import type { Setting } from '../items/set'
import { normalised, severalIn } from '../items/values'
import { valuesApart } from '../layouts/rows'
import { fieldContext, itemKey, kindsOf, statusesOfKind, type Reader } from '../model/reader'
import type { Field, Item, ItemId, ViewId } from '../model/records'
import { fieldCell, ownCell } from './cell-text'
import type { QueryContext } from './contract'

/** Cells of a table: these items by these columns, each the id of a field or the name of what every item has. */
export interface RangeInput {
  readonly items: readonly ItemId[]
  readonly columns: readonly string[]
}
/** A text that is pasted with its first cell on the first of them. */
export interface PastedInput extends RangeInput {
  readonly text: string
  /** How whoever pastes it writes numbers and days. */
  readonly speech: Speech
  /** The view in which it is pasted. */
  readonly through?: ViewId | undefined
}
/** A cell that stays as it is, and why. */
export interface RangeFault {
  readonly key: string
  readonly column: string
  readonly text: string
  readonly problem: Problem
}
/** What a pasted range sets. */
export interface RangeAnswer {
  readonly items: readonly { readonly item: ItemId; readonly set: Readonly<Record<string, Setting>> }[]
  /** How many cells change. */
  readonly cells: number
  readonly faults: readonly RangeFault[]
  /** Lines of the text for which there is no item. */
  readonly beyond: number
}

/** The most items that one command sets. */
const mostItems = 1000

/** Cells as a spreadsheet takes them: tabs between columns, each value so that it is read back as the same. */
export function copiedCells({ state, today }: QueryContext, { items, columns }: RangeInput): string {
  const fields = new Map(columns.flatMap((id) => [[id, state.maybe('field', id)] as const]))
  const shown = [...fields.values()].flatMap((field) => field ?? [])
  const rows = items.flatMap((id) => {
    const stored = state.maybe('item', id)
    if (!stored) return []
    const apart = valuesApart(state, today(), stored, shown)
    const item = apart ? { ...stored, values: { ...stored.values, ...apart } } : stored
    return [columns.map((column) => textOf(state, item, column, fields.get(column)))]
  })
  return Papa.unparse(rows, { delimiter: '\t', newline: '\n' })
}

const textOf = (reader: Reader, item: Item, column: string, field: Field | undefined): string =>
  ownCell(reader, item, column) ?? (field ? fieldCell(reader, item, field) : '')

/** What a text sets in the cells from the first on, each read as if it were typed there. One cell alone goes into all of them. */
export function pastedCells(
  context: QueryContext,
  { items, columns, text, speech, through }: PastedInput,
): RangeAnswer {
  const { state } = context
  const lines = Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' }).data
  const isOne = lines.length === 1 && lines[0]?.length === 1
  const faults: RangeFault[] = []
  const sets: RangeAnswer['items'][number][] = []
  let cells = 0
  for (const [i, id] of items.slice(0, mostItems).entries()) {
    const item = state.maybe('item', id)
    const line = isOne ? lines[0] : lines[i]
    if (!item || !line) continue
    const set: Record<string, Setting> = {}
    for (const [k, typed] of line.entries()) {
      const column = columns[k]
      if (column === undefined) continue
      const read = settingOf(state, item, column, typed, speech)
      const refused = read.ok ? read.value && refusedFor(context, id, { [column]: read.value }, through) : read.problem
      if (refused) faults.push({ key: itemKey(state, item), column, text: typed, problem: refused })
      else if (read.ok && read.value) set[column] = read.value
    }
    const n = Object.keys(set).length
    cells += n
    if (n) sets.push({ item: id, set })
  }
  const room = Math.min(items.length, mostItems)
  return { items: sets, cells, faults, beyond: isOne ? 0 : Math.max(0, lines.length - room) }
}

/** Undefined: it says what stands there. */
function settingOf(
  reader: Reader,
  item: Item,
  column: string,
  typed: string,
  speech: Speech,
): Result<Setting | undefined> {
  const text = typed.trim()
  const named = <T extends { readonly id: string; readonly name: string }>(
    all: readonly T[],
  ): Result<Setting | undefined> => {
    const found = all.find(({ name }) => isSameText(name, text))
    if (!found) return fail(problem('wrong-value', { text }))
    const from = item[column as 'kind' | 'status']
    return ok(from === found.id ? undefined : { from, to: found.id })
  }
  if (column === 'title') return ok(text === item.title ? undefined : { from: item.title, to: text })
  if (column === 'kind') return named(kindsOf(reader, item.project))
  if (column === 'status') return named(statusesOfKind(reader, item.kind))
  const field = reader.maybe('field', column)
  // What nobody types stays, and only says so where something else was pasted.
  if (!field || isWorkedOut(field) || fieldTypes[field.type].isApart) return textOf(reader, item, column, field) === text || (!field && column === 'key') ? ok(undefined) : fail(problem('worked-out', { field: field?.name ?? '' })) // prettier-ignore
  const read = fieldTypes[field.type].parse(text, fieldContext(reader, field, speech))
  if (!read.ok) return read
  return ok(changeTo(reader, item, field, normalised(read.value)))
}

function changeTo(reader: Reader, item: Item, field: Field, to: Value): Setting | undefined {
  if (fieldTypes[field.type].several) {
    const [held, next] = [severalIn(reader, item, field), idsOf(to)]
    const [add, remove] = [idsMissingFrom(next, held), idsMissingFrom(held, next)]
    return add.length || remove.length ? { add: [...add], remove: [...remove] } : undefined
  }
  const from = item.values[field.id] ?? null
  return isSameValue(from, to) || (isEmptyValue(from) && isEmptyValue(to)) ? undefined : { from, to }
}

function refusedFor(
  { state, me, today }: QueryContext,
  item: ItemId,
  set: Readonly<Record<string, Setting>>,
  through: ViewId | undefined,
): Problem | undefined {
  const command = commandOf('' as CommandId, { type: 'items.set', items: [{ item, set }], through } as BareCommand)
  const now = `${today()}T00:00:00.000Z`
  const context: Context = { command: command.id, by: personActor(me), now, today: today(), isRoom: false, entryOf: () => undefined, longText: () => undefined } // prettier-ignore
  const judged = judge(state, command, context)
  return judged.ok ? undefined : judged.problem
}
