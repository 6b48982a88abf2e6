// What must stand before anything runs: packages, and a build that is not stale. Uses nothing but Node.
import { execFileSync, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')
const sources = ['core', 'server', 'app', 'demo', 'modules', 'public', 'nuxt.config.ts', 'package-lock.json']

/** Ends with one line for the person at the terminal. */
export function stop(line) {
  console.error(line)
  process.exit(1)
}

export function run(command, args, options = {}) {
  execFileSync(command, args, { cwd: root, stdio: 'inherit', ...options })
}

function digest(paths) {
  const hash = createHash('sha256')
  const add = (path) => {
    const full = join(root, path)
    if (!existsSync(full)) return
    if (statSync(full).isDirectory()) for (const name of readdirSync(full).sort()) add(join(path, name))
    else if (!/\.test\.ts$/.test(path)) hash.update(path).update(readFileSync(full))
  }
  for (const path of paths) add(path)
  return hash.digest('hex')
}

const read = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : '')

/** `npm ci`, where the packages are missing or another lock's. */
export function installPackages() {
  const stamp = join(root, 'node_modules/.wrenleaf-stamp')
  const lock = digest(['package-lock.json'])
  if (read(stamp) === lock) return
  console.log('Installing packages …')
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])
  writeFileSync(stamp, lock)
}

/** Whether a command is on this machine. */
export function has(command) {
  try {
    execFileSync('sh', ['-c', `command -v ${command}`], { stdio: 'ignore' })
    return true
  } catch {
    return false
  }
}

/**
 * Debian's Chromium: as people have it, for what is measured and shown, and the same without a window's frame, which
 * draws eight pages on two processors in a fifth of the time, for the tests.
 */
export const browsers = { shown: 'chromium', plain: 'chromium-headless-shell' }

/** A browser and the database server, where they are missing and may be installed. Gives what is missing still. */
export function installTools(browser = browsers.shown) {
  const lacks = () => [
    ...(has(browser) ? [] : [browser]),
    ...(has('pg_ctl') || existsSync('/usr/lib/postgresql') ? [] : ['postgresql']),
  ]
  const missing = lacks()
  if (!missing.length || !has('apt-get') || process.getuid?.() !== 0) return missing
  run('apt-get', ['update', '-qq'])
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], {
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  return lacks()
}

const buildStamp = join(root, '.output/wrenleaf-stamp')
/** Whether what is built is of the sources as they are. */
export const isBuilt = () => read(buildStamp) === digest(sources) && existsSync(join(root, '.output/server/index.mjs'))
export const markBuilt = () => writeFileSync(buildStamp, digest(sources))

/** Builds, where a source has changed since. */
export function build() {
  if (isBuilt()) return
  console.log('Building …')
  try {
    execFileSync('npx', ['nuxt', 'build'], {
      cwd: root,
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'pipe'],
      maxBuffer: 1 << 26,
    })
  } catch (error) {
    console.error(`${error.stdout ?? ''}${error.stderr ?? ''}`.slice(-6000))
    stop('The build failed; the reason stands above.')
  }
  markBuilt()
}

/** Bundles a program of the project for Node and runs it to its end. Its packages are found from where it is put. */
export async function runBundled(entry, outfile, flags = []) {
  const { build: bundle } = await import('esbuild')
  await bundle({
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    packages: 'external',
    alias: { '#core': join(root, 'core') },
    // Bundled elsewhere, the parts still find the project from where they stand.
    define: { 'import.meta.url': JSON.stringify(new URL('../tests/kit/server.ts', import.meta.url).href) },
  })
  const { status } = spawnSync(process.execPath, [...flags, outfile, ...process.argv.slice(2)], {
    stdio: 'inherit',
    cwd: root,
  })
  process.exit(status ?? 1)
}
