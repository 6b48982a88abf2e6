import { sentenceWords } from './words'

/** A phrase that is longer is cut: the sentence stands above what it is about. */
const longest = 180
const betweenParts = /; |, | or /g

/** A phrase as the sentence shows it: of a long list the beginning, and how many more there are. */
export function shortened(words: string): string {
  if (words.length <= longest) return words
  const ends = [...words.matchAll(betweenParts)].map(({ index }) => index)
  const cut = ends.findLast((at) => at <= longest)
  const more = ends.filter((at) => at >= (cut ?? Infinity)).length
  return cut === undefined ? `${words.slice(0, longest)}…` : `${words.slice(0, cut)} ${sentenceWords.andMore(more)}`
}
