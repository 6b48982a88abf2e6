import { compareText, foldText } from '../../base/collation'
import { firstPlace } from '../../base/search'
import type { Value } from '../value'
import type { Column } from './column'
import { Ordering } from './ordering'

/** Rows whose folded texts are searched as one. */
const rowsOfChunk = 1024

/** Some rows' folded texts as one: what is narrow (one byte a character) apart from what is wide, which is scanned slower. */
interface Run {
  /** The folded texts, each followed by a line feed, which no text holds. */
  readonly text: string
  /** Where each text begins. */
  readonly starts: Int32Array
  readonly rows: Int32Array
}
type Chunk = readonly Run[]

/** Texts of one line, ordered as people read them, and searched without case and accents. */
export class TextColumn implements Column {
  readonly a: (string | null)[] = []
  readonly ordering: Ordering
  readonly #chunks: (Chunk | undefined)[] = []
  /** Row by row, and from which chunks; only where they are asked for so. */
  readonly #folded: string[] = []
  readonly #foldedFrom: (Chunk | undefined)[] = []

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
  takes(value: Value): boolean {
    return typeof value === 'string'
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
      const from = n
      for (const run of (this.#chunks[c] ??= this.#chunk(c))) n = searchRun(run, folded, out, n)
      if (n - from > 1) out.subarray(from, n).sort()
    }
    return n
  }

  /** Every row's folded text; '' where it has none. */
  folded(): readonly string[] {
    if (this.#folded.length > this.a.length) this.#folded.length = this.a.length
    for (let c = 0; c * rowsOfChunk < this.a.length; c++) {
      const chunk = (this.#chunks[c] ??= this.#chunk(c))
      if (this.#foldedFrom[c] === chunk) continue
      this.#foldedFrom[c] = chunk
      for (const { text, starts, rows } of chunk)
        rows.forEach((row, k) => (this.#folded[row] = text.slice(starts[k], starts[k + 1]! - 1)))
    }
    return this.#folded
  }

  #chunk(c: number): Chunk {
    const [narrow, wide]: [number[], number[]] = [[], []]
    const texts: string[] = []
    for (let row = c * rowsOfChunk; row < Math.min(this.a.length, (c + 1) * rowsOfChunk); row++) {
      const text = foldText(this.a[row] ?? '')
      texts.push(text)
      ;(isWide(text) ? wide : narrow).push(row)
    }
    return [narrow, wide]
      .filter((rows) => rows.length)
      .map((rows) => runOf(
        rows,
        rows.map((row) => texts[row - c * rowsOfChunk]!),
      )) // prettier-ignore
  }
}

const isWide = (text: string): boolean => /[\u0100-\uffff]/.test(text)

function runOf(rows: readonly number[], texts: readonly string[]): Run {
  const starts = new Int32Array(texts.length + 1)
  texts.forEach((text, k) => (starts[k + 1] = starts[k]! + text.length + 1))
  return { text: `${texts.join('\n')}\n`, starts, rows: Int32Array.from(rows) }
}

function searchRun({ text, starts, rows }: Run, folded: string, out: Int32Array, from: number): number {
  let n = from
  for (let at = text.indexOf(folded), k = 0; at >= 0; at = text.indexOf(folded, starts[k]!)) {
    k = rowAt(starts, at, k)
    out[n++] = rows[k++]!
    if (k >= rows.length) break
  }
  return n
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
  return firstPlace(low + 1, high, (at) => starts[at]! > position) - 1
}
