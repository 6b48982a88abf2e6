// npm run bench [-- --json FILE]: what it takes, against a limit measured in the same run. Exit code 1: a bound is broken.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { build, installPackages, installTools, root, stop } from './prepare.mjs'

installPackages()
if (installTools().includes('chromium')) stop('Install chromium: nothing can be measured without it.')
build()
const { build: bundle } = await import('esbuild')
const outfile = join(root, 'node_modules/.cache/wrenleaf-bench/bench.mjs')
await bundle({
  entryPoints: [join(root, 'bench/bench.ts')],
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
process.exit(
  spawnSync(process.execPath, ['--expose-gc', outfile, ...process.argv.slice(2)], { stdio: 'inherit', cwd: root })
    .status ?? 1,
)
