import { build } from 'esbuild'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
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
