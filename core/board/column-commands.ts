import * as z from 'zod/mini'
import { name, text } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { tieId } from '../base/ids'
import { problem } from '../base/result'
import { makes, type Change } from '../change/patch'
import { columnsOf, heldBy, limitId } from '../model/reader'
import { columnRecord } from '../model/schemas'
import { archivedNow } from '../projects/set-up/in-project'
import { recordCommands, unmade } from '../setup/record-commands'

/** Adding, naming, removing and ordering the columns of a board. */
export const columns = recordCommands({
  entity: 'column',
  record: columnRecord,
  id: ids.columnId,
  fields: { name, belongs: z.nullable(text(200)), leaves: z.nullable(text(200)) },
  siblings: (reader, column) => columnsOf(reader, column.board),
  called: (column) => column.name,
  /** `to`: the column that holds from then on what it held; null: none does. */
  removal: z.object({ to: z.nullable(ids.columnId) }),
  checkRemoval: (reader, column, { to }) =>
    to === null || columnsOf(reader, column.board).some((other) => other.id === to && to !== column.id)
      ? undefined
      : problem('wrong-value', { field: 'to' }),
  remove(reader, column, { to }) {
    const limit = reader.maybe('limit', limitId(column.id))
    return [
      archivedNow('column', column),
      ...(limit ? [unmade('limit', limit)] : []),
      ...heldBy(reader, column.id).flatMap((held): Change[] => {
        const id = to && tieId<'columnStatus'>(to, held.status)
        const isThere = !!id && !!reader.maybe('columnStatus', id)
        return [
          unmade('columnStatus', held),
          ...(id && !isThere ? [makes('columnStatus', { ...held, id, column: to as typeof column.id })] : []),
        ]
      }),
    ]
  },
})
