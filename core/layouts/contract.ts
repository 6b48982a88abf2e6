/** How a view draws: what each layout needs to know, which phrases it has, what it answers. */
import type { LayoutName } from '../model/names'
import type { Reader } from '../model/reader'
import type { Project, ViewDefinition } from '../model/records'
import type { LiveView } from '../views/live'
import type { ViewQuestion } from '../views/evaluate'
import type { TotalValues } from '../views/totals'
import type { Row, Stretch, Sums } from './rows'

/** A view's definition in one layout. */
export type DefinitionIn<L extends LayoutName> = Extract<ViewDefinition, { layout: L }>

/** A view that is looked at, as its layout answers it. */
export interface ShownView<L extends LayoutName> {
  readonly reader: Reader
  readonly project: Project
  readonly definition: DefinitionIn<L>
  readonly live: LiveView
  readonly sums: Sums
  /** Of the view's totals in turn. */
  readonly totals: TotalValues
  /** What does not stand as its level says: groups and items by what names them, and the level from which groups are folded. */
  readonly turned: ReadonlySet<string>
  readonly foldedFrom: number
  /** The places of a list that are handed out, as far as somebody has said where they look. */
  window(list: string, length: number): [from: number, to: number]
  rowAt(row: number): Row
}

/** How a layout is said and begun: what pages know of it. */
export interface SaidLayout<L extends LayoutName, Answer> {
  readonly name: L
  /** In the sentence: *Items as a …*. */
  readonly words: string
  readonly article: 'a' | 'an'
  /** How it may be typed, the longest first. */
  readonly typed: readonly string[]
  /** Phrases of a view that it has besides conditions, order and what is shown. */
  readonly phrases: readonly ('group' | 'totals' | 'open')[]
  /** What it is in the order of where a view says nothing of it. */
  readonly order: 'rank' | 'place'
  /** How many rows a list hands out before anyone has said where they look: on the server with the page, in the browser. */
  readonly firstRows: { readonly onServer: number; readonly inBrowser: number }
  /** The definition in this layout; undefined where the project has not what it needs. */
  begin(reader: Reader, project: Project, definition: ViewDefinition): DefinitionIn<L> | undefined
  /** The lists of an answer, mapped. */
  mapLists(answer: Answer, map: (list: string, stretch: Stretch) => Stretch): Answer
}

/** What a layout asks and answers: what is worked out beside the page. */
export interface Layout<L extends LayoutName, Answer> {
  /** What is asked of the items. */
  question(reader: Reader, definition: DefinitionIn<L>): ViewQuestion
  answer(view: ShownView<L>): Answer
}
