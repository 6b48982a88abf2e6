/** Ranges of cells, to a spreadsheet and from one. */
import { askedQuery } from './contract'
import type { PastedInput, RangeAnswer, RangeInput } from './range-cells'

const fetchRanges = () => import('./range-cells')
/** Cells as text, tabs between them. */
export const rangeCopied = askedQuery<RangeInput, string>(async (context, input) =>
  (await fetchRanges()).copiedCells(context, input),
)
/** What a pasted text sets in cells, read as if it were typed there; what it cannot set is told cell by cell. */
export const rangePasted = askedQuery<PastedInput, RangeAnswer>(async (context, input) =>
  (await fetchRanges()).pastedCells(context, input),
)
