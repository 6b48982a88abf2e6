import type { Value } from '../value'
import { lowerBound } from '../../base/search'
import { grown, type Column } from './column'
import { idsOf } from '../value'

/** Ids as small whole numbers, in the order in which they came; 0 stands for none. */
export class Codes {
  readonly ids: string[] = ['']
  readonly #codes = new Map<string, number>()

  /** The id's code, a new one where it has none yet. At most 65,535 ids. */
  of(id: string): number {
    const known = this.#codes.get(id)
    if (known !== undefined) return known
    if (this.ids.length > 0xffff) throw new RangeError('a column holds at most 65,535 different ids')
    this.#codes.set(id, this.ids.length)
    return this.ids.push(id) - 1
  }

  /** 0: no row has ever held it. */
  maybe(id: string): number {
    return this.#codes.get(id) ?? 0
  }
}

/** One id a row: an option, a status, a person. */
export class CodeColumn implements Column {
  readonly codes = new Codes()
  a = new Uint16Array(0)
  get = (row: number): Value => (this.a[row] ? this.codes.ids[this.a[row]]! : null)
  set(row: number, value: Value): void {
    this.a[row] = typeof value === 'string' ? this.codes.of(value) : 0
  }
  isEmpty(row: number): boolean {
    return !this.a[row]
  }
  takes(value: Value): boolean {
    return typeof value === 'string'
  }
  grow(capacity: number): void {
    this.a = grown(this.a, capacity)
  }
}

/** Ids that a row holds in its slots; more of them stand in `more`. */
export const slotsOfRow = 4

/** Several ids a row: options, people. Four of them in place, as many more as there are beside. */
export class CodesColumn implements Column {
  readonly codes = new Codes()
  a = new Uint16Array(0)
  readonly more = new Map<number, Uint16Array>()
  #holding: (Rows | undefined)[] | undefined

  get = (row: number): Value => {
    const ids = this.codesAt(row).map((code) => this.codes.ids[code]!)
    return ids.length ? ids.sort() : null
  }

  set(row: number, value: Value): void {
    const before = this.#holding && this.codesAt(row)
    const now = idsOf(value).map((id) => this.codes.of(id))
    for (let j = 0; j < slotsOfRow; j++) this.a[row * slotsOfRow + j] = now[j] ?? 0
    if (now.length > slotsOfRow) this.more.set(row, Uint16Array.from(now.slice(slotsOfRow)))
    else this.more.delete(row)
    for (const code of before ?? []) if (!now.includes(code)) this.#holding?.[code]?.remove(row)
    if (before) for (const code of now) if (!before.includes(code)) this.#rowsOf(code).add(row)
  }

  codesAt(row: number): number[] {
    const at = row * slotsOfRow
    const codes: number[] = []
    for (let j = at; j < at + slotsOfRow && this.a[j]; j++) codes.push(this.a[j]!)
    const more = this.more.get(row)
    return more ? [...codes, ...more] : codes
  }

  isEmpty(row: number): boolean {
    return !this.a[row * slotsOfRow]
  }

  takes(value: Value): boolean {
    return Array.isArray(value)
  }
  grow(capacity: number): void {
    this.a = grown(this.a, capacity * slotsOfRow)
  }

  /** The rows that hold a code, ascending: an inverted index, made when it is first asked for and kept right. */
  holding(code: number): Rows {
    if (!this.#holding) this.#index()
    return this.#rowsOf(code)
  }

  #rowsOf(code: number): Rows {
    return ((this.#holding ??= [])[code] ??= new Rows())
  }

  #index(): void {
    this.#holding = []
    const counts = new Int32Array(this.codes.ids.length)
    for (const code of this.a) counts[code]!++
    counts.forEach((count, code) => code && (this.#holding![code] = new Rows(count)))
    const rows = this.a.length / slotsOfRow
    for (let row = 0; row < rows; row++)
      for (let j = row * slotsOfRow; j < (row + 1) * slotsOfRow && this.a[j]; j++) this.#holding[this.a[j]!]!.push(row)
    for (const [row, codes] of this.more) for (const code of codes) this.#rowsOf(code).add(row)
  }
}

/** Rows in ascending order. */
export class Rows {
  n = 0
  a: Int32Array
  constructor(room = 0) {
    this.a = new Int32Array(room)
  }
  /** Adds a row that is greater than all in it. */
  push(row: number): void {
    this.#makeRoom()
    this.a[this.n++] = row
  }
  add(row: number): void {
    const at = lowerBound(this.a, this.n, row)
    if (at < this.n && this.a[at] === row) return
    this.#makeRoom()
    this.a.copyWithin(at + 1, at, this.n++)
    this.a[at] = row
  }
  remove(row: number): void {
    const at = lowerBound(this.a, this.n, row)
    if (at < this.n && this.a[at] === row) this.a.copyWithin(at, at + 1, this.n--)
  }
  #makeRoom(): void {
    if (this.n === this.a.length) this.a = grown(this.a, Math.max(8, this.n * 2))
  }
}
