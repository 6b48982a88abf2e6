import type { LayoutName } from '../model/names'
import { board, type BoardAnswer } from './board'
import type { Layout } from './contract'
import { outline, type OutlineAnswer } from './outline'
import type { ListLine, Stretch, ViewAnswer } from './rows'
import { table, type TableAnswer } from './table'

type AnswerOfEach = { readonly [L in LayoutName]: ViewAnswer<L> }
/** What each layout answers; one that is not listed here has nothing to draw yet. */
export interface LayoutAnswers extends AnswerOfEach {
  table: TableAnswer
  board: BoardAnswer
  outline: OutlineAnswer
}
/** The answer of any layout. */
export type LayoutAnswer = LayoutAnswers[LayoutName]

/** Every layout there is. */
export const layouts: { readonly [L in LayoutName]: Layout<L, LayoutAnswers[L]> } = { table, board, outline }

/** The layout of a definition, which is of its kind. */
export const layoutOf = (definition: { readonly layout: LayoutName }): Layout<LayoutName, LayoutAnswer> =>
  layouts[definition.layout] as unknown as Layout<LayoutName, LayoutAnswer>

/** An answer with its lists mapped; `list` names each of them within the answer. */
export const mapLists = (
  answer: LayoutAnswer,
  map: (list: string, stretch: Stretch<ListLine>) => Stretch,
): LayoutAnswer => layoutOf(answer).mapLists(answer, map)
