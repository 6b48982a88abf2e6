/** From bytes to a command, without anything of the server: it runs in the process itself and in a thread beside it. */
import { fail, problem, type Result } from '#core/base/result'
import { parseCommand, type Command } from '#core/commands/registry'

/** Reads JSON that can be stored. */
export function readJson(bytes: Uint8Array): Result<unknown> {
  let body: unknown
  try {
    body = JSON.parse(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('utf8'))
  } catch {
    return fail(problem('unreadable', { where: 'the body is no JSON' }))
  }
  if (!isStorable(body)) return fail(problem('unreadable', { where: 'a character that cannot be stored' }))
  return { ok: true, value: body }
}

/** PostgreSQL stores neither the null character nor half of a surrogate pair. */
function isStorable(value: unknown): boolean {
  if (typeof value === 'string') return !value.includes('\u0000') && value.isWellFormed()
  if (Array.isArray(value)) return value.every(isStorable)
  if (value && typeof value === 'object')
    return Object.entries(value).every(([key, one]) => isStorable(key) && isStorable(one))
  return true
}

export function readCommand(bytes: Uint8Array): Result<Command> {
  const body = readJson(bytes)
  return body.ok ? parseCommand(body.value) : body
}
