import * as z from 'zod/mini'
import { text, whole } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { must, ok, problem } from '../base/result'
import { isSameValue } from '../base/sorted-ids'
import { needsRole } from '../access/access'
import { defineCommand } from '../change/command'

/** Sets how many items a column should hold at most; null: as many as come. */
export const setLimit = defineCommand({
  type: 'board.limit',
  v: 1,
  body: z.object({
    board: ids.boardId,
    column: text(64),
    from: z.nullable(whole()),
    to: z.nullable(whole(undefined, 9999)),
  }),
  projects: (reader, body) => [reader.maybe('board', body.board)?.project ?? []].flat(),
  check(reader, body, context) {
    const board = reader.maybe('board', body.board)
    const column = board?.definition.columns.find((one) => one.id === body.column)
    if (!board || !column) return problem('gone')
    const refused = needsRole(reader, context.by, board.project, 'lead')
    if (refused) return refused
    if (body.to !== null && body.to < 0) return problem('limit-below-zero')
    return isSameValue(column.limit, body.from) || isSameValue(column.limit, body.to)
      ? undefined
      : problem('changed-meanwhile', undefined, [{ field: 'limit', yours: body.to, stored: column.limit }])
  },
  apply(reader, body) {
    const board = must(reader.maybe('board', body.board), 'board')
    const columns = board.definition.columns.map((one) => (one.id === body.column ? { ...one, limit: body.to } : one))
    const after = { ...board.definition, columns }
    return ok(
      isSameValue(after, board.definition)
        ? []
        : [{ entity: 'board', id: board.id, field: 'definition', before: board.definition, after }],
    )
  },
})
