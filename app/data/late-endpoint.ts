import type { Endpoint } from 'comlink'

/** An endpoint that can be spoken to before it is there: what was said, and who listens, is handed on when it is. */
export function lateEndpoint(): { readonly endpoint: Endpoint; isThere(real: Endpoint): void } {
  const waiting: ((real: Endpoint) => void)[] = []
  let there: Endpoint | undefined
  const toIt = (work: (real: Endpoint) => void): void => {
    if (there) work(there)
    else waiting.push(work)
  }
  return {
    endpoint: {
      postMessage: (...said) => toIt((real) => real.postMessage(...said)),
      addEventListener: (...of) => toIt((real) => real.addEventListener(...of)),
      removeEventListener: (...of) => toIt((real) => real.removeEventListener(...of)),
      start: () => toIt((real) => real.start?.()),
    },
    isThere(real) {
      there = real
      for (const work of waiting.splice(0)) work(real)
    },
  }
}
