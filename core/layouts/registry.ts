import type { LayoutName } from '../model/names'
import type { ViewDefinition } from '../model/records'
import { board, type BoardAnswer } from './board'
import type { Layout } from './contract'
import type { ListLine, Stretch } from './rows'
import { table, type TableAnswer } from './table'

/** What each layout answers. */
export interface LayoutAnswers {
  table: TableAnswer
  board: BoardAnswer
}
/** The answer of any layout. */
export type LayoutAnswer = LayoutAnswers[LayoutName]

/** Every layout there is. */
export const layouts: { readonly [L in LayoutName]: Layout<L, LayoutAnswers[L]> } = { table, board }

/** The layout of a definition, which is of its kind. */
export const layoutOf = (definition: Pick<ViewDefinition, 'layout'>): Layout<LayoutName, LayoutAnswer> =>
  layouts[definition.layout] as unknown as Layout<LayoutName, LayoutAnswer>

/** An answer with its lists mapped; `list` names each of them within the answer. */
export const mapLists = (
  answer: LayoutAnswer,
  map: (list: string, stretch: Stretch<ListLine>) => Stretch,
): LayoutAnswer => layoutOf(answer).mapLists(answer, map)
