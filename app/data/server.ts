import { problemWords } from '#core/access/problem-words'
import { fail, ok, type Problem, type Result } from '#core/base/result'

/** What a route of the server answers, or the problem that it tells. Rejects nothing: no answer is a problem as well. */
export async function callServer<T>(
  method: 'GET' | 'POST' | 'DELETE',
  path: string,
  body?: object,
): Promise<Result<T>> {
  try {
    const response = await fetch(path, {
      method,
      ...(body && { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    })
    const answer = (await response.json().catch(() => ({}))) as { problem?: Problem }
    return response.ok ? ok(answer as T) : fail(answer.problem ?? { code: 'unexpected' })
  } catch {
    return fail({ code: 'no-answer' })
  }
}

const naming = { key: String, field: String, value: (_: string, value: unknown) => String(value), person: String }
/** A problem in words, where it speaks of nothing that has a name. */
export const plainProblem = (problem: Problem): string => problemWords(problem, naming)
