/** Lets a few pass at a time; the others wait their turn, and where too many wait nobody more is let in. */
export class Turnstile {
  #inside = 0
  readonly #waiting: (() => void)[] = []

  constructor(
    readonly most: number,
    readonly mostWaiting: number,
  ) {}

  get isFull(): boolean {
    return this.#inside >= this.most && this.#waiting.length >= this.mostWaiting
  }

  async pass<T>(work: () => Promise<T>): Promise<T> {
    if (this.#inside < this.most) this.#inside++
    else await new Promise<void>((resolve) => this.#waiting.push(resolve))
    try {
      return await work()
    } finally {
      const next = this.#waiting.shift()
      // Whoever comes next takes the place that is left.
      if (next) next()
      else this.#inside--
    }
  }
}
