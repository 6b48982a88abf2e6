import { askedQuery } from './contract'
import type { ReadWords, TypedWordsInput } from './read-words'

/** What reads the language: no page begins with it, and whoever asks first waits for it, unless it was fetched before. */
export const fetchLanguage = () => import('./read-words')

/** Typed words as phrases of a view, with how many items each would leave. */
export const typedWords = askedQuery<TypedWordsInput, ReadWords>(async (context, input) =>
  (await fetchLanguage()).readWords(context, input),
)
