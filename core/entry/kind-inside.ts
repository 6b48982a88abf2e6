import { kindsOf, type Reader } from '../model/reader'
import type { Kind } from '../model/records'

/** The kind of what is added inside an item of another: the one that is meant, where that may, else the first that may. */
export function kindInside(reader: Reader, above: string, meant: Kind): Kind {
  const allowed = reader.maybe('kind', above)?.inside
  if (!allowed || allowed.includes(meant.id)) return meant
  return kindsOf(reader, meant.project).find(({ id }) => allowed.includes(id)) ?? meant
}
