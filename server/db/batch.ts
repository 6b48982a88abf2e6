/** What entries write: the log's rows, and the last word on each record that they changed. */
import type { Entry } from '#core/change/command'
import { isSetChange, itemsOfChange, mostChangesAtOnce, recordKey, touchedBy, type Patch } from '#core/change/patch'
import { scopesAmong, scopesWithin, type Scopes } from '#core/change/scopes'
import { entityOf } from '#core/model/entities'
import type { EntityName } from '#core/model/records'
import type { State } from '#core/model/state'
import { changesInPart } from '#core/wire/feed'
import type { Row } from './rows'
import type { RecordEntity } from './schema'

export interface Done {
  readonly entry: Entry
  readonly scopes: Scopes
  /** What was sent. */
  readonly body: unknown
}

/** How many parts an entry's patch is kept in; 0: it is in the entry itself. */
export const partsOf = ({ entry }: { readonly entry: Pick<Entry, 'patch'> }): number =>
  entry.patch.length > mostChangesAtOnce ? Math.ceil(entry.patch.length / changesInPart) : 0

/** The entry's own row. */
export function logRowOf(workspaceId: string, { entry, scopes, body }: Done): Row {
  const parts = partsOf({ entry })
  return {
    workspaceId, sequence: entry.sequence, command: entry.command, type: entry.type, v: entry.v,
    body: parts ? {} : body, patch: parts ? null : entry.patch, parts, model: entry.model, by: entry.by, at: entry.at,
    more: { ...(entry.of && { of: entry.of }), ...(entry.leftAlone && { leftAlone: entry.leftAlone }) },
    scopes: parts ? scopesAmong(scopes) : scopes,
  } // prettier-ignore
}

/** One of the parts of a large patch. */
export function partRowOf(workspaceId: string, command: string, part: number, patch: Patch, scopes: Scopes): Row {
  const [from, to] = [part * changesInPart, (part + 1) * changesInPart]
  return { workspaceId, command, part, patch: patch.slice(from, to), scopes: scopesWithin(scopes, from, to) }
}

export const partRowsOf = (workspaceId: string, { entry, scopes }: Done): Row[] =>
  Array.from({ length: partsOf({ entry }) }, (_, part) =>
    partRowOf(workspaceId, entry.command, part, entry.patch, scopes),
  )

/** In whose history changes stand, each item once; `partAt`: the part that a change is in. `known`: they have it already. */
export function itemRowsOf(
  workspaceId: string,
  sequence: number,
  patch: Patch,
  partAt: (i: number) => number | null,
  known: ReadonlySet<string> = new Set(),
): Row[] {
  const rows: Row[] = []
  const seen = new Set<string>()
  patch.forEach((change, i) => {
    for (const id of itemsOfChange(change)) {
      if (seen.has(id) || known.has(id)) continue
      seen.add(id)
      rows.push({ workspaceId, item: id, sequence, part: partAt(i) })
    }
  })
  return rows
}

export const itemRowsOfEntry = (workspaceId: string, { entry }: Done): Row[] =>
  itemRowsOf(workspaceId, entry.sequence, entry.patch, (i) =>
    partsOf({ entry }) ? Math.floor(i / changesInPart) : null,
  )

/** The last word on the records of one entity. */
export interface RecordRows {
  /** Whole rows, new ones or in place of those of the same id. */
  readonly written: Iterable<Row>
  readonly removed: readonly string[]
  /** Single fields of rows that are not held here, by field, then by id. */
  readonly set: ReadonlyMap<string, ReadonlyMap<string, unknown>>
}

/** The records that a patch changed. `state` is as it is after it, or later. */
export class ChangedRecords {
  /** Records that were not there before. */
  readonly #made: ReadonlySet<string>

  constructor(
    readonly workspaceId: string,
    readonly patch: Patch,
    readonly state: State,
  ) {
    this.#made = madeWithin(patch)
  }

  rowsOf(entity: RecordEntity): RecordRows {
    return entityOf(entity).held === 'server only' ? this.#unheld(entity) : this.#held(entity)
  }

  /** Of what the state holds: each record that was touched, as it is now. */
  #held(entity: RecordEntity): RecordRows {
    const touched = this.#touched().get(entity) ?? []
    const isHere = (id: string) => (entity === 'item' ? !!this.state.placeOf(id) : !!this.state.maybe(entity, id))
    // Made and taken away within the patch: it was never in the database.
    const removed = touched.filter((id) => !isHere(id) && !this.#made.has(`${entity} ${id}`))
    return { written: this.#rowsHere(entity, touched), removed, set: new Map() }
  }

  /** One after another, as they are asked for: very many at once would hold the process. */
  *#rowsHere(entity: RecordEntity, ids: readonly string[]): Iterable<Row> {
    for (const id of ids) {
      const record = this.state.maybe(entity, id)
      if (record) yield { ...record, workspaceId: this.workspaceId }
    }
  }

  #byEntity: Map<EntityName, string[]> | undefined
  #touched(): Map<EntityName, string[]> {
    if (this.#byEntity) return this.#byEntity
    const touched = new Map<EntityName, string[]>()
    for (const { entity, id } of touchedBy(this.patch)) {
      const ids = touched.get(entity)
      if (ids) ids.push(id)
      else touched.set(entity, [id])
    }
    return (this.#byEntity = touched)
  }

  /** Of what only the database holds: what the patch itself says of it, in turn. */
  #unheld(entity: RecordEntity): RecordRows {
    const records = new Map<string, Row | null>()
    const set = new Map<string, Map<string, unknown>>()
    for (const change of this.patch) {
      if (change.entity !== entity || isSetChange(change)) continue
      const { id, field, after } = change
      const record = records.get(id)
      if (field === '*') records.set(id, after as Row | null)
      else if (record) records.set(id, { ...record, [field]: after })
      else set.set(field, (set.get(field) ?? new Map<string, unknown>()).set(id, after))
    }
    const written = [...records].flatMap(([, row]) => (row ? [{ ...row, workspaceId: this.workspaceId }] : []))
    const removed = [...records].flatMap(([id, row]) => (row || this.#made.has(`${entity} ${id}`) ? [] : [id]))
    return { written, removed, set }
  }
}

function madeWithin(patch: Patch): Set<string> {
  const made = new Set<string>()
  const known = new Set<string>()
  for (const change of patch) {
    const key = recordKey(change)
    if (!known.has(key) && change.field === '*' && !isSetChange(change) && change.before === null) made.add(key)
    known.add(key)
  }
  return made
}
