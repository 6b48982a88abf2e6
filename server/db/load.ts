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

/** Reads a whole workspace, in one transaction that sees one state of it. */
export async function loadState(db: Db, id: string): Promise<{ state: State; sequence: number }> {
  return db.transaction(
    async (tx) => {
      const state = new State()
      const [row] = await tx.select().from(workspace).where(eq(workspace.id, id))
      if (!row) throw new Error(`no workspace ${id}`)
      const { sequence, ...record } = row
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
      return { state, sequence }
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  )
}

/** Takes everything out of every table: for loading the demo anew. */
export async function emptyAll(db: Db): Promise<void> {
  const names = Object.values<unknown>(schema)
    .filter((one) => is(one, PgTable))
    .map(getTableName)
  await db.execute(sql.raw(`truncate ${names.map((name) => `"${name}"`).join(', ')}`))
}
