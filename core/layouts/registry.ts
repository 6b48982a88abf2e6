import type { LayoutName } from '../model/names'
import { board } from './board'
import type { Layout } from './contract'
import { outline } from './outline'
import type { LayoutAnswer, LayoutAnswers } from './said'
import { table } from './table'

/** What every layout asks and answers. */
export const layouts: { readonly [L in LayoutName]: Layout<L, LayoutAnswers[L]> } = { table, board, outline }

/** That of a definition, which is of its kind. */
export const layoutOf = (definition: { readonly layout: LayoutName }): Layout<LayoutName, LayoutAnswer> =>
  layouts[definition.layout] as unknown as Layout<LayoutName, LayoutAnswer>
