import { choiceOf } from '../fields/source'
import type { AutomaticFact } from './contract'
import { peoplesPlace, peopleValues } from './people-values'

const author = (name: 'createdBy' | 'changedBy', label: string): AutomaticFact => ({
  name,
  label,
  kind: 'choice',
  source: ({ reader, table }) => choiceOf(table[name], peoplesPlace(reader)),
  values: peopleValues,
})

/** Who made the item. */
export const createdBy = author('createdBy', 'author')
/** Who changed it last. */
export const changedBy = author('changedBy', 'last editor')
