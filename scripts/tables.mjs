// npm run docs:tables: writes the pages of docs that are tables of core: what each role may do, what each field type can.
import { join } from 'node:path'
import { root, run, runBundled } from './prepare.mjs'

const pages = ['docs/roles.md', 'docs/field-types.md']
process.on('exit', (code) => code || run('npx', ['prettier', '--write', '--log-level=warn', ...pages]))
await runBundled(join(root, 'scripts/tables.ts'), join(root, 'node_modules/.cache/wrenleaf-tables.mjs'))
