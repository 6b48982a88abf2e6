/** Cells to a spreadsheet and from one, and down a column: fetched once the page stands. */
import { plainSpeech, type Speech } from '#core/base/days-said'
import type { ItemId, ViewId } from '#core/model/records'
import type { PastedInput, RangeFault } from '#core/queries/range-cells'
import type { useChanges } from '../../data/changes'
import type { useAsk } from '../../data/use-ask'
import type { ViewInput } from '#core/queries/view'
import { rangeWords } from './range-words'

/** The table whose cells are copied and pasted. */
export interface RangeTable {
  readonly input: ViewInput
  readonly folded: readonly string[]
  /** Lines that are selected; none: the cell that has the keyboard alone. */
  readonly chosen: ReadonlySet<string>
  readonly at: { readonly row: number; readonly column: number }
  /** Ids of columns, in their order. */
  readonly columns: readonly string[]
  nameOf(column: string): string
}
interface Around {
  readonly ask: ReturnType<typeof useAsk>
  readonly changes: ReturnType<typeof useChanges>
  readonly speech: Speech
}

/** The selected items in the order of the view; without any, those on so many lines from where the keyboard is. */
async function itemsOf(table: RangeTable, { ask }: Around, lines: number): Promise<ItemId[]> {
  const { row } = table.at
  const where = table.chosen.size ? {} : { from: row, to: row + lines }
  const all = (await ask('itemsInView', { ...table.input, folded: table.folded, ...where })) ?? []
  return all.filter((id): id is ItemId => !table.chosen.size || table.chosen.has(id))
}

/** What a spreadsheet is given: the selected rows whole, or the cell. */
export async function copiedText(table: RangeTable, around: Around): Promise<string | undefined> {
  const items = await itemsOf(table, around, 1)
  const columns = table.chosen.size ? table.columns : table.columns.slice(table.at.column, table.at.column + 1)
  return around.ask('rangeCopied', { items, columns })
}

/** Pastes a text with its first cell where the keyboard is, or on the first of the selected rows. */
export async function pasteText(table: RangeTable, around: Around, text: string): Promise<void> {
  const lines = text.split('\n').length
  const items = await itemsOf(table, around, lines)
  await set(table, around, { items, columns: table.columns.slice(table.at.column), text, speech: around.speech })
}

/** The value of the first selected row goes into the others, in the column that has the keyboard. */
export async function fillDown(table: RangeTable, around: Around): Promise<void> {
  const [first, ...others] = await itemsOf(table, around, 1)
  const columns = table.columns.slice(table.at.column, table.at.column + 1)
  if (!first || !others.length) return around.changes.say(rangeWords.selectFirst)
  const text = await around.ask('rangeCopied', { items: [first], columns })
  if (text !== undefined) await set(table, around, { items: others, columns, text, speech: plainSpeech })
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
