import { setImmediate as othersTurn } from 'node:timers/promises'
import type { Pieces } from '#core/base/pieces'

/** So long work goes on, in ms, before others have their turn. */
const mostAtOnce = 10

/** Runs work in pieces, between which this process answers others. Rejects where the signal says so. */
export async function inTurns<T>(work: Pieces<T>, signal?: AbortSignal): Promise<T> {
  let from = performance.now()
  for (;;) {
    const step = work.next()
    if (step.done) return step.value
    if (performance.now() - from < mostAtOnce) continue
    await othersTurn()
    signal?.throwIfAborted()
    from = performance.now()
  }
}
