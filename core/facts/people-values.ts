import { placesOf } from '../fields/source'
import type { Reader } from '../model/reader'
import type { NamedValue } from './contract'

/** Whoever is looking, their team, and everyone by name. */
export const peopleValues = (reader: Reader): NamedValue[] => [
  { id: 'me', name: 'you', is: 'word', typed: 'me' },
  { id: 'craft', name: 'your team', is: 'word', typed: 'my team' },
  ...[...reader.all('person')].map((person): NamedValue => ({ id: person.id, name: person.name, is: 'person' })),
]

/** People in the order of their names; `first` before all of them. */
export const peoplesPlace = ({ names }: Reader, first?: string) =>
  placesOf(() => (first ? [first, ...names.peopleInOrder()] : names.peopleInOrder()))
