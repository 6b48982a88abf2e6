import type { Folds } from '#core/model/records'
import type { ViewInput } from '#core/queries/view'
import { useChanges } from '../../data/changes'
import { useDirectory } from '../../data/directory'
import { useSelection } from '../../data/selection'
import { speechOf } from '../../data/speech'
import { useAsk } from '../../data/use-ask'
import { copyText } from '../../parts/copy'
import { ranges } from './beside'
import type { TableColumn } from './columns'
import type { CellSpan } from './use-cell-span'

interface Table {
  input(): ViewInput
  folds(): Folds
  /** The cell that has the keyboard. */
  at(): { readonly row: number; readonly column: number }
  span(): CellSpan | undefined
  columns(): readonly TableColumn[]
  mayPaste(): boolean
}

/** Cells of a table that are copied, filled downwards, and pasted into. */
export function useRange({ input, folds, at, span, columns, mayPaste }: Table) {
  const ask = useAsk()
  const changes = useChanges()
  const directory = useDirectory()
  const selection = useSelection()

  async function range(act: 'copy' | 'fill' | 'clear' | 'paste', text = ''): Promise<void> {
    const { clearCells, copiedText, fillDown, pasteText } = await ranges()
    const table = {
      input: input(), folds: folds(), chosen: new Set(selection.ids), at: at(), span: span(), columns: columns().map(({ id }) => id),
      nameOf: (id: string) => columns().find((one) => one.id === id)?.name ?? '',
    } // prettier-ignore
    const around = { ask, changes, speech: speechOf(directory) }
    if (act === 'clear') return clearCells(table, around)
    if (act === 'fill') return fillDown(table, around)
    if (act === 'paste') return pasteText(table, around, text)
    const copied = await copiedText(table, around)
    if (copied !== undefined) await copyText(copied)
  }
  function pasted(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain')
    const isCell = (event.target as HTMLElement).getAttribute('role') === 'gridcell'
    if (!text || !isCell || !mayPaste()) return
    event.preventDefault()
    void range('paste', text)
  }
  return { range, pasted }
}
