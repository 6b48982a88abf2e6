/** What a phrase's editor says beside each value: how many items it would give, the other phrases left as they are. */
import type { Condition, ProjectId } from '../model/records'
import { compile, compileAll } from '../views/filter'
import { rowsMeeting } from '../views/evaluate'
import { keepTested } from '../views/scans'
import { viewContext, sourceOf, type Source } from '../views/sources'
import type { Ground } from './questions'

export interface ValueCounts {
  /** By id of an option, person, status …; for what is ticked, `1`. */
  readonly values: Readonly<Record<string, number>>
  readonly empty: number
  /** Items that meet the other phrases. */
  readonly total: number
}

export const viewerOf = ({ me, today, past }: Ground) => ({ me, today: today(), ...(past && { past }) })

/** By value of a fact. */
export function valueCounts(
  ground: Ground,
  project: ProjectId,
  others: readonly Condition[],
  fact: string,
): ValueCounts {
  const ask = viewContext(ground.state, project, viewerOf(ground))
  const rows = rowsMeeting({ context: ask, test: compileAll(ask, others) })
  const source = sourceOf(ask, fact)
  const values: Record<string, number> = {}
  let empty = 0
  for (const row of rows) {
    const held = source ? idsAt(source, row) : []
    if (!held.length) empty++
    for (const id of held) values[id] = (values[id] ?? 0) + 1
  }
  return { values, empty, total: rows.length }
}

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

/** By condition. */
export function countsOf(
  ground: Ground,
  project: ProjectId,
  others: readonly Condition[],
  conditions: readonly Condition[],
): number[] {
  const ask = viewContext(ground.state, project, viewerOf(ground))
  const rows = rowsMeeting({ context: ask, test: compileAll(ask, others) })
  const scratch = new Int32Array(rows.length)
  return conditions.map((one) => {
    const test = compile(ask, one)
    return test ? keepTested(test.test, rows, rows.length, scratch) : rows.length
  })
}
