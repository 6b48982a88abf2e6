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

/** Fields that an item shows together, under a name where they have one. */
export interface FieldGroup {
  readonly name: string | null
  readonly fields: readonly Field[]
}
/** Fields in the groups in which a kind shows them; what comes before the first of them has no name. */
export function inGroups(fields: readonly Field[], kind: Pick<Kind, 'groups'> | undefined): FieldGroup[] {
  const groups: { name: string | null; fields: Field[] }[] = [{ name: null, fields: [] }]
  for (const field of fields) {
    const begins = kind?.groups?.find(({ from }) => from === field.id)
    if (begins) groups.push({ name: begins.name, fields: [] })
    groups.at(-1)!.fields.push(field)
  }
  return groups
}
