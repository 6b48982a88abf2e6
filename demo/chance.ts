import { v7 } from 'uuid'

/** Chance that is the same for everyone: mulberry32 (Tommy Ettinger, public domain). */
export class Chance {
  constructor(private seed: number) {}

  /** From 0 up to, without, 1. */
  next(): number {
    this.seed = (this.seed + 0x6d2b79f5) | 0
    let t = Math.imul(this.seed ^ (this.seed >>> 15), 1 | this.seed)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }

  /** A whole number from 0 up to, without, n. */
  below = (n: number): number => Math.floor(this.next() * n)

  pick<T>(list: readonly T[]): T {
    const one = list[this.below(list.length)]
    if (one === undefined) throw new RangeError('nothing to pick from')
    return one
  }

  /** A maker of UUIDv7 at a moment given by the caller. */
  ids(moment: () => number): () => string {
    return () => v7({ msecs: moment(), random: Uint8Array.from({ length: 16 }, () => this.below(256)) })
  }
}
