import { defineEventHandler, getQuery } from 'h3'
import { historyOf } from '../../../db/log'
import { answering, readableItem } from '../../../http/request'

const entriesOnPage = 50

/** What touched an item, newest first, by page: `?before=` is the last sequence number of the page above. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { room, item } = await readableItem(event, house)
    const before = Number(getQuery(event).before ?? Number.MAX_SAFE_INTEGER)
    const entries = await historyOf(house.database.db, room.workspace, item, before, entriesOnPage + 1)
    return { entries: entries.slice(0, entriesOnPage), more: entries.length > entriesOnPage }
  }),
)
