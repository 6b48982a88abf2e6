import { sql } from 'drizzle-orm'
import type { Entry } from '#core/change/command'
import { isSetChange, touchedBy, type Change, type Patch } from '#core/change/patch'
import type { EntityName } from '#core/model/records'
import { projectsOf } from '#core/commands/revert'
import { changesInPart } from '#core/wire/feed'
import type { State } from '#core/model/state'
import type { Db, Tx } from './open'
import { deleteRows, writeRows, type Row } from './rows'
import { log, logItem, logPart, longText, recordTables, stay } from './schema'

export interface Done {
  readonly entry: Entry
  /** What was sent; empty for a large command. */
  readonly body: unknown
  readonly isLarge: boolean
}

/** Another server wrote first: catch up and judge anew. */
export class Overtaken extends Error {}
/** A command of this id stands in the log already. */
export class DoneBefore extends Error {}

/** How many parts an entry's patch stands in; 0: it stands in the entry itself. */
export const partsOf = (done: Done): number =>
  done.isLarge || done.entry.patch.length > changesInPart ? Math.ceil(done.entry.patch.length / changesInPart) : 0

/**
 * Writes entries and the rows they changed, in one transaction of statements only. `state` already stands after them.
 */
export async function commit(
  db: Db,
  workspace: string,
  from: number,
  all: readonly Done[],
  state: State,
  notify: string | undefined,
): Promise<void> {
  const rows = rowsOf(workspace, all, state)
  const last = all.at(-1)?.entry.sequence ?? from
  try {
    await db.transaction(async (tx) => {
      const moved = await tx.execute(
        sql`update workspace set sequence = ${last} where id = ${workspace}::uuid and sequence = ${from}`,
      )
      if (moved.rowCount !== 1) throw new Overtaken()
      await writeRows(tx, log, rows.log)
      await writeRows(tx, logPart, rows.parts)
      await writeRows(tx, logItem, rows.items)
      for (const [entity, table] of Object.entries(recordTables)) {
        const name = entity as keyof typeof recordTables
        await writeRows(tx, table, rows.written.get(name) ?? [], ['workspace_id', 'id'])
        await deleteRows(tx, table, workspace, rows.removed.get(name) ?? [])
      }
      await writeStays(tx, workspace, all)
      await writeLongTexts(tx, workspace, all)
      if (notify) await tx.execute(sql`select pg_notify(${notify}, ${`${workspace}:${last}`})`)
    })
  } catch (error) {
    if (isUniqueViolation(error, 'log_command')) throw new DoneBefore()
    throw error
  }
}

export function isUniqueViolation(error: unknown, constraint: string): boolean {
  const cause = error instanceof Error && error.cause ? error.cause : error
  const said = cause as { code?: string; constraint?: string }
  return said.code === '23505' && said.constraint === constraint
}

function rowsOf(workspaceId: string, all: readonly Done[], state: State) {
  const written = new Map<EntityName, Row[]>()
  const removed = new Map<EntityName, string[]>()
  const logRows: Row[] = []
  const parts: Row[] = []
  const items: Row[] = []
  for (const done of all) {
    const { entry } = done
    const n = partsOf(done)
    logRows.push({
      workspaceId, sequence: entry.sequence, command: entry.command, type: entry.type, v: entry.v, body: n ? {} : done.body,
      patch: n ? null : entry.patch, parts: n, by: entry.by, at: entry.at,
      more: { ...(entry.of && { of: entry.of }), ...(entry.leftAlone && { leftAlone: entry.leftAlone }) },
      projects: [...projectsOf(state, entry.patch)],
    }) // prettier-ignore
    for (let part = 0; part < n; part++)
      parts.push({
        workspaceId,
        sequence: entry.sequence,
        part,
        patch: entry.patch.slice(part * changesInPart, (part + 1) * changesInPart),
      })
    const seen = new Set<string>()
    entry.patch.forEach((change, i) => {
      if (change.entity !== 'item' || seen.has(change.id)) return
      seen.add(change.id)
      items.push({
        workspaceId,
        item: change.id,
        sequence: entry.sequence,
        part: n ? Math.floor(i / changesInPart) : null,
      })
    })
  }
  const madeAnew = madeWithin(all)
  for (const { entity, id } of touchedBy(all.flatMap((done) => [...done.entry.patch]))) {
    if (!(entity in recordTables)) continue
    const record = state.maybe(entity, id)
    if (record) push(written, entity, { ...record, workspaceId })
    // Made and taken away within one batch: it never stood in the database.
    else if (!madeAnew.has(`${entity} ${id}`)) push(removed, entity, id)
  }
  return { written, removed, log: logRows, parts, items }
}

/** Things that did not stand before the batch. */
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

const push = <T>(map: Map<EntityName, T[]>, entity: EntityName, one: T): void => {
  const list = map.get(entity)
  if (list) list.push(one)
  else map.set(entity, [one])
}

type FieldChange = Exclude<Change, { added: readonly string[] }>
const changesOf = (all: readonly Done[], entity: EntityName): FieldChange[] =>
  all.flatMap((done) =>
    (done.entry.patch as Patch).filter((one): one is FieldChange => one.entity === entity && !isSetChange(one)),
  )

/** Stays are written and never read back by commands: their last word within the batch goes in. */
async function writeStays(tx: Tx, workspaceId: string, all: readonly Done[]): Promise<void> {
  const rows = new Map<string, Record<string, unknown> | null>()
  const ends = new Map<string, unknown>()
  for (const change of changesOf(all, 'stay')) {
    if (change.field === '*') rows.set(change.id, change.after as Record<string, unknown> | null)
    else if (rows.get(change.id)) rows.set(change.id, { ...rows.get(change.id), [change.field]: change.after })
    else ends.set(change.id, change.after)
  }
  const made = [...rows].flatMap(([, row]) => (row ? [{ ...row, workspaceId }] : []))
  await writeRows(tx, stay, made, ['workspace_id', 'id'])
  const gone = [...rows].flatMap(([id, row]) => (row ? [] : [id]))
  const before = madeWithin(all)
  await deleteRows(
    tx,
    stay,
    workspaceId,
    gone.filter((id) => !before.has(`stay ${id}`)),
  )
  const [ids, until] = [[...ends.keys()], [...ends.values()]]
  if (ids.length)
    await tx.execute(
      sql`update stay set until_at = given.until from unnest(${sql.param(ids)}::text[], ${sql.param(until)}::timestamptz[]) as given(id, until)
        where stay.workspace_id = ${workspaceId}::uuid and stay.id = given.id`,
    )
}

async function writeLongTexts(tx: Tx, workspaceId: string, all: readonly Done[]): Promise<void> {
  const last = new Map<string, Record<string, unknown> | null>()
  for (const change of changesOf(all, 'longText')) last.set(change.id, change.after as Record<string, unknown> | null)
  const made = [...last].flatMap(([, row]) => (row ? [{ ...row, workspaceId }] : []))
  await writeRows(tx, longText, made, ['workspace_id', 'id'])
  const gone = [...last].flatMap(([id, row]) => (row ? [] : [id]))
  const before = madeWithin(all)
  await deleteRows(
    tx,
    longText,
    workspaceId,
    gone.filter((id) => !before.has(`longText ${id}`)),
  )
}
