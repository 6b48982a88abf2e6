/** Rows cross from the worker once: an answer carries those that the page does not hold, and the ids of the others. */
import { isSameValue } from '#core/base/sorted-ids'
import { lineId, type Answers, type ListLine, type Question, type Stretch } from '#core/questions/questions'

type Answer = Answers[Question['ask']]
/** What the page holds of each list, by item: the row's version. */
export type Held = Map<string, ReadonlyMap<string, string>>

/** An answer as it crosses; in its stretches an id stands for a row that the page holds. */
export interface Packed {
  readonly packed: Answer
}

const tableList = ''

/** Replaces the rows that were sent before by their ids, and notes what the page holds from now on. */
export function pack(held: Held, answer: Answer): Packed {
  // A list that the answer has no more is not held any longer.
  const heldBefore = new Map(held)
  held.clear()
  const stretch = (list: string, now: Stretch<ListLine>): Stretch<ListLine> => {
    const before = heldBefore.get(list)
    held.set(list, new Map(now.rows.map((row) => [lineId(row), row.v])))
    if (!before) return now
    const rows = now.rows.map((row) => (before.get(lineId(row)) === row.v ? lineId(row) : row))
    return { from: now.from, rows: rows as unknown as ListLine[] }
  }
  return { packed: throughStretches(answer, stretch) }
}

/** The answer whole again. Rows that say the same as before are the ones of before, and not drawn anew. */
export function unpack<A extends Answer>(before: A | undefined, { packed }: Packed): A {
  const known = new Map<string, ReadonlyMap<string, ListLine>>()
  throughStretches(before, (list, { rows, ...stretch }) => {
    known.set(list, new Map(rows.map((row) => [lineId(row), row])))
    return { ...stretch, rows }
  })
  const whole = throughStretches(packed, (list, { from, rows }) => ({
    from,
    rows: (rows as readonly (ListLine | string)[]).map((row) => {
      const held = known.get(list)?.get(typeof row === 'string' ? row : lineId(row))
      if (typeof row !== 'string') return held && isSameRow(held, row) ? held : row
      if (!held) throw new Error(`row ${row} of list “${list}” is not held`)
      return held
    }),
  })) as A
  // Sums that say the same are the ones of before, too.
  return before && whole && 'sums' in before && 'sums' in whole && isSameValue(before.sums, whole.sums)
    ? { ...whole, sums: before.sums }
    : whole
}

/** The server and the worker count versions each for itself. */
const isSameRow = (one: ListLine, other: ListLine): boolean =>
  one.v === other.v || isSameValue({ ...one, v: '' }, { ...other, v: '' })

function throughStretches(
  answer: Answer,
  map: (list: string, stretch: Stretch<ListLine>) => Stretch<ListLine>,
): Answer {
  if (!answer) return answer
  if ('stretch' in answer) return { ...answer, stretch: map(tableList, answer.stretch) }
  if ('columns' in answer)
    return {
      ...answer,
      columns: answer.columns.map((column) => ({ ...column, stretch: map(column.column, column.stretch) as Stretch })),
    }
  return answer
}
