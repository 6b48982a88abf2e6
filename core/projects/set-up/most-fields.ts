import { problem, type Problem } from '../../base/result'
import { fieldsOf, type Reader } from '../../model/reader'
import type { ProjectId } from '../../model/records'

/** The most fields that a project may have. */
export const mostFields = 200
/** The most options that a field may have. */
export const mostOptions = 1000

/** Undefined where a project has room for so many fields more. */
export function fieldsRefusal(reader: Reader, project: ProjectId, more: number): Problem | undefined {
  const would = fieldsOf(reader, project).length + more
  return would > mostFields ? problem('too-many-fields', { would, most: mostFields }) : undefined
}
/** Undefined where a field may have so many options. */
export const optionsRefusal = (would: number): Problem | undefined =>
  would > mostOptions ? problem('too-many-options', { would, most: mostOptions }) : undefined
