import type { CodesColumn } from './columns/codes'
import type { FieldType } from './contract'
import { plainFigures } from './figures'
import { people } from './people'
import { idsOf } from './value'
import { noNumber } from './columns/column'

/** Who is for it. Stored as a sorted list of person ids, filtered, sorted and totalled by how many there are. */
export const votes: FieldType = {
  ...people,
  name: 'votes',
  label: 'votes',
  choices: undefined,
  isOwn: true,
  kind: 'number',
  figures: () => plainFigures,
  source(column) {
    const codes = column as CodesColumn
    return { kind: 'number', at: (row) => (codes.isEmpty(row) ? noNumber : codes.codesAt(row).length) }
  },
  compare: (a, b) => idsOf(a).length - idsOf(b).length,
  fit: () => undefined,
  describe: (change, name) =>
    'added' in change && change.added.length ? `voted for ${name}` : `took back a vote for ${name}`,
}
