/** Every layout as it is said and begun. */
import type { LayoutName } from '../model/names'
import { boardsOf } from '../model/reader'
import type { SortKey, ViewDefinition } from '../model/records'
import type { BoardAnswer } from './board'
import type { SaidLayout } from './contract'
import type { OutlineAnswer } from './outline'
import type { ListLine, Stretch, ViewAnswer } from './rows'
import type { TableAnswer } from './table'

type AnswerOfEach = { readonly [L in LayoutName]: ViewAnswer<L> }
/** What each layout answers; one that is not listed here has nothing to draw yet. */
export interface LayoutAnswers extends AnswerOfEach {
  table: TableAnswer
  board: BoardAnswer
  outline: OutlineAnswer
}
/** The answer of any layout. */
export type LayoutAnswer = LayoutAnswers[LayoutName]

/** An order of a view that no layout has by itself: one that does is none that the view has to say. */
export const saidOrder = (sort: readonly SortKey[]): SortKey[] => {
  const [only] = sort
  return sort.length === 1 && only && !only.down && (only.by.fact === 'rank' || only.by.fact === 'place')
    ? []
    : [...sort]
}

/** What of a view stays whatever draws it. */
const questionOf = ({ v, where, group, sort, totals, show, signals, colourBy }: ViewDefinition) => ({
  v, where, group, sort: saidOrder(sort), totals, show, ...(signals && { signals }), ...(colourBy && { colourBy }),
}) // prettier-ignore

/** Every layout there is. */
export const saidLayouts: { readonly [L in LayoutName]: SaidLayout<L, LayoutAnswers[L]> } = {
  table: {
    name: 'table',
    article: 'a',
    words: 'table',
    typed: ['table'],
    phrases: ['group', 'totals'],
    order: 'rank',
    firstRows: { onServer: 48, inBrowser: 80 },
    begin: (_reader, _project, definition) => ({ ...questionOf(definition), layout: 'table' }),
    mapLists: (answer, map) => ({ ...answer, stretch: map('', answer.stretch) }),
  },
  board: {
    name: 'board',
    article: 'a',
    words: 'board by status',
    typed: ['board by status', 'board'],
    phrases: [],
    order: 'rank',
    firstRows: { onServer: 16, inBrowser: 80 },
    begin(reader, project, definition) {
      const [first] = boardsOf(reader, project.id)
      return first && { ...questionOf(definition), layout: 'board', board: first.id }
    },
    mapLists: (answer, map) => ({
      ...answer,
      columns: answer.columns.map((column) => ({
        ...column,
        stretch: map(column.column, column.stretch) as typeof column.stretch,
      })),
    }),
  },
  outline: {
    name: 'outline',
    article: 'an',
    words: 'outline',
    typed: ['outline'],
    phrases: ['open', 'totals'],
    order: 'place',
    firstRows: { onServer: 48, inBrowser: 80 },
    begin: (_reader, _project, definition) => ({
      ...questionOf(definition), layout: 'outline', open: 'open' in definition ? definition.open : 2,
    }), // prettier-ignore
    mapLists: (answer, map) => ({ ...answer, stretch: map('', answer.stretch) as typeof answer.stretch }),
  },
}

/** The layout of a definition, which is of its kind. */
export const saidLayout = (definition: { readonly layout: LayoutName }): SaidLayout<LayoutName, LayoutAnswer> =>
  saidLayouts[definition.layout] as unknown as SaidLayout<LayoutName, LayoutAnswer>

/** An answer with its lists mapped; `list` names each of them within the answer. */
export const mapLists = (
  answer: LayoutAnswer,
  map: (list: string, stretch: Stretch<ListLine>) => Stretch,
): LayoutAnswer => saidLayout(answer).mapLists(answer, map)
