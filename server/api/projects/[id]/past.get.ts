import { defineEventHandler, getQuery, getRouterParam } from 'h3'
import { dateIn, dayNumber, ZoneDays } from '#core/base/dates'
import { statusesAt } from '../../../db/stays'
import { answering, readableProject, refuse, signedIn } from '../../../http/request'

/** Where the items of a project stood at the end of the day some days ago, of those that have moved since. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, room } = await signedIn(event, house)
    const project = readableProject(room, me, getRouterParam(event, 'id') ?? '')
    const daysAgo = Number(getQuery(event).days)
    if (!Number.isSafeInteger(daysAgo) || daysAgo < 1 || daysAgo > 3660) return refuse('unreadable', { where: 'days' })
    const { timeZone } = room.state.workspace()
    const nextDay = dayNumber(dateIn(timeZone, house.clock.now())) - daysAgo + 1
    const end = new Date(new ZoneDays(timeZone).begin(nextDay) - 1).toISOString()
    return { sequence: room.sequence, statuses: await statusesAt(house.database.db, room.workspace, project, end) }
  }),
)
