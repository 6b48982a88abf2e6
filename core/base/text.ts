/** What is written on one line: titles and names. */

/** The most characters that a name may have, and what describes it. */
export const longestName = 120
export const longestHelp = 500

/** Line breaks and control characters as blanks, without any at the ends. */
export const oneLine = (text: string): string => text.replace(/[\p{Cc}\u2028\u2029]+/gu, ' ').trim()

/** Letters and signs that are drawn as nothing: fillers of Hangul, the blank of Braille. */
const blanks = /[\u115f\u1160\u3164\uffa0\u2800]/g

/** Whether there is anything to be seen: not only blanks, joiners and marks without a letter. */
export const isVisible = (text: string): boolean => /[\p{L}\p{N}\p{P}\p{S}]/u.test(text.replace(blanks, ''))
