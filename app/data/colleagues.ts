import { compareText } from '#core/base/collation'
import type { Reader } from '#core/model/reader'
import type { Person } from '#core/model/records'

/** Everyone else who has an account here and uses it, by name. */
export const colleaguesOf = (reader: Reader, me: Person | undefined): Person[] =>
  [...reader.all('person')]
    .filter(({ id, active, role }) => active && role && id !== me?.id)
    .sort((a, b) => compareText(a.name, b.name))
