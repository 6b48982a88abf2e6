import { defineEventHandler, getRouterParam } from 'h3'
import { longTextId } from '#core/model/records'
import { storedLongText } from '../../../../db/log'
import { answering, readableItem } from '../../../../http/request'

/** The words of a long text; revision 0 and no words where it is empty. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { room, item } = await readableItem(event, house)
    const id = longTextId(item, getRouterParam(event, 'field') ?? '')
    const stored = await storedLongText(house.database.db, room.workspace, id)
    return { revision: stored?.revision ?? 0, text: stored?.text ?? '' }
  }),
)
