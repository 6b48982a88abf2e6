import fs from 'node:fs'
import os from 'node:os'
import { dirname, join } from 'node:path'
import { defineNitroPlugin, useRuntimeConfig, useStorage } from 'nitropack/runtime'
import { useWorkings } from '#core/worked-out/workings'
import { loadDemo } from '../../demo/load'
import { openDatabase } from '../db/open'
import { emptyAll, theWorkspace } from '../db/load'
import { serverClock } from '../clock'
import { theAddresses } from '../http/addresses'
import { House, setHouse } from '../services/house'
import { Letters } from '../services/letters'
import { Outbox } from '../services/outbox'
import { Parser } from '../services/parse-beside'

/** Nitro keeps the migrations as assets; drizzle reads a folder. */
async function migrationsFolder(): Promise<string> {
  const store = useStorage('assets:migrations')
  const dir = fs.mkdtempSync(join(os.tmpdir(), 'migrations-'))
  for (const key of await store.getKeys()) {
    const file = join(dir, key.replaceAll(':', '/'))
    fs.mkdirSync(dirname(file), { recursive: true })
    const held = await store.getItem(key)
    fs.writeFileSync(file, typeof held === 'string' ? held : JSON.stringify(held))
  }
  return dir
}

/** In a demo anyone steps in as anyone, its owner too: it is for this machine, unless its own setting says otherwise. */
function refuseDemoForAll({ WRENLEAF_DEMO, WRENLEAF_DEMO_FOR_ALL, NITRO_HOST, HOST }: NodeJS.ProcessEnv): void {
  const host = NITRO_HOST || HOST || '0.0.0.0'
  if (!WRENLEAF_DEMO || WRENLEAF_DEMO_FOR_ALL || /^(127\.[\d.]+|::1|localhost)$/.test(host)) return
  throw new Error(
    `In the demo anyone can step in as its owner, so it does not start at ${host}. Use HOST=127.0.0.1, or set WRENLEAF_DEMO_FOR_ALL=1 if anyone who reaches this machine may do anything in it.`,
  )
}

async function open(): Promise<House> {
  useWorkings()
  const env = process.env
  refuseDemoForAll(env)
  theAddresses()
  const clock = serverClock(env)
  const migrations = await migrationsFolder()
  try {
    const dir = env.WRENLEAF_DATA ?? join(process.cwd(), '.data/workspace')
    // The address of this very file is right only after an await.
    const worker = new URL('./db-worker.mjs', import.meta.url)
    const database = await openDatabase({ url: env.DATABASE_URL || undefined, dir, worker, migrations }, stopWith)
    if (env.WRENLEAF_DEMO) {
      const found = await theWorkspace(database.db)
      if (found && !found.demo) {
        await database.close()
        throw new Error(
          'This database holds a workspace that is no demo, so the demo is not loaded into it. Use npm start, or name another WRENLEAF_DATA.',
        )
      }
      if (found && env.WRENLEAF_FRESH) await emptyAll(database.db)
      if (!found || env.WRENLEAF_FRESH) await loadDemo(database, clock)
    }
    const parser = new Parser(new URL('./parse-worker.mjs', import.meta.url))
    const outbox = new Outbox(database.db, clock, join(dir, 'outbox'), env)
    const letters = new Letters(outbox, clock, theAddresses().main)
    const house = new House(database, clock, useRuntimeConfig().app.buildId as string, parser, letters)
    const room = await house.openRoom()
    if (!room) console.log(`owner code: ${house.ownerCode}`)
    return house
  } finally {
    fs.rmSync(migrations, { recursive: true, force: true })
  }
}

const longestEndMs = 7000

const stopWith = (error: unknown): never => {
  console.error(error instanceof Error ? error.message : String(error))
  process.exit(1)
}

export default defineNitroPlugin((nitro) => {
  // Whoever started the server may be gone, and their terminal with them: what is said then is said to nobody. Left to
  // itself, a line that cannot be written would be an error, which is written, which is an error …
  for (const stream of [process.stdout, process.stderr]) stream.on('error', () => {})
  const opening = open()
  opening.catch(stopWith)
  setHouse(opening)
  // Nitro's own shutdown waits for open answers: the feeds are ended at the signal, before it begins to wait.
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.once(signal, () => {
      void opening.then((house) => house.feed.close())
      // Whatever does not end by itself: every acknowledged command is in the log.
      setTimeout(() => process.exit(1), longestEndMs).unref()
    })
  nitro.hooks.hook('close', async () => (await opening).close())
})
