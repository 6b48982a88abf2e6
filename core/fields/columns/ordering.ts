import { firstPlace } from '../../base/search'
import { grown } from './column'

/** Labels stand so far apart at first, that one more fits between two. */
const gap = 16
/** So many rows are sorted in one step of preparing. */
const rowsOfStep = 1024
/** So many changed rows are put to their places one by one; more are merged in one pass. */
const fewRows = 8

/**
 * An order of rows that is kept right: `labels[row]` compare as the rows' values do (equal values, equal labels), so
 * that sorting by a text is sorting by a whole number (order maintenance by labels; Dietz and Sleator, 1987).
 */
export class Ordering {
  #order: Int32Array = new Int32Array(0)
  #n = 0
  #labels = new Int32Array(0)
  readonly #changed = new Set<number>()
  #isNew = true
  /** Changes while it is not known. */
  #touches = 0

  /** `rows` gives those that have a value; `compare` two of them. */
  constructor(
    readonly rows: () => Int32Array,
    readonly compare: (a: number, b: number) => number,
    readonly has: (row: number) => boolean,
  ) {}

  /** The row's value is another now, or gone. */
  touch(row: number): void {
    if (this.#isNew) this.#touches++
    else this.#changed.add(row)
  }

  /** Whether the order was worked out before: the first time costs a comparison of every row with many others. */
  get isKnown(): boolean {
    return !this.#isNew
  }

  /** Rows by value, ascending, `n` of them. Not to be written to. */
  get order(): Int32Array {
    this.#settle()
    return this.#order
  }
  get n(): number {
    this.#settle()
    return this.#n
  }
  /** By row, above 0; of a row without value 0, or none. */
  get labels(): Int32Array {
    this.#settle()
    return this.#labels
  }
  /** Greater than every label. */
  get top(): number {
    this.#settle()
    return this.#n ? this.#labels[this.#order[this.#n - 1]!]! + 1 : 1
  }

  /** Where in the order a row stands; `n` where it does not. */
  placeOf(row: number): number {
    this.#settle()
    return this.#find(row)
  }

  #settle(): void {
    if (this.#isNew) this.#sortAll()
    else if (this.#changed.size > fewRows) this.#merge()
    else if (this.#changed.size) this.#replaceFew()
  }

  /**
   * Works the order out beforehand, in steps of a few ms (merge sort). What is asked meanwhile is not kept waiting; what
   * is changed meanwhile has it given up. Gives whether the order is known.
   */
  *prepare(): Generator<undefined, boolean> {
    const touches = this.#touches
    const isMoot = () => !this.#isNew || touches !== this.#touches
    if (isMoot()) return !this.#isNew
    let rows: Int32Array = Int32Array.from(this.rows())
    let spare: Int32Array = new Int32Array(rows.length)
    for (let from = 0; from < rows.length; from += rowsOfStep) {
      const run = rows.subarray(from, from + rowsOfStep)
      run.set(Array.from(run).sort(this.compare))
      yield
      if (isMoot()) return !this.#isNew
    }
    for (let width = rowsOfStep; width < rows.length; width *= 2) {
      for (let from = 0; from < rows.length; from += 2 * width) {
        const [middle, end] = [from + width, from + 2 * width].map((at) => Math.min(at, rows.length)) as [
          number,
          number,
        ]
        for (let k = from, i = from, j = middle; k < end; k++) {
          const takesFirst = j === end || (i < middle && this.compare(rows[i]!, rows[j]!) <= 0)
          spare[k] = takesFirst ? rows[i++]! : rows[j++]!
          if ((k + 1) % (4 * rowsOfStep)) continue
          yield
          if (isMoot()) return !this.#isNew
        }
      }
      ;[rows, spare] = [spare, rows]
    }
    this.#take(rows)
    return true
  }

  #sortAll(): void {
    // Array's sort knows what is in order already, as a payload by rank is.
    this.#take(Int32Array.from(Array.from(this.rows()).sort(this.compare)))
  }
  #take(order: Int32Array): void {
    this.#order = order
    this.#n = order.length
    this.#label()
    this.#isNew = false
  }

  #label(): void {
    let rows = 0
    for (let k = 0; k < this.#n; k++) rows = Math.max(rows, this.#order[k]! + 1)
    this.#labels = grown(this.#labels, rows)
    const step = this.#n * gap < 0x40000000 ? gap : 1
    let label = step
    for (let k = 0; k < this.#n; k++) {
      const row = this.#order[k]!
      if (k && this.compare(this.#order[k - 1]!, row) !== 0) label += step
      this.#labels[row] = label
    }
  }

  #replaceFew(): void {
    if (this.#changed.size === 1) {
      const [row] = this.#changed
      this.#changed.clear()
      return this.#replace(row!)
    }
    // All out before the first is put back: a changed row among them would mislead the search.
    for (const row of this.#changed) this.#takeOut(row)
    for (const row of this.#changed) if (this.has(row)) this.#putIn(row)
    this.#changed.clear()
  }

  /** One alone moves only those that stand between its old and its new place. */
  #replace(row: number): void {
    const at = this.#find(row)
    if (at === this.#n || !this.has(row)) {
      this.#takeOut(row)
      if (this.has(row)) this.#putIn(row)
      return
    }
    const isLower = at > 0 && this.compare(this.#order[at - 1]!, row) > 0
    const to = isLower ? this.#placeFor(row, 0, at) : this.#placeFor(row, at + 1, this.#n) - 1
    if (to < at) this.#order.copyWithin(to + 1, to, at)
    else this.#order.copyWithin(at, at + 1, to + 1)
    this.#order[to] = row
    this.#labelAt(to)
  }

  /** The first place from `low` to `high` whose row is not below. */
  #placeFor(row: number, low: number, high: number): number {
    return firstPlace(low, high, (at) => this.compare(this.#order[at]!, row) >= 0)
  }

  #takeOut(row: number): void {
    const at = this.#find(row)
    if (at === this.#n) return
    this.#order.copyWithin(at, at + 1, this.#n--)
    this.#labels[row] = 0
  }

  #find(row: number): number {
    const label = this.#labels[row]
    if (label === undefined) return this.#n
    let at = this.#firstWith(label)
    while (at < this.#n && this.#order[at] !== row && this.#labels[this.#order[at]!] === label) at++
    return at < this.#n && this.#order[at] === row ? at : this.#n
  }

  #firstWith(label: number): number {
    return firstPlace(0, this.#n, (at) => this.#labels[this.#order[at]!]! >= label)
  }

  #putIn(row: number): void {
    const at = this.#placeFor(row, 0, this.#n)
    if (this.#n === this.#order.length) this.#order = grown(this.#order, Math.max(8, this.#n * 2))
    this.#order.copyWithin(at + 1, at, this.#n++)
    this.#order[at] = row
    this.#labels = grown(this.#labels, row + 1)
    this.#labelAt(at)
  }

  /** Labels the row that has come to a place, by its neighbours. */
  #labelAt(at: number): void {
    const row = this.#order[at]!
    const before = at > 0 ? this.#order[at - 1] : undefined
    const after = at + 1 < this.#n ? this.#order[at + 1] : undefined
    const same = [before, after].find((one) => one !== undefined && this.compare(one, row) === 0)
    if (same !== undefined) return void (this.#labels[row] = this.#labels[same]!)
    const from = before === undefined ? 0 : this.#labels[before]!
    const to = after === undefined ? from + 2 * gap : this.#labels[after]!
    if (to - from < 2) this.#label()
    else this.#labels[row] = (from + to) >>> 1
  }

  #merge(): void {
    const fresh = Int32Array.from([...this.#changed].filter(this.has).sort(this.compare))
    const kept = this.#order.subarray(0, this.#n).filter((row) => !this.#changed.has(row))
    const merged = new Int32Array(kept.length + fresh.length)
    for (let k = 0, i = 0, j = 0; k < merged.length; k++) {
      const takesKept = j >= fresh.length || (i < kept.length && this.compare(kept[i]!, fresh[j]!) <= 0)
      merged[k] = takesKept ? kept[i++]! : fresh[j++]!
    }
    this.#order = merged
    this.#n = merged.length
    for (const row of this.#changed) this.#labels[row] = 0
    this.#changed.clear()
    this.#label()
  }
}
