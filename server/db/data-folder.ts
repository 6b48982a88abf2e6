import { createHash } from 'node:crypto'
import fs from 'node:fs'
import net from 'node:net'
import { join } from 'node:path'
import { openPglite } from './fsync-nodefs'

/** Why a data folder cannot be used, in one line for the person who started the server. */
export class DataFolderProblem extends Error {}

const parts = ['PG_VERSION', 'base', 'global/pg_control', 'pg_wal']

/**
 * The folder holds `database/`. It is made whole beside it first (`database.begun/`), synced, and only then renamed,
 * so that a start that was cut off leaves nothing half made.
 */
export async function readyFolder(dir: string): Promise<string> {
  const database = join(dir, 'database')
  const begun = join(dir, 'database.begun')
  const held = fs.readdirSync(dir).filter((name) => name !== 'database.begun' && name !== 'lock')
  if (held.length && !held.includes('database'))
    throw new DataFolderProblem(
      `The folder ${dir} holds other files and is left as it is. Name an empty one in WRENLEAF_DATA.`,
    )
  if (held.includes('database')) {
    if (!parts.every((part) => fs.existsSync(join(database, part))))
      throw new DataFolderProblem(
        `The database in ${dir} is not whole and is left as it is. Restore it from a copy, or name another folder in WRENLEAF_DATA.`,
      )
    removeEmptyPidFile(database)
    return database
  }
  fs.rmSync(begun, { recursive: true, force: true })
  const pg = await openPglite(begun)
  await pg.close()
  syncTree(begun)
  fs.renameSync(begun, database)
  syncPath(dir)
  return database
}

/** A power cut can leave it empty, and PostgreSQL then refuses to open. */
function removeEmptyPidFile(database: string): void {
  const file = join(database, 'postmaster.pid')
  if (fs.existsSync(file) && fs.statSync(file).size === 0) fs.rmSync(file)
}

/** Brings every file and folder of a tree to the disk. Returns how many there were. */
export function syncTree(path: string): number {
  let synced = 1
  if (fs.statSync(path).isDirectory()) for (const name of fs.readdirSync(path)) synced += syncTree(join(path, name))
  syncPath(path)
  return synced
}

function syncPath(path: string): void {
  const descriptor = fs.openSync(path, 'r')
  try {
    fs.fsyncSync(descriptor)
  } finally {
    fs.closeSync(descriptor)
  }
}

/**
 * A lock that dies with the process, whatever ends it: on Linux an abstract Unix socket named by the folder's device
 * and inode, elsewhere a socket file in the folder that is alive when it answers.
 */
export async function lockFolder(dir: string): Promise<net.Server> {
  const { dev, ino } = fs.statSync(dir)
  const name = createHash('sha1').update(`${dev}:${ino}`).digest('hex')
  const path = process.platform === 'linux' ? `\0wrenleaf-${name}` : join(dir, 'lock')
  if (process.platform !== 'linux' && fs.existsSync(path) && !(await answers(path))) fs.rmSync(path)
  return new Promise((resolve, reject) => {
    const server = net.createServer((socket) => socket.destroy())
    server.once('error', (error: NodeJS.ErrnoException) =>
      reject(
        error.code === 'EADDRINUSE'
          ? new DataFolderProblem(`The data folder ${dir} is in use by another process.`)
          : error,
      ),
    )
    server.listen({ path }, () => {
      server.unref()
      resolve(server)
    })
  })
}

const answers = (path: string): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = net.connect(path)
    socket.once('connect', () => (socket.destroy(), resolve(true)))
    socket.once('error', () => resolve(false))
  })

/** Makes the folder; says so in one line where that cannot be done. */
export function makeFolder(dir: string): void {
  try {
    fs.mkdirSync(dir, { recursive: true })
    fs.accessSync(dir, fs.constants.W_OK | fs.constants.R_OK)
    const probe = join(dir, 'database.begun')
    if (!fs.existsSync(probe) && !fs.existsSync(join(dir, 'database')) && fs.readdirSync(dir).length === 0) {
      fs.mkdirSync(probe)
      fs.rmdirSync(probe)
    }
  } catch (error) {
    throw new DataFolderProblem(`The data folder ${dir} cannot be written: ${(error as Error).message}`)
  }
}
