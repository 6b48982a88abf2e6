import { execFileSync, spawnSync } from 'node:child_process'
import { chmodSync, existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { freePort, newFolder } from './server'

const versions = existsSync('/usr/lib/postgresql') ? readdirSync('/usr/lib/postgresql').sort() : []
const bin = versions.length ? `/usr/lib/postgresql/${versions.at(-1)}/bin` : undefined
export const hasPostgres = !!bin

export interface Cluster {
  readonly url: string
  stop(): void
}

/** A throw-away cluster under an unprivileged user: `initdb` and `pg_ctl` refuse root. */
export async function startCluster(): Promise<Cluster> {
  if (!bin) throw new Error('no PostgreSQL here')
  const dir = newFolder('postgres')
  chmodSync(dir, 0o777)
  const port = await freePort()
  const isRoot = process.getuid?.() === 0
  const as = (command: string, ...args: string[]) => {
    const [program, all] = isRoot
      ? ['runuser', ['-u', 'postgres', '--', join(bin, command), ...args]]
      : [join(bin, command), args]
    execFileSync(program, all, { stdio: 'ignore', cwd: dir })
  }
  const data = join(dir, 'data')
  as('initdb', '-D', data, '-U', 'wren', '-A', 'trust', '--no-sync')
  as(
    'pg_ctl',
    '-D',
    data,
    '-w',
    '-o',
    `-p ${port} -c listen_addresses=127.0.0.1 -k ${dir}`,
    '-l',
    join(dir, 'log'),
    'start',
  )
  return {
    url: `postgres://wren@127.0.0.1:${port}/postgres`,
    stop: () => void spawnSync(isRoot ? 'runuser' : join(bin, 'pg_ctl'), isRoot ? ['-u', 'postgres', '--', join(bin, 'pg_ctl'), '-D', data, '-m', 'fast', 'stop'] : ['-D', data, '-m', 'fast', 'stop']), // prettier-ignore
  }
}
