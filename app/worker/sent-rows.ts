/** Rows cross from the worker once: an answer carries those that the page does not hold, and the ids of the others. */
import { isSameValue } from '#core/base/sorted-ids'
import { mapLists, type LayoutAnswer } from '#core/layouts/said'
import { lineId, type ListLine, type Stretch } from '#core/layouts/rows'
import type { AnyAnswer } from '#core/queries/registry'

/** What the page holds of each list, by item: the row's version. */
export type Held = Map<string, ReadonlyMap<string, string>>

/** An answer as it crosses; in its stretches an id stands for a row that the page holds. */
export interface Packed {
  readonly packed: AnyAnswer
}

const isView = (answer: AnyAnswer): answer is LayoutAnswer =>
  typeof answer === 'object' && !!answer && 'layout' in answer

/** Replaces the rows that were sent before by their ids, and notes what the page holds from now on. */
export function pack(held: Held, answer: AnyAnswer): Packed {
  // A list that the answer has no more is not held any longer.
  const heldBefore = new Map(held)
  held.clear()
  if (!isView(answer)) return { packed: answer }
  const stretch = (list: string, now: Stretch): Stretch => {
    const before = heldBefore.get(list)
    held.set(list, new Map(now.rows.map((row) => [lineId(row), row.v])))
    if (!before) return now
    const rows = now.rows.map((row) => (before.get(lineId(row)) === row.v ? lineId(row) : row))
    return { from: now.from, rows: rows as unknown as ListLine[] }
  }
  return { packed: mapLists(answer, stretch) }
}

/** The answer whole again. Rows that say the same as before are the ones of before, and not redrawn. */
export function unpack<A extends AnyAnswer>(before: A | undefined, { packed }: Packed): A {
  if (!isView(packed)) return packed as A
  const known = new Map<string, ReadonlyMap<string, ListLine>>()
  if (isView(before))
    mapLists(before, (list, stretch) => {
      known.set(list, new Map(stretch.rows.map((row) => [lineId(row), row])))
      return stretch
    })
  const whole = mapLists(packed, (list, { from, rows }) => ({
    from,
    rows: (rows as readonly (ListLine | string)[]).map((row) => {
      const held = known.get(list)?.get(typeof row === 'string' ? row : lineId(row))
      if (typeof row !== 'string') return held && isSameRow(held, row) ? held : row
      if (!held) throw new Error(`row ${row} of list “${list}” is not held`)
      return held
    }),
  }))
  // Sums that say the same are the ones of before, too.
  return (isView(before) && isSameValue(before.sums, whole.sums) ? { ...whole, sums: before.sums } : whole) as A
}

/** The server and the worker count versions each for itself. */
const isSameRow = (one: ListLine, other: ListLine): boolean =>
  one.v === other.v || isSameValue({ ...one, v: '' }, { ...other, v: '' })
