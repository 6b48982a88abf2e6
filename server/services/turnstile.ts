/** Lets a few pass at a time; the others wait their turn, and where too many wait nobody more is let in. */
export class Turnstile {
  #inside = 0
  readonly #waiting: (() => void)[] = []

  constructor(
    readonly most: number,
    readonly mostWaiting: number,
  ) {}

  get isEmpty(): boolean {
    return this.#inside === 0
  }

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

/** A turnstile at which everyone has one of their own besides: nobody takes more than one place, however often they come. */
export class Turns<Who> {
  readonly #all: Turnstile
  readonly #own = new Map<Who, Turnstile>()

  constructor(
    most: number,
    readonly mostWaiting: number,
  ) {
    this.#all = new Turnstile(most, Infinity)
  }

  /** Whether so many of this person's wait already that no more are let in. */
  isFull(who: Who): boolean {
    return this.#own.get(who)?.isFull ?? false
  }

  async pass<T>(who: Who, work: () => Promise<T>): Promise<T> {
    const own = this.#own.get(who) ?? new Turnstile(1, this.mostWaiting)
    this.#own.set(who, own)
    try {
      return await own.pass(() => this.#all.pass(work))
    } finally {
      if (own.isEmpty) this.#own.delete(who)
    }
  }
}
