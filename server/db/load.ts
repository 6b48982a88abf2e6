import { eq, getTableName, is, sql } from 'drizzle-orm'
import { PgTable } from 'drizzle-orm/pg-core'
import { entityOf } from '#core/model/entities'
import type { EntityName, Records } from '#core/model/records'
import { State } from '#core/model/state'
import { upgradeContextOf, upgradeDefinition } from '#core/model/upgrade'
import type { Db } from './open'
import { recordOf } from './rows'
import * as schema from './schema'

const { recordEntities, recordTables, workspace } = schema

/** The workspace that stands in this database; there is one. */
export async function theWorkspace(db: Db): Promise<typeof workspace.$inferSelect | undefined> {
  return (await db.select().from(workspace).limit(1))[0]
}

interface Loaded {
  readonly state: State
  readonly sequence: number
  /** The large entry from which on not every record is as the log says. */
  readonly unwritten: number | undefined
}

/** Reads a whole workspace, in one transaction that sees one state of it. */
export async function loadState(db: Db, id: string): Promise<Loaded> {
  return db.transaction(
    async (tx) => {
      const state = new State()
      const [row] = await tx.select().from(workspace).where(eq(workspace.id, id))
      if (!row) throw new Error(`no workspace ${id}`)
      const { sequence, unwritten, ...record } = row
      state.put('workspace', id, record as Records['workspace'])
      for (const entity of recordEntities) {
        if (entityOf(entity).held === 'server only') continue
        const table = recordTables[entity]
        const rows = await tx
          .select()
          .from(table)
          .where(sql`workspace_id = ${id}::uuid`)
        for (const one of rows) {
          const loaded = recordOf(table, one) as { id: string }
          state.put<EntityName>(entity, loaded.id, loaded as Records[EntityName])
        }
      }
      for (const view of [...state.all('view')]) {
        const definition = upgradeDefinition(view.definition, upgradeContextOf(state, view.project))
        state.put('view', view.id, { ...view, definition })
      }
      return { state, sequence, unwritten: unwritten ?? undefined }
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  )
}

/** The large entry from which on not every record is written; undefined: all are. */
export async function unwrittenOf(db: Db, id: string): Promise<number | undefined> {
  const rows = await db.select({ unwritten: workspace.unwritten }).from(workspace).where(eq(workspace.id, id))
  return rows[0]?.unwritten ?? undefined
}

/** Takes everything out of every table: for loading the demo anew. */
export async function emptyAll(db: Db): Promise<void> {
  const names = Object.values<unknown>(schema)
    .filter((one) => is(one, PgTable))
    .map(getTableName)
  await db.execute(sql.raw(`truncate ${names.map((name) => `"${name}"`).join(', ')}`))
}
