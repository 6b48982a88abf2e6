import { instantOf } from '../../base/dates'
import type { Value } from '../value'

/**
 * The values of one field for all items of a project: one slot a row, compact, and scanned by the view engine. What is
 * read back is what was written, to the character.
 */
export interface Column {
  get(row: number): Value
  /** The same in fewer characters, where there is such a way; `set` takes it too. */
  compact?(row: number): Value
  /** Null empties. The value must be one of the column's kind; the table keeps others in an `AnyColumn`. */
  set(row: number, value: Value): void
  isEmpty(row: number): boolean
  /** Whether a value is one of the column's kind. */
  takes(value: Value): boolean
  /** Makes room for more rows. */
  grow(capacity: number): void
}

/** A longer copy of a typed array; what is new holds `fill`. */
export function grown<A extends Int32Array | Float64Array | Uint8Array | Uint16Array>(
  from: A,
  length: number,
  fill = 0,
): A {
  if (from.length >= length) return from
  const to = new (from.constructor as new (length: number) => A)(length)
  to.set(from as never)
  if (fill !== 0) to.fill(fill, from.length)
  return to
}

/** An empty place of a column of numbers. */
export const noNumber = Number.NaN

/** Whole numbers at the field's scale; NaN is empty. */
export class NumberColumn implements Column {
  a = new Float64Array(0)
  /** Another whenever a value changes. */
  version = 0
  get = (row: number): Value => (this.isEmpty(row) ? null : this.a[row]!)
  set(row: number, value: Value): void {
    this.a[row] = typeof value === 'number' ? value : noNumber
    this.version++
  }
  isEmpty(row: number): boolean {
    return Number.isNaN(this.a[row]!)
  }
  takes(value: Value): boolean {
    return typeof value === 'number'
  }
  grow(capacity: number): void {
    this.a = grown(this.a, capacity, noNumber)
  }
}

/** The day number of an empty date: after every day, so that empties come last. */
export const noDay = 0x7fffffff

/** Day numbers since 1970-01-01. */
export class DayColumn implements Column {
  a = new Int32Array(0)
  constructor(
    readonly parse: (text: string) => number,
    readonly print: (day: number) => string,
  ) {}
  get = (row: number): Value => (this.isEmpty(row) ? null : this.print(this.a[row]!))
  set(row: number, value: Value): void {
    this.a[row] = typeof value === 'string' ? this.parse(value) : noDay
  }
  isEmpty(row: number): boolean {
    return this.a[row] === noDay
  }
  takes(value: Value): boolean {
    return typeof value === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(value)
  }
  grow(capacity: number): void {
    this.a = grown(this.a, capacity, noDay)
  }
}

/** True or empty. */
export class FlagColumn implements Column {
  a = new Uint8Array(0)
  get = (row: number): Value => (this.a[row] ? true : null)
  set(row: number, value: Value): void {
    this.a[row] = value === true ? 1 : 0
  }
  isEmpty(row: number): boolean {
    return !this.a[row]
  }
  takes(value: Value): boolean {
    return value === true
  }
  grow(capacity: number): void {
    this.a = grown(this.a, capacity)
  }
}

/** The revision of a long text, whose words are elsewhere; 0 is empty. */
export class MarkColumn implements Column {
  a = new Int32Array(0)
  get = (row: number): Value => (this.a[row] ? { revision: this.a[row] } : null)
  set(row: number, value: Value): void {
    this.a[row] = typeof value === 'object' && value && 'revision' in value ? value.revision : 0
  }
  isEmpty(row: number): boolean {
    return !this.a[row]
  }
  takes(value: Value): boolean {
    return typeof value === 'object' && value !== null && 'revision' in value
  }
  grow(capacity: number): void {
    this.a = grown(this.a, capacity)
  }
}

/** Instants in milliseconds since 1970; NaN is empty. A text that says the same otherwise is kept as it is written. */
export class InstantColumn implements Column {
  a = new Float64Array(0)
  readonly #otherwise = new Map<number, string>()
  get = (row: number): Value => this.#otherwise.get(row) ?? (this.isEmpty(row) ? null : instantOf(this.a[row]!))
  compact = (row: number): Value => this.#otherwise.get(row) ?? (this.isEmpty(row) ? null : this.a[row]!)
  set(row: number, value: Value): void {
    if (this.#otherwise.size) this.#otherwise.delete(row)
    if (typeof value !== 'string') return void (this.a[row] = typeof value === 'number' ? value : noNumber)
    // What many items got at once is read once.
    if (value !== this.#last.text) {
      const ms = Date.parse(value)
      this.#last = { text: value, ms, isUsual: !Number.isNaN(ms) && instantOf(ms) === value }
    }
    this.a[row] = this.#last.ms
    if (!this.#last.isUsual) this.#otherwise.set(row, value)
  }
  #last = { text: '', ms: noNumber, isUsual: false }
  isEmpty(row: number): boolean {
    return Number.isNaN(this.a[row]!)
  }
  takes(value: Value): boolean {
    return typeof value === 'string' && !Number.isNaN(Date.parse(value))
  }
  grow(capacity: number): void {
    this.a = grown(this.a, capacity, noNumber)
  }
}

/** Values of any kind as they are: those of a field that is not known (any more), or that are not of its type. */
export class AnyColumn implements Column {
  readonly a: Value[] = []
  get = (row: number): Value => this.a[row] ?? null
  set(row: number, value: Value): void {
    this.a[row] = value
  }
  isEmpty(row: number): boolean {
    return this.get(row) === null
  }
  takes(): boolean {
    return true
  }
  grow(): void {}
}
