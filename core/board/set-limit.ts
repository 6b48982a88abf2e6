import * as z from 'zod/mini'
import { whole } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { problem } from '../base/result'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand } from '../change/command'
import type { Change } from '../change/patch'
import { limitId, limitOf, type Reader } from '../model/reader'
import type { ProjectId } from '../model/records'

/** Sets how many items a column should hold at most; null: as many as come. Carries the limit it was made from. */
export const setLimit = defineCommand({
  type: 'limit.set',
  v: 1,
  body: z.object({
    column: ids.columnId,
    from: z.nullable(whole()),
    to: z.nullable(whole(undefined, 9999)),
  }),
  projects: (reader, body) => [projectOf(reader, body.column) ?? []].flat(),
  check(reader, { column, from, to }, context) {
    const refused = changeRefusal(reader, context.by, 'limit', { id: limitId(column), column, most: to ?? 0 })
    if (refused) return refused
    if (to !== null && to < 0) return problem('limit-below-zero')
    const stored = limitOf(reader, column)
    return stored === from || stored === to
      ? undefined
      : problem('changed-meanwhile', undefined, [{ field: 'limit', yours: to, stored }])
  },
  apply(reader, { column, to }) {
    const before = reader.maybe('limit', limitId(column))
    return applied(before?.most === to || (!before && to === null) ? [] : [limitChange(column, before?.most, to)])
  },
})

function limitChange(column: string, before: number | undefined, after: number | null): Change {
  const id = limitId(column)
  if (before !== undefined && after !== null) return { entity: 'limit', id, field: 'most', before, after }
  const record = (most: number | null | undefined) =>
    most === null || most === undefined ? null : { id, column, most }
  return { entity: 'limit', id, field: '*', before: record(before), after: record(after) }
}

function projectOf(reader: Reader, column: string): ProjectId | undefined {
  const board = reader.maybe('column', column)?.board
  return board && reader.maybe('board', board)?.project
}
