import { compareText } from '#core/base/collation'
import { minutesIn } from '#core/base/week'
import type { Reader } from '#core/model/reader'
import { roles, type Person, type Role } from '#core/model/records'

/** What of people is changed where it stands. */
export type PersonFact = 'role' | 'craft' | 'hours'

/** People who do the same kind of work; last those of none, then those who have left. */
export interface CraftGroup {
  readonly id: string
  readonly craft: string | null
  readonly hasLeft: boolean
  readonly people: readonly Person[]
  readonly minutes: number
}

export function craftGroups(everybody: Iterable<Person>): CraftGroup[] {
  const groups = new Map<string, Person[]>()
  for (const person of everybody) {
    const id = !person.active ? 'left' : person.craft ? `craft ${person.craft}` : 'none'
    groups.set(id, [...(groups.get(id) ?? []), person])
  }
  const placeOf = (id: string) => (id === 'left' ? 2 : id === 'none' ? 1 : 0)
  return [...groups]
    .sort(([a], [b]) => placeOf(a) - placeOf(b) || compareText(a, b))
    .map(([id, people]) => ({
      id,
      craft: id.startsWith('craft ') ? id.slice(6) : null,
      hasLeft: id === 'left',
      people: people.sort((a, b) => compareText(a.name, b.name)),
      minutes: people.reduce((sum, { hours, active }) => sum + (active ? minutesIn(hours) : 0), 0),
    }))
}

/** The roles that somebody may give, those that may most first. */
export const rolesToGive = (mayMakeOwners: boolean): Role[] =>
  [...roles].reverse().filter((role) => role !== 'owner' || mayMakeOwners)

/** The crafts of those who are here. */
export const craftsIn = (reader: Reader): string[] =>
  [...new Set([...reader.all('person')].flatMap(({ craft, active }) => (craft && active ? [craft] : [])))].sort(compareText) // prettier-ignore
