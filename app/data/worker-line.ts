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

/** How long a worker that was started may say nothing, in ms; twice as long the next time. */
const patienceMs = 3000

/**
 * Starts a worker, and another as long as none says that it lives: one may never do so, where the line was cut just then
 * or the page that started it was left while it loaded. The first that says so is handed on.
 */
export function firstToAnswer(start: (attempt: number) => MessagePort, isThere: (line: MessagePort) => void): void {
  let isAnswered = false
  let next: ReturnType<typeof setTimeout>
  const begin = (attempt: number): void => {
    const line = start(attempt)
    const first = (): void => {
      if (isAnswered) return line.close()
      isAnswered = true
      clearTimeout(next)
      isThere(line)
    }
    line.addEventListener('message', first, { once: true })
    line.start()
    next = setTimeout(begin, patienceMs * 2 ** attempt, attempt + 1)
  }
  begin(0)
}
