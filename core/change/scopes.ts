/** Who each change of a patch is for: settled when it is made, and kept with it whatever becomes of the record. */
import { firstInPieces, inPieces, type Pieces } from '../base/pieces'
import { isSameValue } from '../base/sorted-ids'
import { entityOf, type Lookup, type Scope } from '../model/entities'
import type { Reader } from '../model/reader'
import type { EntityName, Records } from '../model/records'
import { isSetChange, recordKey, type Change, type Patch } from './patch'

/** Changes that stand together in a patch and are for the same people. */
export interface ScopeRun {
  /** How many changes; 0 where it only says that the entry has some of that scope. */
  readonly n: number
  /** Null: what they change was not to be found, so they are for nobody. */
  readonly scope: Scope | null
  /** The scope that their record has left by this patch. Those who lose it are sent a removal, those who gain it all of it. */
  readonly left?: Scope | null
  /** The whole record as the patch left it, once for those who gain it. */
  readonly gained?: unknown
}
/** Runs along a patch. */
export type Scopes = readonly ScopeRun[]

/** Finds records of a state and, where they are not in it, those that a patch makes or unmakes. */
export function* lookupThrough(reader: Reader, patch: Patch): Pieces<Lookup> {
  const inPatch = new Map<string, unknown>()
  yield* inPieces(patch, (change) => {
    if (change.field === '*' && !isSetChange(change)) inPatch.set(recordKey(change), change.after ?? change.before)
  })
  return {
    maybe: <E extends EntityName>(entity: E, id: string) =>
      reader.maybe(entity, id) ?? (inPatch.get(recordKey({ entity, id })) as Records[E] | undefined),
  }
}

function scopeOf(reader: Reader, { entity, id }: Change): Scope | undefined {
  // An item that is read is a copy; its project alone costs nothing.
  if (entity === 'item') {
    const place = reader.placeOf(id)
    return place && { of: 'project', project: place.table.project }
  }
  const record = reader.maybe(entity, id)
  return record && entityOf(entity).scope(record, reader)
}

/** What the server alone holds is sent to nobody, whatever its scope. */
const isHeld = (change: Change): boolean => entityOf(change.entity).held !== 'server only'

function scopesNow(reader: Reader, patch: Patch): Map<string, Scope | undefined> {
  const scopes = new Map<string, Scope | undefined>()
  for (const change of patch) {
    const key = recordKey(change)
    if (isHeld(change) && !scopes.has(key)) scopes.set(key, scopeOf(reader, change))
  }
  return scopes
}

/** Called before a patch is applied; what it gives is called afterwards, and gives the scopes of its changes. */
export function scoping(reader: Reader, patch: Patch): () => Scopes {
  const before = scopesNow(reader, patch)
  return () => {
    const after = scopesNow(reader, patch)
    const runs: { -readonly [K in keyof ScopeRun]: ScopeRun[K] }[] = []
    const gained = new Set<string>()
    for (const change of patch) {
      const last = runs.at(-1)
      // It goes along with what stands before it.
      if (!isHeld(change) && last && last.gained === undefined) last.n++
      else if (!isHeld(change)) runs.push({ n: 1, scope: null })
      else {
        const key = recordKey(change)
        // What is made or unmade has a scope on one side alone.
        const [was, is] = [before.get(key) ?? after.get(key), after.get(key) ?? before.get(key)]
        const scope = is ?? null
        const isMoved = !isSame(was, is)
        if (last?.gained === undefined && last && !isMoved && last.left === undefined && isSame(last.scope, scope))
          last.n++
        else if (!isMoved) runs.push({ n: 1, scope })
        else {
          const record = gained.has(key) ? undefined : reader.maybe(change.entity, change.id)
          runs.push({ n: 1, scope, left: was ?? null, ...(record && { gained: record }) })
          gained.add(key)
        }
      }
    }
    return runs
  }
}

/**
 * The scopes of a patch that is not applied yet, giving way. Undefined where it changes what decides who sees a record:
 * that can be told only once it is applied.
 */
export function* scopesAhead(reader: Reader, patch: Patch): Pieces<Scopes | undefined> {
  const found = yield* lookupThrough(reader, patch)
  const scope = (change: Change): Scope | undefined => {
    const known = scopeOf(reader, change)
    if (known) return known
    const record = found.maybe(change.entity, change.id)
    return record && entityOf(change.entity).scope(record as never, found)
  }
  const runs: { n: number; scope: Scope | null }[] = []
  const misfit = yield* firstInPieces(patch, (change) => {
    const { entity, field } = change
    if (entityOf(entity).held === 'directory' && field !== '*' && field !== 'nextNumber') return change
    const last = runs.at(-1)
    if (!isHeld(change)) {
      if (last) last.n++
      else runs.push({ n: 1, scope: null })
      return undefined
    }
    const one = scope(change) ?? null
    if (last && isSame(last.scope, one)) last.n++
    else runs.push({ n: 1, scope: one })
    return undefined
  })
  return misfit ? undefined : runs
}

function isSame(a: Scope | null | undefined, b: Scope | null | undefined): boolean {
  if (a === b) return true
  if (a?.of === 'project' && b?.of === 'project') return a.project === b.project && a.self === b.self
  return isSameValue(a ?? null, b ?? null)
}

/** The runs of a stretch of the patch. */
export function scopesWithin(scopes: Scopes, from: number, to: number): Scopes {
  let at = 0
  return scopes.flatMap((run) => {
    const n = Math.min(to, at + run.n) - Math.max(from, at)
    at += run.n
    return n > 0 ? [{ ...run, n }] : []
  })
}

/** Each scope of a patch once: whom it concerns at all. */
export function scopesAmong(scopes: Scopes): Scopes {
  const among: ScopeRun[] = []
  for (const { scope, left } of scopes)
    for (const one of [scope, left])
      if (one && !among.some((other) => isSame(other.scope, one))) among.push({ n: 0, scope: one })
  return among
}
