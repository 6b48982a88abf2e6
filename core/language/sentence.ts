/** A view said as one plain sentence of phrases. `grammar.ts` reads what is said here back to the same view. */
import { saidLayout } from '../layouts/said'
import type { ViewDefinition } from '../model/records'
import { conditionWords, factName, isPastAsking } from './conditions'
import { phraseKinds, type OtherName } from './phrases'
import { listed, type Wording } from './wording'

/** Which part of the view a phrase says; `where:2` is the third condition, `more` what is not said yet. */
export type PhraseName = OtherName | 'signals' | 'more' | `where:${number}`
/** A piece of the sentence: plain words, or a phrase that can be pressed. */
export type Piece =
  | { readonly words: string }
  /** `isPast`: it cannot be asked any more, and is not applied. */
  | { readonly phrase: PhraseName; readonly words: string; readonly isPast?: true }

/** The view said as one plain sentence. */
export const sentenceOf = (view: ViewDefinition, wording: Wording): Piece[] => [
  { words: `Items as ${saidLayout(view).article} ` },
  ...piecesOf('layout', view, wording),
  ...piecesOf('open', view, wording),
  ...piecesOf('group', view, wording),
  ...view.where.flatMap((condition, i): Piece[] => [
    { words: i ? ' and ' : ', where ' },
    { phrase: `where:${i}`, words: conditionWords(condition, wording), ...(isPastAsking(condition, wording) && { isPast: true as const }) }, // prettier-ignore
  ]),
  ...piecesOf('sort', view, wording),
  ...piecesOf('show', view, wording),
  ...piecesOf('totals', view, wording),
  ...signalPieces(view, wording),
  { words: '. ' },
  { phrase: 'more', words: 'and …' },
]

/** What is marked, and by whose colour items are told apart. */
function signalPieces({ signals = [], colourBy }: ViewDefinition, wording: Wording): Piece[] {
  const names = signals.filter(({ isOff }) => !isOff).map(({ name }) => name)
  const said = [
    ...(names.length ? [`marking ${listed(names, 'and')}`] : []),
    ...(colourBy ? [`coloured by ${factName(wording, colourBy)}`] : []),
  ]
  return said.length ? [{ words: ', ' }, { phrase: 'signals', words: said.join(', ') }] : []
}

function piecesOf(phrase: OtherName, view: ViewDefinition, wording: Wording): Piece[] {
  const { before } = phraseKinds[phrase]
  const words = phraseKinds[phrase].words(view, wording)
  if (words === undefined) return []
  return [...(before ? [{ words: before }] : []), { phrase, words }]
}

/** The sentence in full, as it can be read back: every field shown is named. Signals are not typed. */
export function printed(view: ViewDefinition, wording: Wording): string {
  const inFull = (piece: Piece): string => {
    if (!('phrase' in piece)) return piece.words
    if (piece.phrase === 'more') return ''
    const kind = phraseKinds[piece.phrase as OtherName] as (typeof phraseKinds)['show'] | undefined
    return kind?.inFull?.(view, wording) ?? piece.words
  }
  const { signals: _marks, colourBy: _colour, ...rest } = view
  return sentenceOf(rest, wording).map(inFull).join('').trim()
}
