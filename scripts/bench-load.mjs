// npm run bench:load [-- --seconds=N]: many people at once, on the embedded database and on PostgreSQL. Exit code 1: a bound is broken.
import { join } from 'node:path'
import { build, installPackages, root, runBundled } from './prepare.mjs'

installPackages()
build()
await runBundled(join(root, 'bench/load.ts'), join(root, 'node_modules/.cache/wrenleaf-bench/load.mjs'))
