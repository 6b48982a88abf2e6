import type { AnyAnswer, WatchAnswer, WatchedName, WatchInput, WatchRequest } from './registry'

/** A query with its answer. */
export type Answered = readonly [WatchRequest, AnyAnswer]

/** What comes along with a signed-in page. */
export interface PageSeed {
  /** Who is signed in, the server's build (both name the browser's worker), and whether the page is drawn already. */
  readonly who: { readonly me: string; readonly build: string; readonly isDrawn: boolean }
  /** The browser's, as it asked for the page: days are written in it here and there. */
  readonly language: string
  /** The workspace's, 0 to 23. */
  readonly hour: number
  /** To what the page asks first. */
  readonly answers: readonly Answered[]
}

/** Names a request: those that ask the same have the same. */
export const requestKey = ({ query, input }: { readonly query: WatchedName; readonly input: unknown }): string =>
  JSON.stringify([query, input ?? null])

/** The answer that came along to a query; undefined where none did. */
export function answerIn<N extends WatchedName>(
  seed: PageSeed | undefined,
  query: N,
  input: WatchInput<N>,
): WatchAnswer<N> | undefined {
  const key = requestKey({ query, input })
  return seed?.answers.find(([one]) => requestKey(one) === key)?.[1] as WatchAnswer<N> | undefined
}
