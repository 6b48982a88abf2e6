/** Work that gives way at each `yield`: whoever runs it may let others have their turn there, or leave it. */
export type Pieces<T> = Generator<undefined, T, undefined>

/** After so many of a list work gives way: well under a millisecond of the cheapest, some of the dearest. */
const atOnce = 64

/** Each of a list, giving way from time to time. */
export function* inPieces<T>(all: Iterable<T>, work: (one: T, i: number) => void): Pieces<undefined> {
  let i = 0
  for (const one of all) {
    work(one, i)
    if (++i % atOnce === 0) yield
  }
  return undefined
}

/** The first that is found in any of them, a problem for instance, giving way from time to time. */
export function* firstInPieces<T, F>(all: Iterable<T>, find: (one: T) => F | undefined): Pieces<F | undefined> {
  let i = 0
  for (const one of all) {
    const found = find(one)
    if (found) return found
    if (++i % atOnce === 0) yield
  }
  return undefined
}

/** Does all of it in one go. */
export function inOnePiece<T>(work: Pieces<T>): T {
  for (;;) {
    const step = work.next()
    if (step.done) return step.value
  }
}

const isPieces = <T>(work: T | Pieces<T>): work is Pieces<T> =>
  typeof work === 'object' && work !== null && Symbol.iterator in work && 'next' in work

/** What is there already, or what the pieces come to. */
export function* comesTo<T>(work: T | Pieces<T>): Pieces<T> {
  return isPieces(work) ? yield* work : work
}
