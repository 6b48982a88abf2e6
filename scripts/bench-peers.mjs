// npm run bench:peers: the engine's views by general libraries. They are installed beside the bench, by this command alone.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { installPackages, root, runBundled, stop } from './prepare.mjs'

installPackages()
const folder = join(root, 'bench/peers')
const npm = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], { cwd: folder, stdio: 'inherit' })
if (npm.status) stop('The libraries to compare with could not be installed.')
// From there it finds what is installed there.
await runBundled(join(folder, 'peers.ts'), join(folder, 'node_modules/.cache/peers.mjs'))
