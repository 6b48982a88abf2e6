import { and, eq, inArray, notExists, sql } from 'drizzle-orm'
import type { Patch } from '#core/change/patch'
import type { Item } from '#core/model/records'
import type { State } from '#core/model/state'
import { ChangedRecords, itemRowsOfEntry, logRowOf, partRowsOf, type Done } from './batch'
import type { Db, Tx } from './open'
import { deleteRows, setFields, writeRows, type Row } from './rows'
import {
  item,
  log,
  logItem,
  logPart,
  longText,
  recordEntities,
  recordTables,
  stay,
  workspace as workspaceTable,
} from './schema'

/** Another server wrote first: catch up and judge anew. */
export class Overtaken extends Error {}
/** The records of another large entry are still being written. */
export class Unwritten extends Error {}
/** A command of this id is in the log already. */
export class DoneBefore extends Error {}

/** The workspace whose entries are written, and what other servers are told on. */
export interface CommitTo {
  readonly workspace: string
  /** The sequence number that the workspace is at. */
  readonly from: number
  /** The large entry whose records may not all be written. */
  readonly unwritten: number | undefined
  /** Undefined where no other server can be. */
  readonly notify: string | undefined
}

/**
 * Writes entries and the rows they changed, in one transaction of statements only. `state` is as it is after them.
 * `beforehand`: what a large entry that is not written whole has changed of the same records. Rejects with `Overtaken`, `Unwritten` or
 * `DoneBefore`, and then has written nothing. Gives whether the records of every entry before are written.
 */
export async function commit(
  db: Db,
  to: CommitTo,
  all: readonly Done[],
  state: State,
  beforehand: Patch = [],
): Promise<boolean> {
  const { workspace, from } = to
  const last = all.at(-1)?.entry.sequence ?? from
  return asOne(db, async (tx) => {
    const moved = await tx.execute<{ unwritten: string | null }>(
      sql`update workspace set sequence = ${last} where id = ${workspace}::uuid and sequence = ${from} and (unwritten is null or unwritten = ${to.unwritten ?? null}) returning unwritten`,
    )
    if (moved.rowCount !== 1) throw await whyNot(tx, to)
    await writeRows(tx, log, all.map((done) => logRowOf(workspace, done))) // prettier-ignore
    await writeRows(tx, logPart, all.flatMap((done) => partRowsOf(workspace, done)), { atOnce: partsAtOnce }) // prettier-ignore
    await writeRows(tx, logItem, all.flatMap((done) => itemRowsOfEntry(workspace, done))) // prettier-ignore
    const patch = [...beforehand, ...all.flatMap((done) => done.entry.patch)]
    await writeRecords(tx, workspace, patch, state, to.unwritten !== undefined)
    await tell(tx, to, last)
    return moved.rows[0]?.unwritten === null
  })
}

/** A part holds a thousand changes. */
const partsAtOnce = 8

/** Writes a part of an entry that is not in the log yet. */
export const writePart = (db: Db, row: Row): Promise<void> => writeRows(db, logPart, [row])

/** Writes such a part in place of what stands there. */
export const rewritePart = (db: Db | Tx, row: Row): Promise<void> =>
  writeRows(db, logPart, [row], { replacing: ['workspace_id', 'command', 'part'] })

/** Takes away the parts of a command, unless it is in the log: then they are its entry's. */
export const clearParts = (db: Db, workspace: string, command: string): Promise<unknown> =>
  db.execute(
    sql`delete from log_part where workspace_id = ${workspace}::uuid and command = ${command}::uuid and not exists (select from log where workspace_id = ${workspace}::uuid and command = ${command}::uuid)`,
  )

/** Takes away every part of which no entry came into the log. */
export const clearLeftovers = (db: Db): Promise<unknown> =>
  db.execute(
    sql`delete from log_part where not exists (select from log where log.workspace_id = log_part.workspace_id and log.command = log_part.command)`,
  )

/** Keeps other servers from writing until the transaction ends. */
export const holdOthers = (tx: Tx, workspace: string): Promise<unknown> =>
  tx.execute(sql`select 1 from workspace where id = ${workspace}::uuid for update`)

/**
 * Writes an entry of which all parts but the last are written. Its records are as they were until they are written too.
 * False: someone has taken parts of it away.
 */
export async function writeLarge(tx: Tx, to: CommitTo, done: Done, lastPart: Row, parts: number): Promise<boolean> {
  const { workspace } = to
  const { sequence, command } = done.entry
  const moved = await tx.execute(
    sql`update workspace set sequence = ${sequence}, unwritten = ${sequence} where id = ${workspace}::uuid and sequence = ${to.from} and unwritten is null`,
  )
  if (moved.rowCount !== 1) throw await whyNot(tx, to)
  await writeRows(tx, log, [logRowOf(workspace, done)])
  await writeRows(tx, logPart, [lastPart])
  const found = await tx.execute<{ n: number }>(
    sql`select count(*)::int as n from log_part where workspace_id = ${workspace}::uuid and command = ${command}::uuid`,
  )
  await tell(tx, to, sequence)
  return found.rows[0]?.n === parts
}

