import * as z from 'zod/mini'
import { isSameText } from '../base/collation'
import * as ids from '../base/id-schemas'
import { problem, type Problem } from '../base/result'
import { name } from '../base/schemas'
import { paletteColours } from '../model/names'
import type { Reader } from '../model/reader'
import type { Project } from '../model/records'
import { calledRecord, projectRecord } from '../model/schemas'
import { recordCommands } from '../setup/record-commands'
import { archivedNow } from './set-up/in-project'

/** Two projects of a name, whatever its case, accents and blanks, could not be told apart. */
export function nameRefusal(reader: Reader, { id, name }: Project): Problem | undefined {
  for (const other of reader.all('project'))
    if (other.id !== id && isSameText(other.name, name)) return problem('name-taken', { name })
  return undefined
}

/**
 * Naming, colouring and ordering projects, and taking them out of the index and back. Keys and addresses with an earlier
 * prefix go on leading to what they named.
 */
export const projects = recordCommands({
  entity: 'project',
  record: projectRecord,
  id: ids.projectId,
  fields: {
    name,
    prefix: projectRecord.shape.prefix,
    colour: z.enum(paletteColours),
    archived: z.boolean(),
    called: calledRecord,
  },
  siblings: (reader) => reader.all('project'),
  check: nameRefusal,
  besides: ({ id, prefix, oldPrefixes }, next) =>
    prefix === next.prefix
      ? []
      : [
          {
            entity: 'project',
            id,
            field: 'oldPrefixes',
            before: oldPrefixes,
            after: [...oldPrefixes.filter((old) => old !== next.prefix), prefix],
          },
        ],
  removal: z.object({}),
  remove: (_reader, project) => [archivedNow('project', project)],
})
