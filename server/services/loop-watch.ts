import { monitorEventLoopDelay } from 'node:perf_hooks'

/** Longer than this is said in the server's output, with how long it was. */
const worthSayingMs = 250
const everyMs = 10_000
const ms = (nanoseconds: number): number => Math.round(nanoseconds / 1e5) / 10

/** How long this process could not answer anyone, over the last ten seconds and the ten before. */
export class LoopWatch {
  readonly #delay = monitorEventLoopDelay({ resolution: 10 })
  #last = { p99: 0, worst: 0 }
  readonly #look: NodeJS.Timeout

  constructor(say: (text: string) => void = (text) => console.warn(text)) {
    this.#delay.enable()
    this.#look = setInterval(() => {
      this.#last = this.#now()
      this.#delay.reset()
      if (this.#last.worst > worthSayingMs) say(`nobody was answered for ${this.#last.worst.toFixed(0)} ms`)
    }, everyMs)
    this.#look.unref()
  }

  #now(): { p99: number; worst: number } {
    // Sampled every 10 ms: that much is no delay.
    const beyond = (nanoseconds: number) => Math.max(0, ms(nanoseconds) - 10)
    return { p99: beyond(this.#delay.percentile(99)), worst: beyond(this.#delay.max) }
  }

  /** In milliseconds. */
  get delays(): { readonly p99: number; readonly worst: number } {
    const now = this.#now()
    return { p99: Math.max(now.p99, this.#last.p99), worst: Math.max(now.worst, this.#last.worst) }
  }

  end(): void {
    clearInterval(this.#look)
    this.#delay.disable()
  }
}
