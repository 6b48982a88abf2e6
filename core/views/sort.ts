/** Sorting rows by packed keys: least significant digit first, stable (radix sort). */
import type { ItemTable } from '../model/item-table'
import type { Key } from './keys'

/** So few rows are put in by comparing. */
const fewRows = 24
/** From so many rows on, wide digits pay. */
const manyRows = 1500

let [keysA, keysB, keysC] = [new Uint32Array(0), new Uint32Array(0), new Uint32Array(0)]
let spare: Int32Array = new Int32Array(0)
const counts = new Uint32Array(2048)

function makeRoom(m: number): void {
  if (keysA.length >= m) return
  const length = Math.ceil(m * 1.25)
  keysA = new Uint32Array(length)
  keysB = new Uint32Array(length)
  keysC = new Uint32Array(length)
  spare = new Int32Array(length)
}

/** Sorts `rows[0..m)`, which may come in any order, by the keys, the first the most significant. */
export function sortRows(rows: Int32Array, m: number, keys: readonly Key[]): void {
  if (m < 2) return
  if (m <= fewRows) return insertionSort(rows, m, keys)
  makeRoom(m)
  const width = m < manyRows ? 8 : 11
  for (let last = keys.length - 1; last >= 0;) {
    // As many keys as fit into 32 bits together are sorted by at once.
    let bits = bitsOf(keys[last]!.fill(rows, m, keysA).most)
    last--
    while (last >= 0 && bits < 32) {
      const more = bitsOf(keys[last]!.fill(rows, m, keysC).most)
      if (bits + more > 32) break
      if (more) pack(keysA, keysC, bits, m)
      bits += more
      last--
    }
    radixSort(rows, m, bits, width)
  }
}

const bitsOf = (most: number): number => (most ? 32 - Math.clz32(most) : 0)

function pack(low: Uint32Array, high: Uint32Array, bits: number, m: number): void {
  for (let k = 0; k < m; k++) low[k] = (low[k]! | (high[k]! << bits)) >>> 0
}

function radixSort(rows: Int32Array, m: number, bits: number, width: number): void {
  let [a, b]: [Int32Array, Int32Array] = [rows, spare]
  let [ka, kb] = [keysA, keysB]
  for (let shift = 0; shift < bits; shift += width) {
    const mask = (1 << Math.min(width, bits - shift)) - 1
    counts.fill(0, 0, mask + 1)
    count(ka, shift, mask, m)
    if (isOneDigit(ka, shift, mask, m)) continue
    sumUp(mask + 1)
    move(a, b, ka, kb, shift, mask, m)
    ;[a, b] = [b, a]
    ;[ka, kb] = [kb, ka]
  }
  if (a !== rows) rows.set(a.subarray(0, m))
}

const isOneDigit = (keys: Uint32Array, shift: number, mask: number, m: number): boolean =>
  counts[(keys[0]! >>> shift) & mask] === m

function count(keys: Uint32Array, shift: number, mask: number, m: number): void {
  for (let k = 0; k < m; k++) counts[(keys[k]! >>> shift) & mask]!++
}
function sumUp(size: number): void {
  for (let digit = 0, sum = 0; digit < size; digit++) {
    const n = counts[digit]!
    counts[digit] = sum
    sum += n
  }
}
function move(
  a: Int32Array,
  b: Int32Array,
  ka: Uint32Array,
  kb: Uint32Array,
  shift: number,
  mask: number,
  m: number,
): void {
  for (let k = 0; k < m; k++) {
    const key = ka[k]!
    const place = counts[(key >>> shift) & mask]!++
    b[place] = a[k]!
    kb[place] = key
  }
}

export function compareBy(keys: readonly Key[], a: number, b: number): number {
  for (const key of keys) {
    const order = key.compare(a, b)
    if (order) return order
  }
  return 0
}

function insertionSort(rows: Int32Array, m: number, keys: readonly Key[]): void {
  for (let k = 1; k < m; k++) {
    const row = rows[k]!
    let at = k
    while (at > 0 && compareBy(keys, rows[at - 1]!, row) > 0) {
      rows[at] = rows[at - 1]!
      at--
    }
    rows[at] = row
  }
}

let marks = new Uint8Array(0)
/**
 * Puts `rows[0..m)` into the team's order. Many rows are not sorted: the order, which is kept, is walked, and those of
 * them that are in `rows` are taken.
 */
export function byRank(table: ItemTable, rows: Int32Array, m: number): void {
  const { order, n } = table.rank.ordering
  if (m === n) return rows.set(order.subarray(0, n))
  if (marks.length < table.n) marks = new Uint8Array(table.n * 2)
  for (let k = 0; k < m; k++) marks[rows[k]!] = 1
  walk(order, n, rows)
}
function walk(order: Int32Array, n: number, rows: Int32Array): void {
  let kept = 0
  for (let k = 0; k < n; k++) {
    const row = order[k]!
    rows[kept] = row
    kept += marks[row]!
    marks[row] = 0
  }
}
