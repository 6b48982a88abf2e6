import type { Condition, FactRef, ProjectId } from '../model/records'
import { viewContext } from '../facts/contract'
import { maybeFact } from '../facts/registry'
import type { Source } from '../fields/source'
import { rowsMeeting } from '../views/evaluate'
import { compileAll } from '../views/filter'
import { askedQuery, viewerOf } from './contract'

/** How many items have each value, by its id. */
export interface ValueCounts {
  /** By id of an option, person, status …; for what is ticked, `1`. */
  readonly values: Readonly<Record<string, number>>
  readonly empty: number
  /** Items that meet the other phrases. */
  readonly total: number
}
/** Which fact, among items that meet which conditions. */
export interface ValueCountsInput {
  readonly project: ProjectId
  /** The other phrases of the view, left as they are. */
  readonly others: readonly Condition[]
  readonly fact: FactRef
}

/** How many items each value of a fact would give. */
export const valueCounts = askedQuery<ValueCountsInput, ValueCounts>((asking, { project, others, fact }) => {
  const context = viewContext(asking.state, project, viewerOf(asking))
  const rows = rowsMeeting({ context, test: compileAll(context, others) })
  const source = maybeFact(asking.state, project, fact)?.source(context)
  const values: Record<string, number> = {}
  let empty = 0
  for (const row of rows) {
    const held = source ? idsAt(source, row) : []
    if (!held.length) empty++
    for (const id of held) values[id] = (values[id] ?? 0) + 1
  }
  return { values, empty, total: rows.length }
})

function idsAt(source: Source, row: number): readonly string[] {
  switch (source.kind) {
    case 'choice': {
      const value = source.valueOf(source.column.a[row]!)
      return value ? [value] : []
    }
    case 'choices':
      return source.valuesAt(row)
    case 'flag':
      return source.isSet(row) ? ['1'] : []
    default:
      return []
  }
}
