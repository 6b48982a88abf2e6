import type { BoardColumnAnswer, Row, Stretch } from './watches'

interface WithStretch {
  readonly stretch: Stretch
}
interface WithColumns {
  readonly columns: readonly BoardColumnAnswer[]
}

/** What crossed from the worker is a copy: rows that say the same as before are the ones of before, and not drawn anew. */
export function keepRows<A>(before: A | undefined, now: A): A {
  if (!before || !now || typeof now !== 'object') return now
  if ('stretch' in now)
    return {
      ...now,
      stretch: kept((before as unknown as WithStretch).stretch, (now as unknown as WithStretch).stretch),
    }
  if (!('columns' in now)) return now
  const old = new Map((before as unknown as WithColumns).columns.map((one) => [one.column, one]))
  const columns = (now as unknown as WithColumns).columns.map((one) => {
    const held = old.get(one.column)
    return held ? { ...one, stretch: kept(held.stretch, one.stretch) } : one
  })
  return { ...now, columns }
}

function kept(before: Stretch, now: Stretch): Stretch {
  const known = new Map<string, Row>(before.rows.map((row) => [row.item.id, row]))
  return {
    from: now.from,
    rows: now.rows.map((row) => {
      const held = known.get(row.item.id)
      return held?.v === row.v ? held : row
    }),
  }
}
