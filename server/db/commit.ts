import { sql } from 'drizzle-orm'
import type { State } from '#core/model/state'
import { Batch, type Done } from './batch'
import type { Db } from './open'
import { deleteRows, setFields, writeRows } from './rows'
import { log, logItem, logPart, recordEntities, recordTables } from './schema'

/** Another server wrote first: catch up and judge anew. */
export class Overtaken extends Error {}
/** A command of this id is in the log already. */
export class DoneBefore extends Error {}

/** The workspace whose entries are written, and what other servers are told on. */
export interface CommitTo {
  readonly workspace: string
  /** The sequence number that the workspace is at. */
  readonly from: number
  /** Undefined where no other server can be. */
  readonly notify: string | undefined
}

/**
 * Writes entries and the rows they changed, in one transaction of statements only. `state` is as it is after them.
 * Rejects with `Overtaken` or `DoneBefore`, and then has written nothing.
 */
export async function commit(db: Db, to: CommitTo, all: readonly Done[], state: State): Promise<void> {
  const { workspace, from, notify } = to
  const batch = new Batch(workspace, all, state)
  const last = all.at(-1)?.entry.sequence ?? from
  try {
    await db.transaction(async (tx) => {
      const moved = await tx.execute(
        sql`update workspace set sequence = ${last} where id = ${workspace}::uuid and sequence = ${from}`,
      )
      if (moved.rowCount !== 1) throw new Overtaken()
      await writeRows(tx, log, batch.log)
      // A part holds a thousand changes.
      await writeRows(tx, logPart, batch.parts, undefined, 8)
      await writeRows(tx, logItem, batch.items)
      for (const entity of recordEntities) {
        const { written, removed, set } = batch.rowsOf(entity)
        const table = recordTables[entity]
        await writeRows(tx, table, written, ['workspace_id', 'id'])
        await deleteRows(tx, table, workspace, removed)
        await setFields(tx, table, workspace, set)
      }
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
