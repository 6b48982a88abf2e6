/** One collator for everything that is compared as text by people: numbers within text by value. */
const order = new Intl.Collator('en', { numeric: true })
const equality = new Intl.Collator('en', { sensitivity: 'base' })

export const compareText = (a: string, b: string): number => order.compare(a, b)

/** Equal to a reader: case, accents and outer blanks aside. */
export const isSameText = (a: string, b: string): boolean => equality.compare(a.trim(), b.trim()) === 0

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
