// npm run bench:peers: the engine's views by general libraries. They are installed beside the bench, by this command alone.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { installPackages, root, stop } from './prepare.mjs'

installPackages()
const folder = join(root, 'bench/peers')
const npm = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], { cwd: folder, stdio: 'inherit' })
if (npm.status) stop('The libraries to compare with could not be installed.')
const { build } = await import('esbuild')
// From there it finds what is installed there.
const outfile = join(folder, 'node_modules/.cache/peers.mjs')
await build({
  entryPoints: [join(folder, 'peers.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  packages: 'external',
  alias: { '#core': join(root, 'core') },
})
process.exit(spawnSync(process.execPath, [outfile], { stdio: 'inherit', cwd: root }).status ?? 1)
