/** Cells to a spreadsheet and from one, and down a column: fetched once the page stands. */
import { plainSpeech, type Speech } from '#core/base/days-said'
import type { Folds, ItemId, ViewId } from '#core/model/records'
import type { PastedInput, RangeFault } from '#core/queries/range-cells'
import type { useChanges } from '../../data/changes'
import type { useAsk } from '../../data/use-ask'
import type { ViewInput } from '#core/queries/view'
import { rangeWords } from './range-words'
import type { CellSpan } from './use-cell-span'

/** The table whose cells are copied and pasted. */
export interface RangeTable {
  readonly input: ViewInput
  readonly folds: Folds
  /** Lines that are selected; none: the cell that has the keyboard alone. */
  readonly chosen: ReadonlySet<string>
  readonly at: { readonly row: number; readonly column: number }
  /** The rectangle of cells that is selected; it goes before selected lines. */
  readonly span?: CellSpan | undefined
  /** Ids of columns, in their order. */
  readonly columns: readonly string[]
  nameOf(column: string): string
}
interface Around {
  readonly ask: ReturnType<typeof useAsk>
  readonly changes: ReturnType<typeof useChanges>
  readonly speech: Speech
}

/** The items of the selected cells or, else, of the selected lines in the order of the view; without any, those on so many lines from where the keyboard is. */
async function itemsOf(table: RangeTable, { ask }: Around, lines: number): Promise<ItemId[]> {
  const { span, at, chosen } = table
  const where = span
    ? { from: span.rows[0], to: span.rows[1] + 1 }
    : chosen.size
      ? {}
      : { from: at.row, to: at.row + lines }
  const all = (await ask('itemsInView', { ...table.input, folds: table.folds, ...where })) ?? []
  return all.filter((id): id is ItemId => !!span || !chosen.size || chosen.has(id))
}
/** The columns of the selected cells, or the one that has the keyboard. */
function columnsIn({ span, at, columns }: RangeTable): readonly string[] {
  const [from, to] = span?.columns ?? [at.column, at.column]
  return columns.slice(from, to + 1)
}

/** What a spreadsheet is given: the selected cells, the selected rows whole, or the cell. */
export async function copiedText(table: RangeTable, around: Around): Promise<string | undefined> {
  const items = await itemsOf(table, around, 1)
  const columns = !table.span && table.chosen.size ? table.columns : columnsIn(table)
  return around.ask('rangeCopied', { items, columns })
}

/**
 * Pastes a text with its first cell where the keyboard is, or on the first of what is selected. One cell goes into every
 * selected one, one line onto every selected line.
 */
export async function pasteText(table: RangeTable, around: Around, text: string): Promise<void> {
  const lines = text.replace(/\r?\n$/, '').split('\n')
  const items = await itemsOf(table, around, lines.length)
  const from = table.span?.columns[0] ?? table.at.column
  const isOne = lines.length === 1 && !lines[0]?.includes('\t')
  const wide = isOne ? columnsIn(table).map(() => lines[0]).join('\t') : lines[0]! // prettier-ignore
  const whole = table.span && lines.length === 1 ? items.map(() => wide).join('\n') : text
  await set(table, around, { items, columns: table.columns.slice(from), text: whole, speech: around.speech })
}

/** Empties the selected cells. */
export async function clearCells(table: RangeTable, around: Around): Promise<void> {
  const items = await itemsOf(table, around, 1)
  const columns = columnsIn(table)
  const text = items.map(() => columns.map(() => '').join('\t')).join('\n')
  // A text of nothing at all would be one cell.
  await set(table, around, { items, columns, text: `${text}\n`, speech: around.speech })
}

/** What the first selected row has goes into the others, in the selected columns or the one that has the keyboard. */
export async function fillDown(table: RangeTable, around: Around): Promise<void> {
  const [first, ...others] = await itemsOf(table, around, 1)
  const columns = columnsIn(table)
  if (!first || !others.length) return around.changes.say(rangeWords.selectFirst)
  const line = await around.ask('rangeCopied', { items: [first], columns })
  if (line === undefined) return
  const text = others.map(() => line).join('\n')
  await set(table, around, { items: others, columns, text, speech: plainSpeech })
}

async function set(table: RangeTable, { ask, changes }: Around, input: PastedInput): Promise<void> {
  const read = await ask('rangePasted', { ...input, through: table.input.view as ViewId })
  if (!read) return
  const { items, cells, faults, beyond } = read
  if (items.length) await changes.send({ type: 'items.set', items: [...items] })
  const said = [
    ...(faults.length || beyond ? [rangeWords.changed(cells)] : []),
    ...(beyond ? [rangeWords.beyond(beyond)] : []),
    ...(await faultWords(faults, table, changes)),
  ]
  if (said.length) changes.say(said.join(' '))
}
/** So many are named. */
const mostNamed = 3
async function faultWords(
  faults: readonly RangeFault[],
  { nameOf }: RangeTable,
  changes: Around['changes'],
): Promise<string[]> {
  const wordsOf = async ({ key, column, problem }: RangeFault) =>
    rangeWords.fault(key, nameOf(column), await changes.wordsFor(problem))
  const named = await Promise.all(faults.slice(0, mostNamed).map(wordsOf))
  return faults.length > mostNamed ? [...named, rangeWords.moreFaults(faults.length - mostNamed)] : named
}
