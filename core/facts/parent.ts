import { noRow } from '../model/item-table'
import type { ItemId } from '../model/records'
import type { AutomaticFact } from './contract'

/** What the item is inside of. */
export const parent: AutomaticFact = {
  name: 'parent',
  label: 'parent',
  kind: 'choices',
  source: ({ table }) => ({
    kind: 'choices',
    valuesAt(row) {
      const at = table.parent[row]!
      return at === noRow ? [] : [table.ids[at]!]
    },
    place(id) {
      const row = table.maybeRow(id)
      return row === undefined ? Number.MAX_SAFE_INTEGER : table.rank.ordering.labels[row]!
    },
  }),
  isOfItems: true,
  isSingle: true,
  kin: { above: true },
  fit(test) {
    const first = test.is === 'anyOf' ? test.values[0] : undefined
    return first === undefined ? undefined : { parent: first as ItemId }
  },
}
