// npm run docs:roles: writes docs/roles.md, the table of what each role may do, from core/access.
import { join } from 'node:path'
import { root, run, runBundled } from './prepare.mjs'

process.on('exit', (code) => code || run('npx', ['prettier', '--write', '--log-level=warn', 'docs/roles.md']))
await runBundled(join(root, 'scripts/roles.ts'), join(root, 'node_modules/.cache/wrenleaf-roles.mjs'))
