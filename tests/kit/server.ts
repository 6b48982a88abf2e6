/** Starts the built server for a test, on a folder or database of its own. */
import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, renameSync, statSync } from 'node:fs'
import net from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = fileURLToPath(new URL('../..', import.meta.url))
/** The moment at which every test's demo is loaded. */
export const testNow = '2026-11-24T13:00:00.000Z'

export interface TestServer {
  readonly url: string
  readonly port: number
  readonly dir: string
  readonly process: ChildProcess
  /** What it printed. */
  said(): string
  stop(signal?: NodeJS.Signals): Promise<number | null>
}

export interface Start {
  readonly dir?: string
  readonly demo?: boolean
  readonly port?: number
  readonly env?: Record<string, string>
}

export const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = net.createServer()
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo
      probe.close(() => resolve(port))
    })
  })

export const newFolder = (name: string): string => mkdtempSync(join(tmpdir(), `wrenleaf-${name}-`))

/** Resolves when it answers; rejects with its error line where it ends before. */
export async function startServer(start: Start = {}): Promise<TestServer> {
  const dir = start.dir ?? newFolder('data')
  const port = start.port ?? (await freePort())
  const child = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
    env: {
      ...process.env, HOST: '127.0.0.1', PORT: String(port), WRENLEAF_DATA: dir, NITRO_SHUTDOWN_TIMEOUT: '2000',
      WRENLEAF_NOW: testNow, DATABASE_URL: '', ...(start.demo && { WRENLEAF_DEMO: '1' }), ...start.env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  }) // prettier-ignore
  let said = ''
  let errors = ''
  child.stdout.on('data', (chunk) => (said += String(chunk)))
  child.stderr.on('data', (chunk) => (errors += String(chunk)))
  const ended = new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)))
  const url = `http://127.0.0.1:${port}`
  let hasEnded = false
  void ended.then(() => (hasEnded = true))
  for (;;) {
    if (hasEnded) throw new Error(errors)
    const isUp = await fetch(`${url}/health`).then((answer) => answer.ok).catch(() => false) // prettier-ignore
    if (isUp) break
    await new Promise((resolve) => setTimeout(resolve, 50))
  }
  return {
    url, port, dir, process: child, said: () => said,
    async stop(signal = 'SIGTERM') {
      child.kill(signal)
      return ended
    },
  } // prettier-ignore
}

/** On a copy of an empty data folder: nothing of a first start, which takes its five seconds, is what the test is about. */
export const startEmpty = (more: Start = {}): Promise<TestServer> => startOnCopy('empty', more)

/** A demo, on a copy of one that was loaded before. */
export const startDemo = (more: Start = {}): Promise<TestServer> => startOnCopy('demo', { demo: true, ...more })

async function startOnCopy(name: 'empty' | 'demo', start: Start): Promise<TestServer> {
  const dir = newFolder(name)
  cpSync(await made(name), dir, { recursive: true })
  return startServer({ dir, ...start })
}

/** A folder that a first start has made, once for this build, whichever process needs it first. */
async function made(name: 'empty' | 'demo'): Promise<string> {
  const { mtimeMs } = statSync(join(root, '.output/server/index.mjs'))
  const folder = join(tmpdir(), `wrenleaf-made-${name}-${mtimeMs.toFixed(0)}`)
  if (existsSync(folder)) return folder
  const server = await startServer({ demo: name === 'demo' })
  await server.stop()
  try {
    renameSync(server.dir, folder)
  } catch (error) {
    // Another process was first.
    if (!existsSync(folder)) throw error
  }
  return folder
}
