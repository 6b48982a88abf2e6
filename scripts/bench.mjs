// npm run bench [-- --json FILE]: what it takes, against a limit measured in the same run. Exit code 1: a bound is broken.
import { join } from 'node:path'
import { build, installPackages, installTools, root, runBundled, stop } from './prepare.mjs'

installPackages()
if (installTools().includes('chromium')) stop('Install chromium: nothing can be measured without it.')
build()
const outfile = join(root, 'node_modules/.cache/wrenleaf-bench/bench.mjs')
await runBundled(join(root, 'bench/bench.ts'), outfile, ['--expose-gc'])
