import type { AutomaticFact } from './contract'

type Instant = 'statusSince' | 'started' | 'finished' | 'created' | 'changed'
const instant = (name: Instant, label: string): AutomaticFact => ({
  name, label, kind: 'instant', source: ({ table }) => ({ kind: 'instant', column: table[name] }),
}) // prettier-ignore

export const statusSince = instant('statusSince', 'status since')
export const started = instant('started', 'started')
export const finished = instant('finished', 'finished')
export const created = instant('created', 'created')
export const changed = instant('changed', 'changed')
