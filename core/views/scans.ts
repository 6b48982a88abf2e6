/**
 * The loops that a filter spends its time in: one hot loop a function, because several in one are compiled badly.
 * `keep…` writes the rows of `from[0..m)` that meet something to `to` (which may be `from`) and gives their number;
 * `mark…` sets a byte for each of them; `keep…Or` keeps those whose byte is set, too.
 */

/** Keeps the rows whose code is one of `yes`. Each of these returns how many it kept. */
export function keepCoded(a: Uint16Array, yes: Uint8Array, from: Int32Array, m: number, to: Int32Array): number {
  let n = 0
  for (let k = 0; k < m; k++) {
    const row = from[k]!
    to[n] = row
    n += yes[a[row]!]!
  }
  return n
}
/** The same of the rows 0 to `m`. */
export function keepCodedAll(a: Uint16Array, yes: Uint8Array, m: number, to: Int32Array): number {
  let [n, row] = [0, 0]
  for (const fours = m & ~3; row < fours; row += 4) {
    n += keepRow(row, n, a, yes, to)
    n += keepRow(row + 1, n, a, yes, to)
    n += keepRow(row + 2, n, a, yes, to)
    n += keepRow(row + 3, n, a, yes, to)
  }
  for (; row < m; row++) n += keepRow(row, n, a, yes, to)
  return n
}
function keepRow(row: number, n: number, a: Uint16Array, yes: Uint8Array, to: Int32Array): number {
  to[n] = row
  return yes[a[row]!]!
}
/** The same, or whose mark is set already. */
export function keepCodedOr(
  a: Uint16Array,
  yes: Uint8Array,
  marks: Uint8Array,
  from: Int32Array,
  m: number,
  to: Int32Array,
): number {
  let n = 0
  for (let k = 0; k < m; k++) {
    const row = from[k]!
    to[n] = row
    n += marks[k]! | yes[a[row]!]!
  }
  return n
}
/** Marks the rows whose code is one of `yes`. */
export function markCoded(a: Uint16Array, yes: Uint8Array, from: Int32Array, m: number, marks: Uint8Array): void {
  for (let k = 0; k < m; k++) marks[k]! |= yes[a[from[k]!]!]!
}

/** `low <= a[row] <= high`. */
export function keepWithin(
  a: Int32Array | Float64Array,
  low: number,
  high: number,
  from: Int32Array,
  m: number,
  to: Int32Array,
): number {
  let n = 0
  for (let k = 0; k < m; k++) {
    const row = from[k]!
    const x = a[row]!
    to[n] = row
    n += Number(x >= low && x <= high)
  }
  return n
}
/** The same, or whose mark is set already. */
export function keepWithinOr(
  a: Int32Array | Float64Array,
  low: number,
  high: number,
  marks: Uint8Array,
  from: Int32Array,
  m: number,
  to: Int32Array,
): number {
  let n = 0
  for (let k = 0; k < m; k++) {
    const row = from[k]!
    const x = a[row]!
    to[n] = row
    n += marks[k]! | Number(x >= low && x <= high)
  }
  return n
}
/** Marks the rows whose number lies within. */
export function markWithin(
  a: Int32Array | Float64Array,
  low: number,
  high: number,
  from: Int32Array,
  m: number,
  marks: Uint8Array,
): void {
  for (let k = 0; k < m; k++) {
    const x = a[from[k]!]!
    marks[k]! |= Number(x >= low && x <= high)
  }
}

/** Four codes a row: one of them at least. */
export function keepSlotted(a: Uint16Array, yes: Uint8Array, from: Int32Array, m: number, to: Int32Array): number {
  let n = 0
  for (let k = 0; k < m; k++) {
    const row = from[k]!
    const at = row * 4
    to[n] = row
    n += yes[a[at]!]! | yes[a[at + 1]!]! | yes[a[at + 2]!]! | yes[a[at + 3]!]!
  }
  return n
}
/** Marks the rows one of whose codes is one of `yes`. */
export function markSlotted(a: Uint16Array, yes: Uint8Array, from: Int32Array, m: number, marks: Uint8Array): void {
  for (let k = 0; k < m; k++) {
    const at = from[k]! * 4
    marks[k]! |= yes[a[at]!]! | yes[a[at + 1]!]! | yes[a[at + 2]!]! | yes[a[at + 3]!]!
  }
}

/** Keeps the rows that a test takes. */
export function keepTested(test: (row: number) => boolean, from: Int32Array, m: number, to: Int32Array): number {
  let n = 0
  for (let k = 0; k < m; k++) {
    const row = from[k]!
    to[n] = row
    n += Number(test(row))
  }
  return n
}
/** Marks the rows that a test takes; it is not asked of those that are marked already. */
export function markTested(test: (row: number) => boolean, from: Int32Array, m: number, marks: Uint8Array): void {
  for (let k = 0; k < m; k++) if (!marks[k]) marks[k] = Number(test(from[k]!))
}

/** Keeps those whose byte is `wanted`. */
export function keepMarked(marks: Uint8Array, wanted: number, from: Int32Array, m: number, to: Int32Array): number {
  let n = 0
  for (let k = 0; k < m; k++) {
    to[n] = from[k]!
    n += Number(marks[k] === wanted)
  }
  return n
}

/** Keeps the rows whose flag is set. */
export function keepFlagged(flags: Uint8Array, from: Int32Array, m: number, to: Int32Array): number {
  let n = 0
  for (let k = 0; k < m; k++) {
    const row = from[k]!
    to[n] = row
    n += flags[row]!
  }
  return n
}

/** Rows that are in one of two lists or in both; all ascend. */
export function keepEither(a: Int32Array, n: number, b: Int32Array, m: number, to: Int32Array): number {
  let kept = 0
  let i = 0
  let j = 0
  while (i < n && j < m) {
    const x = a[i]!
    const y = b[j]!
    to[kept++] = x < y ? x : y
    i += Number(x <= y)
    j += Number(y <= x)
  }
  while (i < n) to[kept++] = a[i++]!
  while (j < m) to[kept++] = b[j++]!
  return kept
}

/** Keeps what both have; both ascend. */
export function keepBoth(a: Int32Array, n: number, from: Int32Array, m: number, to: Int32Array): number {
  let kept = 0
  let i = 0
  for (let k = 0; k < m; k++) {
    const row = from[k]!
    while (i < n && a[i]! < row) i++
    if (i < n && a[i] === row) to[kept++] = row
  }
  return kept
}
