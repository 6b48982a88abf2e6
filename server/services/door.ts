/** So many are inside at once. */
const most = 30
const mostOfOne = 10
/** More than so many of one at once are a crowd; once one of a crowd was refused, the rest need not ask for a while. */
const few = 3
const pauseMs = 1000

interface Standing {
  inside: number
  notBefore: number
}

/** Lets in few at a time, and fewer of one, so that whoever asks too often is turned away before anything is done for them. */
export class Door {
  #inside = 0
  readonly #of = new Map<string, Standing>()

  constructor(readonly now: () => number = () => performance.now()) {}

  /** What is called when they leave, with whether they were refused; undefined: they are not let in. */
  enter(who: string): ((wasRefused: boolean) => void) | undefined {
    const standing = this.#of.get(who) ?? { inside: 0, notBefore: -Infinity }
    if (this.#inside >= most || standing.inside >= mostOfOne || this.now() < standing.notBefore) return undefined
    this.#inside++
    const isCrowd = ++standing.inside > few
    this.#of.set(who, standing)
    return (wasRefused) => {
      this.#inside--
      standing.inside--
      if (wasRefused && isCrowd) standing.notBefore = this.now() + pauseMs
      if (standing.inside) return
      // Nobody is remembered longer than it matters.
      for (const [other, { inside, notBefore }] of this.#of)
        if (!inside && notBefore <= this.now()) this.#of.delete(other)
    }
  }

  /** How many it remembers. */
  get size(): number {
    return this.#of.size
  }
}
