import type { Parsed, Phrase } from '../language/grammar'
import type { Condition, ProjectId } from '../model/records'
import { askedQuery } from './contract'

/** Typed words, as they were understood. */
export interface ReadWords {
  readonly parts: readonly ReadPart[]
  readonly left: Parsed['left']
}
/** A phrase that was understood. */
export interface ReadPart {
  /** Where it is in the text, in characters; `to` is after the last. */
  readonly from: number
  readonly to: number
  readonly phrase: Phrase
  /** The phrase as the sentence will say it. */
  readonly words: string
  /** How many items it would leave, of a condition. */
  readonly count?: number
}
/** What was typed, and beside what. */
export interface TypedWordsInput {
  readonly project: ProjectId
  /** Conditions that hold beside them. */
  readonly where: readonly Condition[]
  readonly text: string
}

/** What reads the language: no page begins with it, and whoever asks first waits for it, unless it was fetched before. */
export const fetchLanguage = () => import('./read-words')

/** Typed words as phrases of a view, with how many items each would leave. */
export const typedWords = askedQuery<TypedWordsInput, ReadWords>(async (context, input) =>
  (await fetchLanguage()).readWords(context, input),
)
