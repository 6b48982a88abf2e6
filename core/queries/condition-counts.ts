import type { Condition, ProjectId } from '../model/records'
import { viewContext } from '../facts/contract'
import { rowsMeeting } from '../views/evaluate'
import { compile, compileAll } from '../views/filter'
import { keepTested } from '../views/scans'
import { askedQuery, viewerOf, type QueryContext } from './contract'

/** Conditions that are counted one by one, each together with the others. */
export interface ConditionCountsInput {
  readonly project: ProjectId
  /** The other phrases of the view, left as they are. */
  readonly others: readonly Condition[]
  readonly conditions: readonly Condition[]
}

/** How many items each of some conditions would give beside the others. */
export const conditionCounts = askedQuery<ConditionCountsInput, number[]>(countEach)

/** How many items each condition leaves together with the others. */
export function countEach(asking: QueryContext, { project, others, conditions }: ConditionCountsInput): number[] {
  const context = viewContext(asking.state, project, viewerOf(asking))
  const rows = rowsMeeting({ context, test: compileAll(context, others) })
  const kept = new Int32Array(rows.length)
  return conditions.map((condition) => {
    const test = compile(context, condition)
    return test ? keepTested(test.test, rows, rows.length, kept) : rows.length
  })
}
