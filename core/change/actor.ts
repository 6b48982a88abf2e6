import type { PersonId } from '../base/ids'

/** Who makes a change. Forms, rules and guests of a link will be others than people. */
export type Actor = { readonly is: 'person'; readonly person: PersonId }

/** A person as the maker of a change. */
export const personActor = (person: PersonId): Actor => ({ is: 'person', person })

/** The person who makes it, or on whose behalf it is made. */
export const personOf = (by: Actor): PersonId => by.person

/** Whether two changes were made by the same. */
export const isSameActor = (one: Actor, other: Actor): boolean => one.is === other.is && one.person === other.person
