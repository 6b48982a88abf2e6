import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { startEmbedded } from './embedded'
import * as schema from './schema'

export type Db = NodePgDatabase<typeof schema>
export type Tx = Parameters<Parameters<Db['transaction']>[0]>[0]

export interface OpenDatabase {
  readonly db: Db
  /** True on a server that other processes may write to as well. */
  readonly isShared: boolean
  /** Calls back on every notice of a channel; a no-op on the embedded database, which has one process. */
  listen(channel: string, hear: (payload: string) => void): Promise<void>
  close(): Promise<void>
}

export interface Where {
  /** A PostgreSQL server; none: the embedded database in `dir`. */
  readonly url?: string | undefined
  readonly dir: string
  readonly worker: URL
  readonly migrations: string
}

/** Opens the database and brings its tables up to date. The embedded one and a server share everything but the pool. */
export async function openDatabase(where: Where, onDeath: (error: Error) => void): Promise<OpenDatabase> {
  const embedded = where.url ? undefined : await startEmbedded(where.dir, where.worker, onDeath)
  const pool = new pg.Pool(
    embedded
      ? { stream: embedded.socket as never, max: 1, idleTimeoutMillis: 0, user: 'postgres', database: 'postgres' }
      : { connectionString: where.url, max: 10, connectionTimeoutMillis: 5000 },
  )
  pool.on('error', (error) => console.error('database:', error.message))
  const db = drizzle(pool, { schema })
  try {
    await migrateAlone(pool, db, where.migrations, !embedded)
  } catch (error) {
    await pool.end().catch(() => undefined)
    await embedded?.close()
    throw where.url ? new Error(`The database that DATABASE_URL names does not answer: ${reasonOf(error)}`) : error
  }
  const listeners: pg.Client[] = []
  return {
    db,
    isShared: !embedded,
    async listen(channel, hear) {
      if (embedded) return
      const client = new pg.Client({ connectionString: where.url })
      client.on('error', (error) => console.error('listening:', error.message))
      client.on('notification', (notice) => hear(notice.payload ?? ''))
      await client.connect()
      await client.query(`listen ${pg.escapeIdentifier(channel)}`)
      listeners.push(client)
    },
    async close() {
      await Promise.all(listeners.map((client) => client.end()))
      await pool.end()
      await embedded?.close()
    },
  }
}

/** Two servers may start at once on one database: one migrates, the other waits. */
async function migrateAlone(pool: pg.Pool, db: Db, migrationsFolder: string, isShared: boolean): Promise<void> {
  if (!isShared) return migrate(db, { migrationsFolder })
  const client = await pool.connect()
  try {
    await client.query('select pg_advisory_lock(7719330)')
    await migrate(db, { migrationsFolder })
  } finally {
    await client.query('select pg_advisory_unlock(7719330)').catch(() => undefined)
    client.release()
  }
}

function reasonOf(error: unknown): string {
  const cause = error instanceof Error && error.cause instanceof Error ? error.cause : error
  if (cause instanceof AggregateError) return cause.errors.map((one: Error) => one.message).join(', ')
  return cause instanceof Error ? cause.message || String((cause as NodeJS.ErrnoException).code) : String(cause)
}
