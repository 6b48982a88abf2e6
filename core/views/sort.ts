/** Sorting rows by packed keys: least significant digit first, stable (radix sort). */
import type { ItemTable } from '../model/item-table'
import type { Scratch } from '../model/scratch'
import type { Key } from './keys'

/** So few rows are put in by comparing. */
const fewRows = 24
/** From this many rows on, wide digits pay. */
const manyRows = 1500
const [narrowDigit, wideDigit] = [8, 12]
/** So few are sorted quicker as numbers than by their digits. */
const manyRowsForWords = 512
/** From so great a share of all on, the team's order is walked instead of sorted by. */
const largeShare = 1 / 6

/** What a sort writes to: words to sort by and their doubles, rows meanwhile, counts of digits. */
interface Room {
  words: Uint32Array
  others: Uint32Array
  /** One more key, before it is packed into the words. */
  readonly next: Uint32Array
  readonly spare: Int32Array
  /** Of one digit. */
  readonly counts: Int32Array
  /** Words and their places as one number each, exact below 2^53. */
  readonly packed: Float64Array
}
const roomFor = (scratch: Scratch, m: number): Room => ({
  words: scratch.uint32('sort by', m),
  others: scratch.uint32('sort by, moved', m),
  next: scratch.uint32('sort by, next', m),
  spare: scratch.int32('rows, moved', m),
  counts: scratch.int32('counts of digits', 1 << wideDigit),
  packed: scratch.float64('words with places', manyRowsForWords),
})

/**
 * Sorts `rows[0..m)` by the keys, the first the most significant; the last is the team's order, in which no two are the
 * same. Many rows are not sorted by it: it is walked, or looked at where the other keys are the same.
 */
export function sortRows(table: ItemTable, rows: Int32Array, m: number, keys: readonly Key[]): void {
  if (m < 2) return
  if (m <= fewRows) return insertionSort(rows, m, keys)
  const room = roomFor(table.scratch, m)
  const rank = keys.at(-1)!
  const isMany = m > table.n * largeShare
  if (keys.length === 1 && isMany && !rank.isDown) return byRank(table, rows, m)
  const others = keys.slice(0, -1)
  if (sortAsOne(room, rows, m, others)) return settleTies(room.words, rows, m, rank)
  if (isMany && !rank.isDown) {
    byRank(table, rows, m)
    sortByAll(room, rows, m, others)
  } else sortByAll(room, rows, m, keys)
}
/** By all keys in one word, if they fit into one; the words stay beside their rows. Few keys do. */
function sortAsOne(room: Room, rows: Int32Array, m: number, keys: readonly Key[]): boolean {
  if (!keys.length) return false
  let bits = 0
  for (let k = keys.length - 1; k >= 0; k--) {
    const its = bits ? room.next : room.words
    const more = bitsOf(keys[k]!.fill(rows, m, its).most)
    if (bits + more > 32) return false
    if (bits && more) pack(room.words, room.next, bits, m)
    bits += more
  }
  if (m < manyRowsForWords) sortWords(room, rows, m)
  else radixSort(room, rows, m, bits)
  return true
}

function sortWords(room: Room, rows: Int32Array, m: number): void {
  const { words, others, packed, spare } = room
  for (let k = 0; k < m; k++) packed[k] = words[k]! * manyRowsForWords + k
  const sorted = packed.subarray(0, m).sort()
  for (let k = 0; k < m; k++) {
    const word = Math.floor(sorted[k]! / manyRowsForWords)
    others[k] = word
    spare[k] = rows[sorted[k]! - word * manyRowsForWords]!
  }
  rows.set(spare.subarray(0, m))
  room.words = others
  room.others = words
}

/** Puts rows whose words are the same into the order of another key. */
function settleTies(words: Uint32Array, rows: Int32Array, m: number, key: Key): void {
  for (let from = 0; from < m;) {
    let to = from + 1
    while (to < m && words[to] === words[from]) to++
    if (to - from > fewRows) rows.subarray(from, to).sort(key.compare)
    else if (to - from > 1) insertionSort(rows.subarray(from, to), to - from, [key])
    from = to
  }
}

function sortByAll(room: Room, rows: Int32Array, m: number, keys: readonly Key[]): void {
  for (let last = keys.length - 1; last >= 0;) {
    // As many keys as fit into 32 bits together are sorted by at once.
    let bits = bitsOf(keys[last]!.fill(rows, m, room.words).most)
    last--
    while (last >= 0 && bits < 32) {
      const more = bitsOf(keys[last]!.fill(rows, m, room.next).most)
      if (bits + more > 32) break
      if (more) pack(room.words, room.next, bits, m)
      bits += more
      last--
    }
    radixSort(room, rows, m, bits)
  }
}

