/** What of a record that is seen only some may see: a person's address is for those who manage people, and for oneself. */
import type { PersonId } from '../base/ids'
import { may } from '../access/access'
import { personActor } from '../change/actor'
import { isSetChange, type Change } from '../change/patch'
import type { EntityName, Person, Records } from '../model/records'
import type { Lookup } from '../model/entities'

const seesAddress = (found: Lookup, me: PersonId, person: string): boolean =>
  me === person || may(found, personActor(me), 'manage people')
const veiled = (person: Person): Person => ({ ...person, email: null })

/** The record as a person sees it who may see it at all. */
export function recordFor<E extends EntityName>(
  found: Lookup,
  me: PersonId,
  entity: E,
  record: Records[E],
): Records[E] {
  if (entity !== 'person' || seesAddress(found, me, (record as Person).id)) return record
  return veiled(record as Person) as Records[E]
}

/** The change as a person sees it who may see its record; undefined: it is none for them. */
export function changeFor(found: Lookup, me: PersonId, change: Change): Change | undefined {
  if (change.entity !== 'person' || isSetChange(change) || seesAddress(found, me, change.id)) return change
  if (change.field === 'email') return undefined
  if (change.field !== '*') return change
  const whole = (record: unknown) => record && veiled(record as Person)
  return { ...change, before: whole(change.before), after: whole(change.after) }
}
