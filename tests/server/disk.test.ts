/** Whether an acknowledged write has reached the disk: what a power cut would leave is made, and opened. */
import fs from 'node:fs'
import { join, relative } from 'node:path'
import { describe, expect, it } from 'vitest'
import { readyFolder, syncTree } from '../../server/db/data-folder'
import { openPglite, type Fsync } from '../../server/db/fsync-nodefs'
import { newFolder } from './kit'

const files = (dir: string): string[] =>
  fs.readdirSync(dir, { recursive: true, withFileTypes: true }).filter((file) => file.isFile()).map((file) => relative(dir, join(file.parentPath, file.name))) // prettier-ignore

/**
 * The folder as a power cut would leave it: each file with the content of its last fsync, by its inode (renamed files
 * keep theirs); a file that was never synced since the copy keeps the copy's; new and never synced, it is empty;
 * removed, it is gone.
 */
function asAfterPowerCut(
  live: string,
  copy: string,
  synced: ReadonlyMap<number, Buffer>,
  atCopy: ReadonlyMap<number, string>,
): string {
  const dir = join(newFolder('cut'), 'database')
  for (const entry of fs.readdirSync(live, { recursive: true, withFileTypes: true }))
    if (entry.isDirectory())
      fs.mkdirSync(join(dir, relative(live, join(entry.parentPath, entry.name))), { recursive: true })
  for (const name of files(live)) {
    const { ino } = fs.statSync(join(live, name))
    const before = atCopy.get(ino)
    const content = synced.get(ino) ?? (before === undefined ? Buffer.alloc(0) : fs.readFileSync(join(copy, before)))
    fs.writeFileSync(join(dir, name), content)
  }
  const pid = join(dir, 'postmaster.pid')
  if (fs.existsSync(pid) && fs.statSync(pid).size === 0) fs.rmSync(pid)
  return dir
}

/** Writes 200 rows, each acknowledged, and opens what a power cut would have left. Returns how many rows it has. */
async function rowsAfterPowerCut(
  fsync: (real: Fsync, synced: Map<number, Buffer>) => Fsync,
): Promise<number | 'does not open'> {
  const dir = newFolder('disk')
  const database = await readyFolder(dir)
  const first = await openPglite(database)
  await first.exec('create table written (n int primary key, filling text)')
  await first.close()
  syncTree(database)
  const copy = join(newFolder('copy'), 'database')
  fs.cpSync(database, copy, { recursive: true })
  const atCopy = new Map(files(database).map((name) => [fs.statSync(join(database, name)).ino, name]))

  const synced = new Map<number, Buffer>()
  const pg = await openPglite(database, fsync(fs.fsyncSync, synced))
  for (let n = 0; n < 200; n++) await pg.query('insert into written values ($1, $2)', [n, 'x'.repeat(300)])
  const cut = asAfterPowerCut(database, copy, synced, atCopy)
  await pg.close()
  try {
    const again = await openPglite(cut)
    const { rows } = await again.query<{ n: number }>('select count(*)::int as n from written')
    await again.close()
    return rows[0]?.n ?? 0
  } catch {
    return 'does not open'
  }
}

/** What stands in the file at the moment of the sync is what a power cut leaves of it. */
const remembering =
  (real: Fsync, synced: Map<number, Buffer>): Fsync =>
  (descriptor) => {
    real(descriptor)
    const { ino, size } = fs.fstatSync(descriptor)
    const content = Buffer.alloc(size)
    fs.readSync(descriptor, content, 0, size, 0)
    synced.set(ino, content)
  }

describe('a power cut', () => {
  it('loses none of 200 acknowledged writes', { timeout: 120_000 }, async () => {
    expect(await rowsAfterPowerCut(remembering)).toBe(200)
  })
  it('would lose some if syncing did nothing: the test can fail', { timeout: 120_000 }, async () => {
    const rows = await rowsAfterPowerCut(() => () => {})
    expect(rows === 'does not open' || rows < 200).toBe(true)
  })
})

describe('a data folder', () => {
  it('is synced whole when it is first made, and stands beside nothing half made', { timeout: 60_000 }, async () => {
    const dir = newFolder('first')
    const real = fs.fsyncSync
    const paths = new Set<string>()
    fs.fsyncSync = (descriptor) => {
      paths.add(fs.readlinkSync(`/proc/self/fd/${descriptor}`))
      real(descriptor)
    }
    try {
      const database = await readyFolder(dir)
      const begun = `${database}.begun`
      const missing = files(database).filter((name) => !paths.has(join(begun, name)))
      expect(missing).toEqual([])
      expect(paths.has(dir)).toBe(true)
      expect(fs.readdirSync(dir)).toEqual(['database'])
    } finally {
      fs.fsyncSync = real
    }
  })

  it('that holds other files is refused and left as it is', async () => {
    const dir = newFolder('other')
    fs.writeFileSync(join(dir, 'letters.txt'), 'dear')
    await expect(readyFolder(dir)).rejects.toThrow(/holds other files and is left as it is/)
    expect(fs.readdirSync(dir)).toEqual(['letters.txt'])
  })

  it('whose database has lost a part is refused and left as it is', { timeout: 60_000 }, async () => {
    const dir = newFolder('part')
    const database = await readyFolder(dir)
    fs.rmSync(join(database, 'PG_VERSION'))
    const before = files(dir).length
    await expect(readyFolder(dir)).rejects.toThrow(/not whole and is left as it is/)
    expect(files(dir)).toHaveLength(before)
  })

  it('that a cut-off first start left half made is made anew', { timeout: 60_000 }, async () => {
    const dir = newFolder('half')
    fs.mkdirSync(join(dir, 'database.begun/base'), { recursive: true })
    expect(await readyFolder(dir)).toBe(join(dir, 'database'))
  })
})