const bitsOf = (most: number): number => (most ? 32 - Math.clz32(most) : 0)

function pack(low: Uint32Array, high: Uint32Array, bits: number, m: number): void {
  for (let k = 0; k < m; k++) low[k] = (low[k]! | (high[k]! << bits)) >>> 0
}

/** As few digits as do, all as wide as another; what is one digit for all rows is passed over. */
function radixSort(room: Room, rows: Int32Array, m: number, bits: number): void {
  const { counts, spare } = room
  let [a, b]: [Int32Array, Int32Array] = [rows, spare]
  let [ka, kb] = [room.words, room.others]
  const digits = Math.ceil(bits / (m < manyRows ? narrowDigit : wideDigit))
  const width = Math.ceil(bits / digits)
  const mask = (1 << width) - 1
  for (let shift = 0; shift < bits; shift += width) {
    counts.fill(0, 0, mask + 1)
    countDigit(ka, m, shift, mask, counts)
    if (counts[(ka[0]! >>> shift) & mask] === m) continue
    sumUp(counts, mask + 1)
    move(a, b, ka, kb, shift, mask, m, counts)
    ;[a, b] = [b, a]
    ;[ka, kb] = [kb, ka]
  }
  if (a !== rows) rows.set(a.subarray(0, m))
  // The words as they are beside their rows now.
  room.words = ka
  room.others = kb
}

function countDigit(keys: Uint32Array, m: number, shift: number, mask: number, counts: Int32Array): void {
  let k = 0
  for (const fours = m & ~3; k < fours; k += 4) {
    countAt(k, keys, shift, mask, counts)
    countAt(k + 1, keys, shift, mask, counts)
    countAt(k + 2, keys, shift, mask, counts)
    countAt(k + 3, keys, shift, mask, counts)
  }
  for (; k < m; k++) countAt(k, keys, shift, mask, counts)
}
function countAt(k: number, keys: Uint32Array, shift: number, mask: number, counts: Int32Array): void {
  counts[(keys[k]! >>> shift) & mask]!++
}
function sumUp(counts: Int32Array, size: number): void {
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
  places: Int32Array,
): void {
  let k = 0
  for (const twos = m & ~1; k < twos; k += 2) {
    const [key, next] = [ka[k]!, ka[k + 1]!]
    const place = places[(key >>> shift) & mask]!++
    b[place] = a[k]!
    kb[place] = key
    const after = places[(next >>> shift) & mask]!++
    b[after] = a[k + 1]!
    kb[after] = next
  }
  if (k === m) return
  const place = places[(ka[k]! >>> shift) & mask]!
  b[place] = a[k]!
  kb[place] = ka[k]!
}

/** Compares two rows by keys: below 0, 0 or above 0. */
export function compareBy(keys: readonly Key[], a: number, b: number): number {
  for (const key of keys) {
    const order = key.compare(a, b)
    if (order) return order
  }
  return 0
}

/** Two sorted lists of rows as one. */
export function mergedRows(keys: readonly Key[], a: Int32Array, b: Int32Array): Int32Array {
  const rows = new Int32Array(a.length + b.length)
  for (let k = 0, i = 0, j = 0; k < rows.length; k++) {
    const takesA = j >= b.length || (i < a.length && compareBy(keys, a[i]!, b[j]!) <= 0)
    rows[k] = takesA ? a[i++]! : b[j++]!
  }
  return rows
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

/**
 * Puts `rows[0..m)` into the team's order. Many rows are not sorted: the order, which is kept, is walked, and those of
 * them that are in `rows` are taken.
 */
function byRank(table: ItemTable, rows: Int32Array, m: number): void {
  const { order, n } = table.rank.ordering
  if (m === n) return rows.set(order.subarray(0, n))
  const marks = table.scratch.marks(table.n)
  for (let k = 0; k < m; k++) marks[rows[k]!] = 1
  walk(order, n, rows, marks)
  // What was marked has been cleared on the way.
  table.scratch.giveBack(marks, 0)
}
function walk(order: Int32Array, n: number, rows: Int32Array, marks: Uint8Array): void {
  let kept = 0
  for (let k = 0; k < n; k++) {
    const row = order[k]!
    rows[kept] = row
    kept += marks[row]!
    marks[row] = 0
  }
}
