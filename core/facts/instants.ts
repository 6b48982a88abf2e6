import type { AutomaticFact } from './contract'

type Instant = 'statusSince' | 'started' | 'finished' | 'created' | 'changed'
const instant = (name: Instant, label: string): AutomaticFact => ({
  name, label, kind: 'instant', source: ({ table }) => ({ kind: 'instant', column: table[name] }),
}) // prettier-ignore

/** When it came into its status. */
export const statusSince = instant('statusSince', 'status since')
/** When it first was in an active status; none: not yet. */
export const started = instant('started', 'started')
/** When it was finished or dropped; none: it is not. */
export const finished = instant('finished', 'finished')
/** When it was made. */
export const created = instant('created', 'created')
/** When it was changed last. */
export const changed = instant('changed', 'changed')
