import type { PersonId } from '../base/ids'
import { isIn } from '../access/access'
import type { Entry } from '../change/command'
import type { Change } from '../change/patch'
import type { Scopes } from '../change/scopes'
import { entityOf, type Scope } from '../model/entities'
import type { Reader } from '../model/reader'
import type { EntityName, Records } from '../model/records'
import { changeFor, recordFor } from './reserved'

/** What was done, and whom each of its changes is for. */
export interface Scoped {
  readonly entry: Entry
  readonly scopes: Scopes
}

/** Whether any of it is for a person, as things stand now. */
export const concerns = (reader: Reader, scopes: Scopes, person: PersonId): boolean =>
  scopes.some(({ scope, left }) => [scope, left].some((one) => one && isIn(reader, person, one)))

/**
 * An entry as one person may see it: without what the server alone holds, and without what is for others. Whether they
 * belong to a scope is asked now. Undefined: nothing of it.
 */
export function seenBy(reader: Reader, { entry, scopes }: Scoped, person: PersonId): Entry | undefined {
  const isFor = (scope: Scope | null): boolean => !!scope && isIn(reader, person, scope)
  const patch: Change[] = []
  let at = 0
  for (const { n, scope, left, gained } of scopes) {
    const changes = entry.patch.slice(at, (at += n))
    const sees = isFor(scope)
    const saw = left === undefined ? sees : isFor(left)
    if (sees && saw)
      for (const change of changes) {
        const seen = entityOf(change.entity).held === 'server only' ? undefined : changeFor(reader, person, change)
        if (seen) patch.push(seen)
      }
    else if ((sees || saw) && gained !== undefined)
      for (const { entity, id } of changes)
        patch.push({ entity, id, field: '*', before: null, after: sees ? recordFor(reader, person, entity, gained as Records[EntityName]) : null }) // prettier-ignore
  }
  return patch.length || entry.by.person === person ? { ...entry, patch } : undefined
}
