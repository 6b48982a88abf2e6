import * as z from 'zod/mini'
import * as ids from '../base/id-schemas'
import { tieId } from '../base/ids'
import { problem } from '../base/result'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand } from '../change/command'
import { makes, type Change } from '../change/patch'
import type { Reader } from '../model/reader'
import type { BoardId, ColumnStatus, KindId, StatusId } from '../model/records'
import { unmade } from '../setup/record-commands'

/** Has a column of a board hold a status, and no other column of that board; null: none does. */
export const holdStatus = defineCommand({
  type: 'column.hold',
  v: 1,
  body: z.object({
    board: ids.boardId,
    status: ids.statusId,
    /** Of one kind alone; null: of every kind. */
    kind: z.nullable(ids.kindId),
    to: z.nullable(ids.columnId),
  }),
  projects: (reader, { board }) => [reader.maybe('board', board)?.project ?? []].flat(),
  check(reader, { board, status, kind, to }, context) {
    const record = reader.maybe('board', board)
    if (!record) return problem('gone')
    const column = to === null ? undefined : reader.maybe('column', to)
    if (to !== null && (!column || column.archived)) return problem('gone')
    const found = reader.maybe('status', status)
    if (!found || found.archived) return problem('gone')
    const isOfOne =
      found.project === record.project &&
      (!column || column.board === board) &&
      (!kind || reader.maybe('kind', kind)?.project === record.project)
    return changeRefusal(reader, context.by, 'board', record) ?? (isOfOne ? undefined : problem('other-project'))
  },
  apply(reader, { board, status, kind, to }) {
    const held = heldOn(reader, board, status, kind)
    const leaving = held.filter((one) => one.column !== to)
    const id = to && tieId<'columnStatus'>(to, status)
    const stored = id ? reader.maybe('columnStatus', id) : undefined
    const changes: Change[] = leaving.map((one) => unmade('columnStatus', one))
    if (to && id && !stored) changes.push(makes('columnStatus', { id, column: to, status, kind }))
    // A column has a status once: of one kind before, of every kind from now on.
    else if (stored && stored.kind !== kind)
      changes.push({ entity: 'columnStatus', id: stored.id, field: 'kind', before: stored.kind, after: kind })
    return applied(changes)
  },
})

/** What holds a status on a board for a kind; null: for every kind. */
const heldOn = (reader: Reader, board: BoardId, status: StatusId, kind: KindId | null): ColumnStatus[] =>
  [...reader.all('columnStatus')].filter(
    (one) => one.status === status && one.kind === kind && reader.maybe('column', one.column)?.board === board,
  )
