import * as z from 'zod/mini'
import { email, name, text } from '../base/schemas'
import { weekMinutes } from '../base/week'
import * as ids from '../base/id-schemas'
import { problem } from '../base/result'
import { paletteColours, roles } from '../model/names'
import { memberRecord, personRecord } from '../model/schemas'
import { recordCommands, unmade } from '../setup/record-commands'

const role = z.enum(roles)

/** Who someone is, what they may do in the workspace, that they leave it and come back: what they did stays theirs. */
export const people = recordCommands({
  entity: 'person',
  record: personRecord,
  id: ids.personId,
  fields: {
    role: z.nullable(role),
    name,
    colour: z.enum(paletteColours),
    craft: z.nullable(text(60, 1)),
    hours: weekMinutes,
    /** An account is one's address and a role; who has left can come back. */
    email: z.nullable(email),
    active: z.boolean(),
  },
  siblings: (reader) => reader.all('person'),
  removal: z.object({}),
  checkRemoval: (_reader, person) => (person.active ? undefined : problem('gone')),
  remove: (_reader, person) => [{ entity: 'person', id: person.id, field: 'active', before: true, after: false }],
})

/** What someone may do in a project, and that they are in it no longer. */
export const members = recordCommands({
  entity: 'member',
  record: memberRecord,
  id: ids.tieIdOf<'member'>(),
  fields: { role },
  siblings: (reader, member) => [...reader.all('member')].filter((other) => other.project === member.project),
  removal: z.object({}),
  remove: (_reader, member) => [unmade('member', member)],
})
