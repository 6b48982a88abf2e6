import * as z from 'zod/mini'
import { whole } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { firstProblem, problem, type Problem } from '../base/result'
import { isSameValue } from '../base/sorted-ids'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand } from '../change/command'
import type { Change } from '../change/patch'
import { limitId, limitSetOf, type LimitSet, type Reader } from '../model/reader'
import { mostAmount } from '../model/names'
import type { Limit, ProjectId } from '../model/records'

const amount = z.nullable(whole(undefined, mostAmount))
const limitBody = z.object({ most: amount, least: amount, of: z.nullable(ids.fieldId), stops: z.boolean() })

/** Sets how much a column should hold; null: as much as comes. Carries the limit it was made from. */
export const setLimit = defineCommand({
  type: 'limit.set',
  v: 2,
  body: z.object({ column: ids.columnId, from: z.nullable(limitBody), to: z.nullable(limitBody) }),
  projects: (reader, body) => [projectOf(reader, body.column) ?? []].flat(),
  check(reader, { column, from, to }, context) {
    const stored = limitSetOf(reader, column)
    return (
      changeRefusal(reader, context.by, 'limit', recordOf(column, to ?? noLimit)) ??
      (to ? checkLimit(reader, column, to) : undefined) ??
      (isSameValue(stored, from) || isSameValue(stored, to)
        ? undefined
        : problem('changed-meanwhile', undefined, [{ field: 'limit', yours: to, stored }]))
    )
  },
  apply(reader, { column, to }) {
    const before = reader.maybe('limit', limitId(column))
    const after = to && (to.most !== null || to.least !== null) ? recordOf(column, to) : null
    if (!before || !after)
      return applied(before || after ? [{ entity: 'limit', id: limitId(column), field: '*', before: before ?? null, after }] : []) // prettier-ignore
    return applied(
      (['most', 'least', 'of', 'stops'] as const).flatMap((field): Change[] =>
        isSameValue(before[field], after[field])
          ? []
          : [{ entity: 'limit', id: before.id, field, before: before[field] ?? null, after: after[field] ?? null }],
      ),
    )
  },
})

const noLimit: LimitSet = { most: null, least: null, of: null, stops: false }
const recordOf = (column: string, to: LimitSet): Limit => ({ id: limitId(column), column: column as Limit['column'], ...to }) // prettier-ignore

function checkLimit(reader: Reader, column: string, { most, least, of }: LimitSet): Problem | undefined {
  const field = of === null ? undefined : reader.maybe('field', of)
  if (of !== null && (field?.type !== 'number' || field.archived || field.project !== projectOf(reader, column)))
    return problem('wrong-value', { field: 'limit' })
  if (most !== null && least !== null && least > most) return problem('least-above-most')
  return firstProblem([most, least], (one) => (one !== null && one < 0 ? problem('limit-below-zero') : undefined))
}

function projectOf(reader: Reader, column: string): ProjectId | undefined {
  const board = reader.maybe('column', column)?.board
  return board && reader.maybe('board', board)?.project
}
