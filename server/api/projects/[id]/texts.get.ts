import { defineEventHandler, getQuery, getRouterParam } from 'h3'
import { storedLongTexts } from '../../../db/log'
import { answering, readableProject, refuse, signedIn } from '../../../http/request'

/** The words of a field of long texts, of every item of a project that has some. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, room } = await signedIn(event, house)
    const project = readableProject(room, me, getRouterParam(event, 'id') ?? '')
    const field = room.state.maybe('field', String(getQuery(event).field))
    if (field?.project !== project) return refuse('unreadable', { where: 'field' })
    return { texts: await storedLongTexts(house.database.db, room.workspace, project, field.id) }
  }),
)
