import { compareText, foldText } from '../../base/collation'
import type { Value } from '../value'
import type { Column } from './column'
import { Ordering } from './ordering'

/** Rows whose folded texts are searched as one. */
const rowsOfChunk = 1024

interface Chunk {
  /** The folded texts, each followed by a line feed, which no text holds. */
  readonly text: string
  /** Where each row's text begins. */
  readonly starts: Int32Array
}

/** Texts of one line, ordered as people read them, and searched without case and accents. */
export class TextColumn implements Column {
  readonly a: (string | null)[] = []
  readonly ordering: Ordering
  readonly #chunks: (Chunk | undefined)[] = []

  /** `compare` for an order other than a reader's. */
  constructor(compare: (a: string, b: string) => number = compareText, tie?: (a: number, b: number) => number) {
    const byText = (x: number, y: number) => compare(this.a[x]!, this.a[y]!)
    this.ordering = new Ordering(
      () => {
        const rows: number[] = []
        this.a.forEach((text, row) => text !== null && rows.push(row))
        return Int32Array.from(rows)
      },
      tie ? (x, y) => byText(x, y) || tie(x, y) : byText,
      (row) => !this.isEmpty(row),
    )
  }

  get = (row: number): Value => this.a[row] ?? null
  set(row: number, value: Value): void {
    while (this.a.length < row) this.a.push(null)
    this.a[row] = typeof value === 'string' ? value : null
    this.#chunks[row >>> 10] = undefined
    this.ordering.touch(row)
  }
  isEmpty(row: number): boolean {
    return (this.a[row] ?? null) === null
  }
  grow(): void {}

  /** Whether the row's text has the folded words in it. */
  has(row: number, folded: string): boolean {
    const text = this.a[row]
    return typeof text === 'string' && foldText(text).includes(folded)
  }

  /** Writes the rows that have the folded words in them, ascending, to `out`; gives their number. */
  search(folded: string, out: Int32Array): number {
    let n = 0
    for (let c = 0; c * rowsOfChunk < this.a.length; c++) {
      const { text, starts } = (this.#chunks[c] ??= this.#chunk(c))
      for (let at = text.indexOf(folded), k = 0; at >= 0; at = text.indexOf(folded, starts[k]!)) {
        k = rowAt(starts, at, k)
        out[n++] = c * rowsOfChunk + k++
        if (k >= starts.length - 1) break
      }
    }
    return n
  }

  #chunk(c: number): Chunk {
    const texts = this.a.slice(c * rowsOfChunk, (c + 1) * rowsOfChunk).map((text) => foldText(text ?? ''))
    const starts = new Int32Array(texts.length + 1)
    texts.forEach((text, k) => (starts[k + 1] = starts[k]! + text.length + 1))
    return { text: `${texts.join('\n')}\n`, starts }
  }
}

/** The row within a chunk in which a position lies: galloping from the last one found, then binary search. */
function rowAt(starts: Int32Array, position: number, from: number): number {
  let [low, step] = [from, 8]
  let high = low + step
  while (high < starts.length && starts[high]! <= position) {
    low = high
    step <<= 1
    high = low + step
  }
  high = Math.min(high, starts.length)
  while (low + 1 < high) {
    const middle = (low + high) >>> 1
    if (starts[middle]! <= position) low = middle
    else high = middle
  }
  return low
}
