import { build } from 'esbuild'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { openPglite } from '../../server/db/fsync-nodefs'
import { newFolder, root } from '../kit/server'

/** The database thread's file, built for tests that open a database without a server. */
export async function workerFile(): Promise<URL> {
  // Beside node_modules, so that PGlite is found from there.
  const outfile = join(root, 'node_modules/.cache/wrenleaf-tests', `worker-${process.pid}.mjs`)
  await build({ entryPoints: [join(root, 'server/db/worker.ts')], outfile, bundle: true, platform: 'node', target: 'node20', format: 'esm', external: ['@electric-sql/pglite', '@electric-sql/pglite/*'], logLevel: 'error' }) // prettier-ignore
  return pathToFileURL(outfile)
}
export const migrations = join(root, 'server/db/migrations')
export { newFolder, root }

/** Items that have not just the open stay that they name, and stays of no item. */
export const strayStays = `
  select item.id from item left join stay on stay.item = item.id and stay.until_at is null
    group by item.id, item.stay having count(stay.id) <> 1 or max(stay.id) <> item.stay
  union all select stay.item from stay where not exists (select from item where item.id = stay.item)`

/** What the tables say that everything else is read from, of a server that has stopped. */
export async function inTables(
  dir: string,
  query: string,
  values: readonly unknown[] = [],
): Promise<Record<string, unknown>[]> {
  const pg = await openPglite(join(dir, 'database'))
  const { rows } = await pg.query(query, [...values])
  await pg.close()
  return rows as Record<string, unknown>[]
}
