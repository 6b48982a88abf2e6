import { defineEventHandler, getRouterParam } from 'h3'
import { answering, refuse, sameOrigin, signedIn } from '../../http/request'

/** Stops a large command of one's own: its own answer says whether it was in time. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    sameOrigin(event)
    const { me, room } = await signedIn(event, house)
    return room.stop(getRouterParam(event, 'id') ?? '', me) ? { stopping: true } : refuse('gone')
  }),
)
