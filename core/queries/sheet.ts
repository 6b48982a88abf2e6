/** What a view shows, as a sheet of texts: to be taken out or printed. */
import { askedQuery } from './contract'
import type { FoundLines, Sheet, SheetInput } from './sheet-lines'
import type { LinesInput } from './view'

export type { Sheet, SheetColumn, SheetForm, SheetInput } from './sheet-lines'

const fetchSheets = () => import('./sheet-lines')
/** A view's rows as texts, with the heads of its groups; undefined: there is no such view. */
export const sheet = askedQuery<SheetInput, Sheet | undefined>(async (context, input) =>
  (await fetchSheets()).wholeSheetOf(context, input),
)
/** A view's items as delimited text; '' where there is no such view. */
export const csv = askedQuery<SheetInput, string>(async (context, input) => (await fetchSheets()).csvOf(context, input))
/** Where a view shows some words. */
export const foundInView = askedQuery<LinesInput & { readonly words: string }, FoundLines>(async (context, input) =>
  (await fetchSheets()).foundLines(context, input),
)
