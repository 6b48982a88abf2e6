import * as z from 'zod/mini'
import { text } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { tieId } from '../base/ids'
import { problem } from '../base/result'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand, personIn } from '../change/command'
import type { Overrule } from '../model/records'

/**
 * Lets an item past the limit of a column: done together with what brings it there, of which the law then lets more in.
 * The reason stays with the item.
 */
export const overruleLimit = defineCommand({
  type: 'limit.overrule',
  v: 1,
  body: z.object({ column: ids.columnId, item: ids.itemId, reason: text(500) }),
  projects: (reader, { column }) => {
    const board = reader.maybe('column', column)?.board
    return [(board && reader.maybe('board', board)?.project) ?? []].flat()
  },
  check(reader, { column, item, reason }, context) {
    const record: Overrule = { id: tieId<'overrule'>(column, item), column, item, reason, by: personIn(context), at: context.now } // prettier-ignore
    return changeRefusal(reader, context.by, 'overrule', record) ?? (reason.trim() ? undefined : problem('no-reason'))
  },
  apply(reader, { column, item, reason }, context) {
    const id = tieId<'overrule'>(column, item)
    const after: Overrule = { id, column, item, reason: reason.trim(), by: personIn(context), at: context.now }
    return applied([{ entity: 'overrule', id, field: '*', before: reader.maybe('overrule', id) ?? null, after }])
  },
})
