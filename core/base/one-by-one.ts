/** Does things one after another, in the order in which they are asked for; one that fails does not stop the next. */
export function oneByOne(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve()
  return (work) => {
    const done = last.then(work)
    last = done.catch(() => undefined)
    return done
  }
}
