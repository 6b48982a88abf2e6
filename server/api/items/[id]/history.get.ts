import { defineEventHandler, getQuery, getRouterParam } from 'h3'
import { historyOf } from '../../../db/log'
import { answering, readableProject, refuse, signedIn } from '../../../http/request'

const entriesOnPage = 50

/** What touched an item, newest first, by page: `?before=` is the last sequence number of the page above. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, room } = await signedIn(event, house)
    const item = room.state.maybe('item', getRouterParam(event, 'id') ?? '')
    if (!item) return refuse('gone')
    readableProject(room, me, item.project)
    const before = Number(getQuery(event).before ?? Number.MAX_SAFE_INTEGER)
    const entries = await historyOf(house.database.db, room.workspace, item.id, before, entriesOnPage + 1)
    return { entries: entries.slice(0, entriesOnPage), more: entries.length > entriesOnPage }
  }),
)
