import type { Problem } from '#core/base/result'
import { typeOf } from '#core/fields/registry'
import type { Value } from '#core/fields/value'
import { fieldContext, type Reader } from '#core/model/reader'
import { soon } from '../fetched'
import type { useDirectory } from './directory'
import type { useSession } from './session'

const sentences = soon(() => import('#core/access/problem-words'))

/** Says problems by the names that things have here. */
export function problemSaid(session: ReturnType<typeof useSession>, directory: ReturnType<typeof useDirectory>) {
  return async (problem: Problem): Promise<string> => {
    const item = problem.at?.[0]?.item
    const key = item ? ((await session.api?.keyOf(item)) ?? item) : ''
    const { reader } = directory
    const { problemWords } = await sentences()
    return problemWords(problem, {
      key: () => key,
      field: (id) => reader.maybe('field', id)?.name ?? id,
      person: (id) => (id === session.me ? 'You' : (reader.names.person(id) ?? 'Someone')),
      value: (id, value) => valueSaid(reader, id, value),
    })
  }
}

function valueSaid(reader: Reader, id: string, value: unknown): string {
  if (id === 'status') return reader.maybe('status', String(value))?.name ?? ''
  if (id === 'kind') return reader.maybe('kind', String(value))?.name ?? ''
  const field = reader.maybe('field', id)
  if (!field) return value === null ? '' : `“${String(value)}”`
  return typeOf(field).print(value as Value, fieldContext(reader, field))
}
