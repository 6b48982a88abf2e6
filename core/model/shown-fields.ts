import { fieldsOf, type Reader } from './reader'
import type { Field, Kind } from './records'

/** The fields that items of a kind show, in its order: all of the project's where it says none. */
export function fieldsShownBy(reader: Reader, kind: Pick<Kind, 'project' | 'shows'>): Field[] {
  const all = fieldsOf(reader, kind.project)
  if (!kind.shows) return all
  return kind.shows.flatMap((id) => all.find((field) => field.id === id) ?? [])
}

/** Whether items of a kind show a field. */
export const isShownBy = (kind: Pick<Kind, 'shows'> | undefined, field: string): boolean =>
  !kind?.shows || (kind.shows as readonly string[]).includes(field)
