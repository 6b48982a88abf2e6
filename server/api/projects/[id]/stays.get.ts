import { defineEventHandler, getRouterParam } from 'h3'
import { typicalStays } from '../../../db/stays'
import { answering, readableProject, signedIn } from '../../../http/request'

/** How long items of a project stay in each status: the median in ms of the stays that have ended, by status. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, room } = await signedIn(event, house)
    const project = readableProject(room, me, getRouterParam(event, 'id') ?? '')
    return typicalStays(house.database.db, room.workspace, project)
  }),
)
