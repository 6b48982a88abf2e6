import type { PersonId } from '../base/ids'
import { isIn } from '../access/access'
import type { Entry } from '../change/command'
import { lookupThrough, scopeOf } from '../change/scopes'
import { entityOf, type Scope } from '../model/entities'
import type { Reader } from '../model/reader'
import { changeFor } from './reserved'

/**
 * An entry as one person may see it: without what the server alone holds, and without what is for others. Undefined:
 * nothing of it.
 */
export function seenBy(reader: Reader, entry: Entry, person: PersonId): Entry | undefined {
  const found = lookupThrough(reader, entry.patch)
  /** By record: an entry changes many fields of the same. */
  const known = new Map<string, boolean>()
  const projects = new Map<string, boolean>()
  const isInScope = (scope: Scope | undefined): boolean => {
    if (scope?.of !== 'project') return isIn(reader, person, scope)
    const isMember = projects.get(scope.project) ?? isIn(reader, person, scope)
    projects.set(scope.project, isMember)
    return isMember
  }
  const patch = entry.patch.flatMap((change) => {
    if (entityOf(change.entity).held === 'server only') return []
    const key = `${change.entity} ${change.id}`
    const isSeen = known.get(key) ?? isInScope(scopeOf(reader, found, change))
    known.set(key, isSeen)
    return isSeen ? (changeFor(reader, person, change) ?? []) : []
  })
  return patch.length || entry.by.person === person ? { ...entry, patch } : undefined
}
