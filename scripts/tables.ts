import { writeFileSync } from 'node:fs'
import { rolesPage } from '#core/access/roles-page'
import { typesPage } from '#core/fields/types-page'

writeFileSync('docs/roles.md', rolesPage())
writeFileSync('docs/field-types.md', typesPage())