/** Some changes of a large entry whose records are to be written. */
export interface Some {
  readonly patch: Patch
  /** In whose history they stand. */
  readonly items: readonly Row[]
  /** Afterwards every record is written. */
  readonly isLast: boolean
}

/**
 * Writes the records that changes of a large entry changed, as they are now. Rejects with `Overtaken` where another server
 * has written since, and with `Unwritten` where it is not on this server any more to write them.
 */
export async function writeBehind(db: Db, to: CommitTo, all: readonly Some[], state: State): Promise<void> {
  const { workspace, from, unwritten } = to
  const rest = all.at(-1)?.isLast ? null : unwritten
  await db.transaction(async (tx) => {
    const isOurs = await tx.execute(
      sql`update workspace set unwritten = ${rest} where id = ${workspace}::uuid and sequence = ${from} and unwritten = ${unwritten}`,
    )
    if (isOurs.rowCount !== 1) throw await whyNot(tx, to)
    for (const { items, patch } of all) {
      await writeRows(tx, logItem, items, { replacing: ['workspace_id', 'item', 'sequence'] })
      await writeRecords(tx, workspace, patch, state, true)
    }
  })
}

/** In one transaction. Rejects with `DoneBefore` where a command of it is in the log already. */
export async function asOne<T>(db: Db, work: (tx: Tx) => Promise<T>): Promise<T> {
  try {
    return await db.transaction(work)
  } catch (error) {
    if (isUniqueViolation(error, 'log_command')) throw new DoneBefore()
    throw error
  }
}

async function whyNot(tx: Tx, { workspace, from }: CommitTo): Promise<Overtaken | Unwritten> {
  const found = await tx.execute<{ sequence: string }>(
    sql`select sequence from workspace where id = ${workspace}::uuid`,
  )
  return Number(found.rows[0]?.sequence) === from ? new Unwritten() : new Overtaken()
}

/** `isBehind`: some of the rows may be written already, or not yet. */
async function writeRecords(tx: Tx, workspace: string, patch: Patch, state: State, isBehind: boolean): Promise<void> {
  if (patch.some(({ entity }) => entity === 'workspace')) {
    const { name, timeZone, workingWeek } = state.workspace()
    await tx.update(workspaceTable).set({ name, timeZone, workingWeek }).where(eq(workspaceTable.id, workspace))
  }
  const records = new ChangedRecords(workspace, patch, state)
  for (const entity of recordEntities) {
    const { written, removed, set } = records.rowsOf(entity)
    const table = recordTables[entity]
    await writeRows(tx, table, written, { replacing: ['workspace_id', 'id'] })
    await deleteRows(tx, table, workspace, removed, isBehind)
    await setFields(tx, table, workspace, set)
  }
  if (patch.some(({ entity, field, ...to }) => entity === 'project' && field === '*' && 'after' in to && !to.after))
    await clearAfter(tx, workspace)
  // What goes out of the bin goes for good; what an undo unmakes was never archived.
  const gone = patch.flatMap(({ entity, id, field, ...to }) =>
    entity === 'item' && field === '*' && 'after' in to && !to.after && (to.before as Item).archived ? [id] : [],
  )
  for (let at = 0; at < gone.length; at += clearedAtOnce)
    await clearOf(tx, workspace, gone.slice(at, at + clearedAtOnce))
}

const clearedAtOnce = 1000
/** What only the database holds of these items, and their places in the log. */
async function clearOf(tx: Tx, workspace: string, items: string[]): Promise<void> {
  for (const table of [stay, longText, logItem])
    await tx.delete(table).where(and(eq(table.workspaceId, workspace), inArray(table.item, items)))
}

/** What only the database holds of items that are gone: theirs was the last word on it. */
async function clearAfter(tx: Tx, workspace: string): Promise<void> {
  for (const table of [stay, longText, logItem])
    await tx.delete(table).where(and(eq(table.workspaceId, workspace), notExists(tx.select({ id: item.id }).from(item).where(and(eq(item.workspaceId, workspace), eq(item.id, table.item)))))) // prettier-ignore
}

async function tell(tx: Tx, { workspace, notify }: CommitTo, last: number): Promise<void> {
  if (notify) await tx.execute(sql`select pg_notify(${notify}, ${`${workspace}:${last}`})`)
}

export function isUniqueViolation(error: unknown, constraint: string): boolean {
  const cause = error instanceof Error && error.cause ? error.cause : error
  const said = cause as { code?: string; constraint?: string }
  return said.code === '23505' && said.constraint === constraint
}
