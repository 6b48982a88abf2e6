import { writeFileSync } from 'node:fs'
import { rolesPage } from '#core/access/roles-page'

writeFileSync('docs/roles.md', rolesPage())
