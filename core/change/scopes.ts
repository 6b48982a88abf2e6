/** Who a change is for: the scope of the record that it changes, as it is now or as the patch itself has it. */
import { entityOf, type Lookup, type Scope } from '../model/entities'
import type { Reader } from '../model/reader'
import type { EntityName, ProjectId, Records } from '../model/records'
import { isSetChange, type Change, type Patch } from './patch'

/** Finds records of a state and, where they are gone from it, those that a patch makes or unmakes. */
export function lookupThrough(reader: Reader, patch: Patch): Lookup {
  const inPatch = new Map<string, unknown>()
  for (const change of patch)
    if (change.field === '*' && !isSetChange(change))
      inPatch.set(`${change.entity} ${change.id}`, change.after ?? change.before)
  return {
    maybe: <E extends EntityName>(entity: E, id: string) =>
      reader.maybe(entity, id) ?? (inPatch.get(`${entity} ${id}`) as Records[E] | undefined),
  }
}

/** Undefined: what it changes, or what that belongs to, is not to be found. */
export function scopeOf(reader: Reader, found: Lookup, { entity, id }: Change): Scope | undefined {
  // An item that is read is a copy; its project alone costs nothing.
  const place = entity === 'item' ? reader.placeOf(id) : undefined
  if (place) return { of: 'project', project: place.table.project }
  const record = found.maybe(entity, id)
  return record && entityOf(entity).scope(record, found)
}

/** The projects that a patch is about, each once; what the server alone holds aside. */
export function projectsOf(reader: Reader, patch: Patch): Set<ProjectId> {
  const found = lookupThrough(reader, patch)
  const projects = new Set<ProjectId>()
  const seen = new Set<string>()
  for (const change of patch) {
    if (seen.has(change.id) || entityOf(change.entity).held === 'server only') continue
    seen.add(change.id)
    const scope = scopeOf(reader, found, change)
    if (scope && scope.of !== 'workspace') projects.add(scope.project)
  }
  return projects
}
