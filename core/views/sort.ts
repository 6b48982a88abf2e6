/** Sorting rows by packed keys: least significant digit first, stable (radix sort). */
import type { ItemTable } from '../model/item-table'
import type { Key } from './keys'

/** So few rows are put in by comparing. */
const fewRows = 24
/** From so many rows on, wide digits pay. */
const manyRows = 1500
/** So few are sorted quicker as numbers than by their digits. */
const manyRowsForWords = 512
/** From so great a share of all on, the team's order is walked instead of sorted by. */
const largeShare = 1 / 6

let [keysA, keysB, keysC] = [new Uint32Array(0), new Uint32Array(0), new Uint32Array(0)]
let spare: Int32Array = new Int32Array(0)
/** Of three digits of 11 bits, or four of 8. */
const counts = new Uint32Array(3 * 2048)
const digitCounts = [
  [0, 1, 2].map((digit) => counts.subarray(digit * 2048, (digit + 1) * 2048)),
  [0, 1, 2, 3].map((digit) => counts.subarray(digit * 256, (digit + 1) * 256)),
]

function makeRoom(m: number): void {
  if (keysA.length >= m) return
  const length = Math.ceil(m * 1.25)
  keysA = new Uint32Array(length)
  keysB = new Uint32Array(length)
  keysC = new Uint32Array(length)
  spare = new Int32Array(length)
}

/**
 * Sorts `rows[0..m)` by the keys, the first the most significant; the last is the team's order, in which no two are the
 * same. Many rows are not sorted by it: it is walked, or looked at where the other keys are the same.
 */
export function sortRows(table: ItemTable, rows: Int32Array, m: number, keys: readonly Key[]): void {
  if (m < 2) return
  if (m <= fewRows) return insertionSort(rows, m, keys)
  makeRoom(m)
  const rank = keys.at(-1)!
  const isMany = m > table.n * largeShare
  if (keys.length === 1 && isMany && !rank.isDown) return byRank(table, rows, m)
  const width = m < manyRows ? 8 : 11
  const others = keys.slice(0, -1)
  if (sortAsOne(rows, m, others, width)) return settleTies(rows, m, rank)
  if (isMany && !rank.isDown) {
    byRank(table, rows, m)
    sortByAll(rows, m, others, width)
  } else sortByAll(rows, m, keys, width)
}
/** By all keys in one word, if they fit into one; the words stay beside their rows. Few keys do. */
function sortAsOne(rows: Int32Array, m: number, keys: readonly Key[], width: number): boolean {
  if (!keys.length) return false
  let bits = 0
  for (let k = keys.length - 1; k >= 0; k--) {
    const its = bits ? keysC : keysA
    const more = bitsOf(keys[k]!.fill(rows, m, its).most)
    if (bits + more > 32) return false
    if (bits && more) pack(keysA, keysC, bits, m)
    bits += more
  }
  if (m < manyRowsForWords) sortWords(rows, m)
  else radixSort(rows, m, bits, width)
  return true
}

/** Words and their places as one number each, exact below 2^53. */
const packed = new Float64Array(manyRowsForWords)
function sortWords(rows: Int32Array, m: number): void {
  for (let k = 0; k < m; k++) packed[k] = keysA[k]! * manyRowsForWords + k
  const sorted = packed.subarray(0, m).sort()
  for (let k = 0; k < m; k++) {
    const word = Math.floor(sorted[k]! / manyRowsForWords)
    keysB[k] = word
    spare[k] = rows[sorted[k]! - word * manyRowsForWords]!
  }
  rows.set(spare.subarray(0, m))
  ;[keysA, keysB] = [keysB, keysA]
}

/** Puts rows whose words are the same into the order of another key. */
function settleTies(rows: Int32Array, m: number, key: Key): void {
  for (let from = 0; from < m;) {
    let to = from + 1
    while (to < m && keysA[to] === keysA[from]) to++
    if (to - from > fewRows) rows.subarray(from, to).sort(key.compare)
    else if (to - from > 1) insertionSort(rows.subarray(from, to), to - from, [key])
    from = to
  }
}

function sortByAll(rows: Int32Array, m: number, keys: readonly Key[], width: number): void {
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

/** Digits of the whole word are counted in one walk; what is one digit for all rows is passed over. */
function radixSort(rows: Int32Array, m: number, bits: number, width: number): void {
  let [a, b]: [Int32Array, Int32Array] = [rows, spare]
  let [ka, kb] = [keysA, keysB]
  const size = 1 << width
  const mask = size - 1
  counts.fill(0)
  if (width === 11) count11(ka, m, counts)
  else count8(ka, m, counts)
  for (let shift = 0, digit = 0; shift < bits; shift += width, digit++) {
    const its = digitCounts[width === 11 ? 0 : 1]![digit]!
    if (its[(ka[0]! >>> shift) & mask] === m) continue
    sumUp(its, size)
    move(a, b, ka, kb, shift, mask, m, its)
    ;[a, b] = [b, a]
    ;[ka, kb] = [kb, ka]
  }
  if (a !== rows) rows.set(a.subarray(0, m))
  // The words as they stand beside their rows now.
  ;[keysA, keysB] = [ka, kb]
}

function count11(keys: Uint32Array, m: number, counts: Uint32Array): void {
  for (let k = 0; k < m; k++) {
    const key = keys[k]!
    counts[key & 2047]!++
    counts[2048 + ((key >>> 11) & 2047)]!++
    counts[4096 + (key >>> 22)]!++
  }
}
function count8(keys: Uint32Array, m: number, counts: Uint32Array): void {
  for (let k = 0; k < m; k++) {
    const key = keys[k]!
    counts[key & 255]!++
    counts[256 + ((key >>> 8) & 255)]!++
    counts[512 + ((key >>> 16) & 255)]!++
    counts[768 + (key >>> 24)]!++
  }
}
function sumUp(counts: Uint32Array, size: number): void {
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
  places: Uint32Array,
): void {
  for (let k = 0; k < m; k++) {
    const key = ka[k]!
    const place = places[(key >>> shift) & mask]!++
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
function byRank(table: ItemTable, rows: Int32Array, m: number): void {
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
