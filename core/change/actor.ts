import type { PersonId } from '../base/ids'

/** Who makes a change. Forms, rules and guests of a link will be others than people. */
export type Actor = { readonly is: 'person'; readonly person: PersonId }

export const personActor = (person: PersonId): Actor => ({ is: 'person', person })

export const isSameActor = (one: Actor, other: Actor): boolean => one.is === other.is && one.person === other.person
