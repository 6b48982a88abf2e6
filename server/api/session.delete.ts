import { defineEventHandler, deleteCookie, setResponseStatus } from 'h3'
import { answering, cookieName, sameOrigin, signedIn } from '../http/request'

export default defineEventHandler((event) =>
  answering(event, async (house) => {
    sameOrigin(event)
    const { session } = await signedIn(event, house)
    await house.endSession(session.id)
    deleteCookie(event, cookieName, { path: '/' })
    setResponseStatus(event, 204)
    return null
  }),
)
