import { foldText } from '../base/collation'
import { isKeyword, type Named } from './names'

/** Shorter words are not taken for misspelt. */
const shortestMisspelt = 4

/** How a name may be typed: as it is printed, without its quotation marks, for short. */
export const spellings = ({ words, short }: Named): string[] => [
  words,
  ...(words.startsWith('“') ? [withoutMarks(words)] : []),
  ...(short ? [short] : []),
]
const withoutMarks = (words: string): string =>
  words.replace(/^“(.*)”( #\d+)?$/s, (_, name: string, nth = '') => name.replaceAll('””', '”') + nth)

/** What is at the beginning of a text, where it is a spelling with one letter wrong; undefined where it is not. */
export function misspeltAt(rest: string, spelling: string): string | undefined {
  if (spelling.length < shortestMisspelt || spelling.startsWith('“')) return undefined
  const count = spelling.split(/\s+/).length
  const typed = new RegExp(`^(?:[\\p{L}\\p{N}\\p{M}_’'-]+\\s*){${count}}`, 'u').exec(rest)?.[0].trimEnd()
  if (!typed || isSentence(typed, spelling) || !isOneLetterOff(foldText(typed), foldText(spelling))) return undefined
  return typed
}

/** A word of the sentence is no misspelt word of a name. */
function isSentence(typed: string, name: string): boolean {
  const named = foldText(name).split(/\s+/)
  return foldText(typed)
    .split(/\s+/)
    .some((word, i) => isKeyword(word) && word !== named[i])
}

/** Equal but for one letter too many, too few, another, or two that changed places (Damerau, 1964). */
export function isOneLetterOff(a: string, b: string): boolean {
  if (a === b) return true
  const [short, long] = a.length <= b.length ? [a, b] : [b, a]
  if (long.length - short.length > 1) return false
  let same = 0
  while (same < short.length && short[same] === long[same]) same++
  if (short.length < long.length) return short.slice(same) === long.slice(same + 1)
  if (short.slice(same + 1) === long.slice(same + 1)) return true
  const isSwapped = short[same] === long[same + 1] && short[same + 1] === long[same]
  return isSwapped && short.slice(same + 2) === long.slice(same + 2)
}
