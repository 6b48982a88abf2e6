import type { AskAnswer, AskedName, AskInput } from '#core/queries/registry'
import type { Result } from '#core/base/result'
import { useDirectory } from './directory'
import { useSession } from './session'

/** Asks the worker once; undefined where there is none (yet). */
export type Ask = <N extends AskedName>(query: N, input: AskInput<N>) => Promise<Result<AskAnswer<N>> | undefined>

/** Asks the worker for an answer that needs the server: what went wrong there is a problem to tell. */
export function useAskResult(): Ask {
  const session = useSession()
  const directory = useDirectory()
  // What is in reactive state cannot be sent to a worker as it is.
  return async (query, input) =>
    session.api?.ask(query, JSON.parse(JSON.stringify(input)) as typeof input, directory.language) as ReturnType<Ask>
}

/** Asks the worker for an answer that it has itself; undefined where there is no worker (yet). */
export function useAsk(): <N extends AskedName>(query: N, input: AskInput<N>) => Promise<AskAnswer<N> | undefined> {
  const ask = useAskResult()
  return async (query, input) => {
    const result = await ask(query, input)
    return result?.ok ? result.value : undefined
  }
}
