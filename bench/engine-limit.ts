/**
 * The limit that the engine is measured against: for exactly these views, loops over typed arrays written by hand.
 * Whatever can be worked out from the items alone is (orders, folded text, levels); nothing that depends on the view.
 */
import { compareText, foldText } from '#core/base/collation'
import { dayNumber } from '#core/base/dates'
import type { Item } from '#core/model/records'
import { viewer, people, today } from './engine-data'

const noDue = 0x7fff
const base = today - 16_000

// One hot loop a function: several in one are compiled badly.
function keepPerson(four: Int32Array, person: number, out: Int32Array, n: number): number {
  let m = 0
  for (let i = 0; i < n; i++) {
    const x = four[i]! ^ person
    if (((x - 0x01010101) & ~x & -2139062144) !== 0) out[m++] = i
  }
  return m
}
function keepUrgent(
  m: number,
  out: Int32Array,
  status: Uint8Array,
  due: Int16Array,
  priority: Uint8Array,
  open: Uint8Array,
  day: number,
): number {
  let kept = 0
  for (let k = 0; k < m; k++) {
    const i = out[k]!
    if (open[status[i]!] === 1 && (due[i]! < day || priority[i] === 0)) out[kept++] = i
  }
  return kept
}
function keepWide(
  out: Int32Array,
  status: Uint8Array,
  due: Int16Array,
  priority: Uint8Array,
  open: Uint8Array,
  day: number,
  n: number,
): number {
  let m = 0
  for (let i = 0; i < n; i++) {
    out[m] = i
    m += open[status[i]!]! & (Number(due[i]! < day) | Number(priority[i] === 0))
  }
  return m
}
function count4(
  m: number,
  rows: Int32Array,
  keys: Int32Array,
  zone: Uint8Array,
  status: Uint8Array,
  due: Int16Array,
  title: Int32Array,
  h: readonly Uint32Array[],
): void {
  const [h0, h1, h2, h3] = h as [Uint32Array, Uint32Array, Uint32Array, Uint32Array]
  for (let k = 0; k < m; k++) {
    const i = rows[k]!
    const t = title[i]!
    const z = (((zone[i]! << 4) | status[i]!) << 15) | due[i]!
    keys[k] = z
    h0[t & 511]!++
    h1[t >>> 9]!++
    h2[z & 2047]!++
    h3[z >>> 11]!++
  }
}
function sumUp(h: Uint32Array): void {
  for (let b = 0, sum = 0; b < 2048; b++) {
    const c = h[b]!
    h[b] = sum
    sum += c
  }
}
function passA(
  m: number,
  rows: Int32Array,
  keys: Int32Array,
  rows1: Int32Array,
  keys1: Int32Array,
  h: Uint32Array,
  title: Int32Array,
): void {
  for (let k = 0; k < m; k++) {
    const t = title[rows[k]!]!
    const p = h[t & 511]!++
    rows1[p] = t
    keys1[p] = keys[k]!
  }
}
function passB(
  m: number,
  rows1: Int32Array,
  keys1: Int32Array,
  rows: Int32Array,
  keys: Int32Array,
  h: Uint32Array,
): void {
  for (let k = 0; k < m; k++) {
    const t = rows1[k]!
    const p = h[t >>> 9]!++
    rows[p] = t
    keys[p] = keys1[k]!
  }
}
function passC(
  m: number,
  rows: Int32Array,
  keys: Int32Array,
  rows1: Int32Array,
  keys1: Int32Array,
  h: Uint32Array,
): void {
  for (let k = 0; k < m; k++) {
    const z = keys[k]!
    const p = h[z & 2047]!++
    rows1[p] = rows[k]!
    keys1[p] = z
  }
}
function passD(
  m: number,
  rows1: Int32Array,
  keys1: Int32Array,
  rows: Int32Array,
  h: Uint32Array,
  byTitle: Int32Array,
): void {
  for (let k = 0; k < m; k++) rows[h[keys1[k]! >>> 11]!++] = byTitle[rows1[k]!]!
}
function sums(m: number, rows: Int32Array, zone: Uint8Array, status: Uint8Array, effort: Float64Array): number[] {
  const leaves: number[] = []
  let [last, count, sum] = [-1, 0, 0]
  for (let k = 0; k < m; k++) {
    const i = rows[k]!
    const g = (zone[i]! << 4) | status[i]!
    if (g !== last) {
      if (last >= 0) leaves.push(last, count, sum)
      count = sum = 0
      last = g
    }
    count++
    sum += effort[i]!
  }
  if (m) leaves.push(last, count, sum)
  return leaves
}
function countStatus(n: number, status: Uint8Array, effort: Float64Array, counts: Int32Array, sum: Float64Array): void {
  for (let i = 0; i < n; i++) {
    const s = status[i]!
    counts[s + 1]!++
    sum[s]! += effort[i]!
  }
}
function spread(n: number, statusByRank: Uint8Array, byRank: Int32Array, counts: Int32Array, rows: Int32Array): void {
  for (let k = 0; k < n; k++) rows[counts[statusByRank[k]!]!++] = byRank[k]!
}
function addUp(n: number, totals: Float64Array, parentAt: Int32Array): void {
  for (let k = n - 1; k >= 0; k--) {
    const parent = parentAt[k]!
    if (parent >= 0) totals[parent]! += totals[k]!
  }
}
function byRow(n: number, result: Float64Array, totals: Float64Array, order: Int32Array): void {
  for (let k = 0; k < n; k++) result[order[k]!] = totals[k]!
}

