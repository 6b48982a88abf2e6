import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import { fail, ok, type Result } from '#core/base/result'

/** Who tries to prove who they are. */
export interface Attempt {
  /** What is to be opened: an e-mail address, or the first start. */
  readonly of: string
  readonly machine: string
  /** A browser in which whoever is named has signed in before: a stranger's tries are none of its business. */
  readonly browser?: string | undefined
}

const aMinute = 60
const longestDelayMs = 5000
/** So many tries a minute at one address are answered at once; after that each waits, and none is shut out. */
const mostAtOnce = 10

/**
 * Counts tries before they are looked at; a right one is given back. Ten a minute for a browser that is known, or for a
 * machine at an address; thirty for a machine. Whatever strangers do at an address makes the next one slow, not impossible.
 */
export class Tries {
  readonly #byBrowser = new RateLimiterMemory({ points: 10, duration: aMinute })
  readonly #byPlace = new RateLimiterMemory({ points: 10, duration: aMinute })
  readonly #byMachine = new RateLimiterMemory({ points: 30, duration: aMinute })
  readonly #byAddress = new RateLimiterMemory({ points: 1e9, duration: aMinute })

  constructor(readonly wait: (ms: number) => Promise<void> = (ms) => new Promise((done) => setTimeout(done, ms))) {}

  /** Takes a try, and gives what is called when it was right; or says how many seconds to wait. */
  async take({ of, machine, browser }: Attempt): Promise<Result<() => Promise<void>, number>> {
    const taken: [RateLimiterMemory, string][] = browser
      ? [[this.#byBrowser, browser]]
      : [
          [this.#byPlace, `${of} ${machine}`],
          [this.#byMachine, machine],
        ]
    for (const [limiter, key] of taken) {
      const seconds = await secondsToWait(limiter, key)
      if (seconds) return fail(seconds)
    }
    if (!browser) {
      const { consumedPoints } = await this.#byAddress.consume(of)
      const over = consumedPoints - mostAtOnce
      if (over > 0) await this.wait(Math.min(longestDelayMs, 125 * 2 ** Math.min(over, 10)))
    }
    return ok(async () => {
      for (const [limiter, key] of taken) await limiter.reward(key)
    })
  }
}

/** 0: a point was left, and is taken. */
async function secondsToWait(limiter: RateLimiterMemory, key: string): Promise<number> {
  try {
    await limiter.consume(key)
    return 0
  } catch (error) {
    if (error instanceof RateLimiterRes) return Math.ceil(error.msBeforeNext / 1000)
    throw error
  }
}
