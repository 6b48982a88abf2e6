import type { Instant } from '#core/base/dates'

export interface Clock {
  now(): Instant
}

/**
 * The server's clock. `WRENLEAF_NOW` is the time at the start, from which it walks on; with `WRENLEAF_CLOCK=still` it
 * stands, for pictures.
 */
export function serverClock(env: Readonly<Record<string, string | undefined>>, real: () => number = Date.now): Clock {
  const start = env.WRENLEAF_NOW ? Date.parse(env.WRENLEAF_NOW) : undefined
  if (start !== undefined && Number.isNaN(start)) throw new Error(`WRENLEAF_NOW is no time: ${env.WRENLEAF_NOW}`)
  const offset = start === undefined ? 0 : start - real()
  const isStill = env.WRENLEAF_CLOCK === 'still' && start !== undefined
  return { now: () => new Date(isStill ? start : real() + offset).toISOString() }
}
