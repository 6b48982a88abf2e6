// One collator each for the whole program, made when it is first needed: a browser's first costs it some 30 ms.
let order: Intl.Collator | undefined
let equality: Intl.Collator | undefined

/** The order of texts as people read them: numbers within text by value. */
export function compareText(a: string, b: string): number {
  order ??= new Intl.Collator('en', { numeric: true })
  return order.compare(a, b)
}

/** Equal to a reader: case, accents, outer blanks and how many stand between two words aside. */
export function isSameText(a: string, b: string): boolean {
  equality ??= new Intl.Collator('en', { sensitivity: 'base' })
  return equality.compare(singleBlanks(a), singleBlanks(b)) === 0
}
const singleBlanks = (text: string): string => text.trim().replace(/\s+/g, ' ')

/** What texts that are the same to a reader have in common. */
export const textKey = (text: string): string => foldText(singleBlanks(text))

/** A text as it is searched: lower case, accents left out, no line feed. */
export function foldText(text: string): string {
  const lower = text.toLowerCase()
  // eslint-disable-next-line no-control-regex
  return /^[\x00-\x09\x0b-\x7f]*$/.test(lower) ? lower : lower.normalize('NFD').replace(/\p{M}+|\n/gu, '')
}

/**
 * Finds the first entry that is the same text. Answers are remembered by the exact text asked, so that a column of
 * 50,000 cells with few different texts costs few comparisons.
 */
export class TextIndex<T> {
  readonly #entries: { text: string; value: T }[] = []
  readonly #found = new Map<string, T | undefined>()

  constructor(entries: Iterable<readonly [string, T]> = []) {
    for (const [text, value] of entries) this.add(text, value)
  }

  add(text: string, value: T): void {
    this.#entries.push({ text, value })
    this.#found.clear()
  }

  find(text: string): T | undefined {
    const known = this.#found.get(text)
    if (known !== undefined || this.#found.has(text)) return known
    const value = this.#entries.find((entry) => isSameText(entry.text, text))?.value
    this.#found.set(text, value)
    return value
  }
}
