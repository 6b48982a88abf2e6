import type { AutomaticFact } from './contract'

/** What it is called. */
export const title: AutomaticFact = {
  name: 'title',
  label: 'title',
  kind: 'text',
  source: ({ table }) => ({ kind: 'text', column: table.title }),
}
