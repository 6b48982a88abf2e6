/** What a batch of entries writes: the log's rows, and the last word on each record that they changed. */
import type { Entry } from '#core/change/command'
import { isSetChange, mostChangesAtOnce, touchedBy, type Change } from '#core/change/patch'
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
export const partsOf = ({ entry }: Pick<Done, 'entry'>): number =>
  entry.patch.length > mostChangesAtOnce ? Math.ceil(entry.patch.length / changesInPart) : 0

/** The last word on the records of one entity. */
export interface RecordRows {
  /** Whole rows, new ones or in place of those of the same id. */
  readonly written: Iterable<Row>
  readonly removed: readonly string[]
  /** Single fields of rows that are not held here, by field, then by id. */
  readonly set: ReadonlyMap<string, ReadonlyMap<string, unknown>>
}

export class Batch {
  readonly log: Row[] = []
  readonly parts: Row[] = []
  readonly items: Row[] = []
  /** Records that were not there before the batch. */
  readonly #made: ReadonlySet<string>

  /** `state` is as it is after the batch. */
  constructor(
    readonly workspaceId: string,
    readonly all: readonly Done[],
    readonly state: State,
  ) {
    this.#made = madeWithin(all)
    for (const done of all) this.#logRows(done)
  }

  rowsOf(entity: RecordEntity): RecordRows {
    return entityOf(entity).held === 'server only' ? this.#unheld(entity) : this.#held(entity)
  }

  #logRows({ entry, scopes, body }: Done): void {
    const { workspaceId } = this
    const { sequence, patch } = entry
    const n = partsOf({ entry })
    this.log.push({
      workspaceId, sequence, command: entry.command, type: entry.type, v: entry.v, body: n ? {} : body,
      patch: n ? null : patch, parts: n, model: entry.model, by: entry.by, at: entry.at,
      more: { ...(entry.of && { of: entry.of }), ...(entry.leftAlone && { leftAlone: entry.leftAlone }) },
      scopes: n ? scopesAmong(scopes) : scopes,
    }) // prettier-ignore
    for (let part = 0; part < n; part++) {
      const [from, to] = [part * changesInPart, (part + 1) * changesInPart]
      this.parts.push({ workspaceId, sequence, part, patch: patch.slice(from, to), scopes: scopesWithin(scopes, from, to) }) // prettier-ignore
    }
    const seen = new Set<string>()
    patch.forEach(({ entity, id }, i) => {
      if (entity !== 'item' || seen.has(id)) return
      seen.add(id)
      this.items.push({ workspaceId, item: id, sequence, part: n ? Math.floor(i / changesInPart) : null })
    })
  }

  /** Of what the state holds: each record that was touched, as it is now. */
  #held(entity: RecordEntity): RecordRows {
    const touched = this.#touched().get(entity) ?? []
    const isHere = (id: string) => (entity === 'item' ? !!this.state.placeOf(id) : !!this.state.maybe(entity, id))
    // Made and taken away within the batch: it was never in the database.
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
    for (const { entity, id } of touchedBy(this.all.flatMap((done) => [...done.entry.patch]))) {
      const ids = touched.get(entity)
      if (ids) ids.push(id)
      else touched.set(entity, [id])
    }
    return (this.#byEntity = touched)
  }

  /** Of what only the database holds: what the patches themselves say of it, in turn. */
  #unheld(entity: RecordEntity): RecordRows {
    const records = new Map<string, Row | null>()
    const set = new Map<string, Map<string, unknown>>()
    for (const { id, field, after } of changesOf(this.all, entity)) {
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

type FieldChange = Exclude<Change, { added: readonly string[] }>
const changesOf = (all: readonly Done[], entity: EntityName): FieldChange[] =>
  all.flatMap((done) =>
    done.entry.patch.filter((change): change is FieldChange => change.entity === entity && !isSetChange(change)),
  )

function madeWithin(all: readonly Done[]): Set<string> {
  const made = new Set<string>()
  const known = new Set<string>()
  for (const done of all)
    for (const change of done.entry.patch) {
      const key = `${change.entity} ${change.id}`
      if (!known.has(key) && change.field === '*' && !isSetChange(change) && change.before === null) made.add(key)
      known.add(key)
    }
  return made
}
