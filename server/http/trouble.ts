/**
 * What the server's output may hold of something that went wrong. A database says in its messages which values it was
 * given, and so does whoever sent them to it: of its errors only what names no value is kept.
 */
export function sayable(error: unknown): unknown {
  const fault = databaseFault(error)
  if (!fault) return error
  const named = (
    ['code', 'severity', 'routine', 'schema', 'table', 'column', 'constraint', 'dataType'] as const
  ).flatMap((key) => (fault[key] ? [`${key} ${fault[key]}`] : []))
  const frames = (error instanceof Error ? (error.stack ?? '') : '').split('\n').filter((line) => /^\s+at /.test(line))
  return [`the database refused: ${named.join(', ')}`, ...frames].join('\n')
}

type Fault = Readonly<Record<string, string | undefined>>

function databaseFault(error: unknown): Fault | undefined {
  for (let at = error; at instanceof Error; at = at.cause) {
    if ('severity' in at && 'code' in at) return at as unknown as Fault
    if ('query' in at && 'params' in at && !(at.cause instanceof Error)) return {}
  }
  return undefined
}
