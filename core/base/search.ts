/** Binary search. */

/** The first place in `a[0..n)`, ascending, that is not below `x`; `n` where all are. */
export function lowerBound(a: ArrayLike<number>, n: number, x: number): number {
  let [low, high] = [0, n]
  while (low < high) {
    const middle = (low + high) >>> 1
    if (a[middle]! < x) low = middle + 1
    else high = middle
  }
  return low
}

/** The first place from `low` on at which something holds that holds at all later ones too; `high` where nowhere before. */
export function firstPlace(low: number, high: number, holds: (at: number) => boolean): number {
  while (low < high) {
    const middle = (low + high) >>> 1
    if (holds(middle)) high = middle
    else low = middle + 1
  }
  return low
}