interface Blob {
  readonly rows: Int32Array
  readonly starts: Int32Array
  readonly text: string
}
/** A text as one flat run of characters, one byte each where they all are. */
const flat = (text: string, isNarrow: boolean): string =>
  isNarrow ? Buffer.from(text, 'latin1').toString('latin1') : Buffer.from(text, 'utf16le').toString('utf16le')
function blobOf(rows: number[], texts: readonly string[], isNarrow: boolean): Blob {
  const starts = new Int32Array(rows.length + 1)
  rows.forEach((row, k) => (starts[k + 1] = starts[k]! + texts[row]!.length + 1))
  return { rows: Int32Array.from(rows), starts, text: flat(`${rows.map((row) => texts[row]!).join('\n')}\n`, isNarrow) }
}
function scan({ rows, starts, text }: Blob, words: string, out: Int32Array, m: number): number {
  let low = 0
  for (let at = text.indexOf(words); at >= 0; at = text.indexOf(words, starts[low])) {
    let [step, high] = [32, low + 32]
    while (high < rows.length && starts[high]! <= at) {
      low = high
      step <<= 1
      high = low + step
    }
    high = Math.min(high, rows.length)
    while (low + 1 < high) {
      const middle = (low + high) >>> 1
      if (starts[middle]! <= at) low = middle
      else high = middle
    }
    out[m++] = rows[low]!
    if (++low >= rows.length) break
  }
  return m
}

export interface Answered {
  readonly rows: Int32Array
  readonly sums: readonly number[]
}

