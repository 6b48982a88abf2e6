import { defineEventHandler, getRouterParam, setResponseStatus } from 'h3'
import { answering, refuse, sameOrigin, signedIn } from '../../http/request'

/** Ends a session of one's own, and its feed with it. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    sameOrigin(event)
    const { me } = await signedIn(event, house)
    const id = getRouterParam(event, 'id') ?? ''
    const mine = await house.sessions.of(me)
    if (!mine.some((one) => one.id === id)) return refuse('gone')
    await house.endSession(id)
    setResponseStatus(event, 204)
    return null
  }),
)
