import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { tmpdir } from 'node:os'
import { startServer } from './server'

/** Loads the demo once; every test file starts on a copy of it. */
export default async function setup(): Promise<() => void> {
  const dir = join(tmpdir(), `wrenleaf-demo-${process.pid}`)
  const server = await startServer({ dir, demo: true })
  await server.stop()
  process.env.WRENLEAF_TEMPLATE = dir
  return () => rmSync(dir, { recursive: true, force: true })
}
