import { defineEventHandler } from 'h3'
import { answering, signedIn } from '../http/request'

/** One's own sessions that are not over, those used last first. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, session } = await signedIn(event, house)
    const sessions = await house.sessions.of(me)
    return { sessions: sessions.map((one) => ({ ...one, isThis: one.id === session.id })) }
  }),
)