export function limitOf(items: readonly Item[]) {
  const n = items.length
  const places = (field: string, list: readonly string[]) => new Map(list.map((one, i) => [`${field} ${one}`, i]))
  const [zones, priorities] = [places('zone', ['north', 'east', 'south', 'west', 'core', 'edge']), places('priority', ['top', 'high', 'mid', 'low', 'none'])] // prettier-ignore
  const person = new Map(people.map((one, i) => [one, i + 1]))
  const [status, zone, priority] = [new Uint8Array(n), new Uint8Array(n), new Uint8Array(n)]
  const [due, effort, cost, four] = [new Int16Array(n), new Float64Array(n), new Float64Array(n), new Uint32Array(n)]
  const rowOf = new Map(items.map((item, i) => [item.id as string, i]))
  const parent = new Int32Array(n).fill(-1)
  const folded = items.map((item) => foldText(item.title))
  items.forEach(({ values, status: its, parent: above }, i) => {
    const who = [...((values.assignees ?? []) as string[])]
    const slot = (one: string | undefined, by: number) => (one ? person.get(one)! << by : 0)
    four[i] = (slot(who[0], 0) | slot(who[1], 8) | slot(who[2], 16) | slot((values.reviewer as string[] | undefined)?.[0], 24)) >>> 0 // prettier-ignore
    status[i] = Number(its.slice(7))
    zone[i] = zones.get(String(values.zone)) ?? 6
    priority[i] = priorities.get(String(values.priority)) ?? 5
    due[i] = values.due ? dayNumber(String(values.due)) - base : noDue
    effort[i] = Number(values.effort ?? 0)
    cost[i] = Number(values.cost ?? -25)
    if (above) parent[i] = rowOf.get(above)!
  })
  const sorted = (compare: (a: number, b: number) => number) => Int32Array.from(Array.from({ length: n }, (_, i) => i).sort(compare)) // prettier-ignore
  const byRank = sorted((a, b) => (items[a]!.rank < items[b]!.rank ? -1 : 1))
  const placeByRank = new Int32Array(n)
  byRank.forEach((row, k) => (placeByRank[row] = k))
  const byTitle = sorted((a, b) => compareText(items[a]!.title, items[b]!.title) || placeByRank[a]! - placeByRank[b]!)
  const title = new Int32Array(n)
  byTitle.forEach((row, k) => (title[row] = k))
  const isNarrow = (text: string) => !/[\u0100-\uffff]/.test(text)
  const all = Array.from({ length: n }, (_, i) => i)
  const blobs = [blobOf(all.filter((i) => isNarrow(folded[i]!)), folded, true), blobOf(all.filter((i) => !isNarrow(folded[i]!)), folded, false)] // prettier-ignore
  const day = today + 7 - base
  const word = (people.indexOf(viewer.me) + 1) * 0x01010101
  const open = Uint8Array.from({ length: 9 }, (_, i) => Number(i !== 6 && i !== 7))
  const h = Array.from({ length: 4 }, () => new Uint32Array(2048))
  const [r0, r1, k0, k1] = [new Int32Array(n), new Int32Array(n), new Int32Array(n), new Int32Array(n)]
  const [packed, fourSigned] = [new Float64Array(n), new Int32Array(four.buffer)]

  function finish(m: number): Answered {
    const rows = new Int32Array(m)
    if (m < 400) {
      for (let k = 0; k < m; k++) {
        const i = r0[k]!
        packed[k] = (((zone[i]! << 4) | status[i]!) * 32_768 + due[i]!) * 131_072 + title[i]!
      }
      packed.subarray(0, m).sort()
      for (let k = 0; k < m; k++) rows[k] = byTitle[packed[k]! % 131_072]!
    } else {
      for (const one of h) one.fill(0)
      count4(m, r0, k0, zone, status, due, title, h)
      for (const one of h) sumUp(one)
      passA(m, r0, k0, r1, k1, h[0]!, title)
      passB(m, r1, k1, r0, k0, h[1]!)
      passC(m, r0, k0, r1, k1, h[2]!)
      passD(m, r1, k1, rows, h[3]!, byTitle)
    }
    return { rows, sums: sums(m, rows, zone, status, effort) }
  }

  const statusByRank = Uint8Array.from(byRank, (row) => status[row]!)
  const children: number[][] = Array.from({ length: n }, () => [])
  parent.forEach((above, i) => above >= 0 && children[above]!.push(i))
  const order = [...all.filter((i) => parent[i]! < 0)]
  for (let k = 0; k < order.length; k++) order.push(...children[order[k]!]!)
  const at = new Int32Array(n)
  order.forEach((row, k) => (at[row] = k))
  const parentAt = Int32Array.from(order, (row) => (parent[row]! < 0 ? -1 : at[parent[row]!]!))
  const levels = Int32Array.from(order)
  const effortByLevel = Float64Array.from(order, (row) => effort[row]!)
  const totals = new Float64Array(n)

  return {
    V1: () => finish(keepUrgent(keepPerson(fourSigned, word | 0, r0, n), r0, status, due, priority, open, day)),
    V1w: () => finish(keepWide(r0, status, due, priority, open, day, n)),
    V2(): Answered {
      const m = scan(blobs[1]!, 'xyz', r0, scan(blobs[0]!, 'xyz', r0, 0))
      for (let k = 0; k < m; k++) packed[k] = (1_000_000 - cost[r0[k]!]!) * 131_072 + placeByRank[r0[k]!]!
      packed.subarray(0, m).sort()
      const rows = new Int32Array(m)
      for (let k = 0; k < m; k++) rows[k] = byRank[packed[k]! % 131_072]!
      return { rows, sums: [] }
    },
    V3(): Answered {
      const [counts, sum, rows] = [new Int32Array(10), new Float64Array(9), new Int32Array(n)]
      countStatus(n, status, effort, counts, sum)
      const told: number[] = []
      for (let s = 0; s < 9; s++) {
        if (counts[s + 1]) told.push(s, counts[s + 1]!, sum[s]!)
        counts[s + 1]! += counts[s]!
      }
      spread(n, statusByRank, byRank, counts, rows)
      return { rows, sums: told }
    },
    V4(): Float64Array {
      const result = new Float64Array(n)
      totals.set(effortByLevel)
      addUp(n, totals, parentAt)
      byRow(n, result, totals, levels)
      return result
    },
  }
}
