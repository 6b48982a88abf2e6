import * as z from 'zod/mini'
import { text } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { tieId } from '../base/ids'
import { problem } from '../base/result'
import { changeRefusal } from '../access/changing'
import { applied, defineCommand, personIn } from '../change/command'
import type { MoveNote } from '../model/records'

/** Says something with a move that asks for it: done together with what brings the item into the status. */
export const noteMove = defineCommand({
  type: 'items.note',
  v: 1,
  body: z.object({ status: ids.statusId, item: ids.itemId, text: text(500) }),
  projects: (reader, { status }) => [reader.maybe('status', status)?.project ?? []].flat(),
  check(reader, { status, item, text }, context) {
    const record: MoveNote = { id: tieId<'moveNote'>(status, item), status, item, text, by: personIn(context), at: context.now } // prettier-ignore
    return changeRefusal(reader, context.by, 'moveNote', record) ?? (text.trim() ? undefined : problem('no-note'))
  },
  apply(reader, { status, item, text }, context) {
    const id = tieId<'moveNote'>(status, item)
    const after: MoveNote = { id, status, item, text: text.trim(), by: personIn(context), at: context.now }
    return applied([{ entity: 'moveNote', id, field: '*', before: reader.maybe('moveNote', id) ?? null, after }])
  },
})
