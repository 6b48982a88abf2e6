import { timingSafeEqual } from 'node:crypto'
import { defineEventHandler } from 'h3'
import { RateLimiterMemory } from 'rate-limiter-flexible'
import { ownerBody } from '#core/wire/feed'
import { answering, jsonBody, refuse, sameOrigin } from '../http/request'
import { sessionCookie } from '../http/session-cookie'
import { AlreadyFounded, foundWorkspace } from '../services/founding'
import { hashPassword } from '../services/passwords'
import { hashOf } from '../services/sessions'

const tries = new RateLimiterMemory({ points: 10, duration: 60 })

/** Once, with the code that the start printed: makes the workspace and its owner's account, and signs in. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    sameOrigin(event)
    if (await house.room()) return refuse('owner-exists')
    const body = ownerBody.safeParse(await jsonBody(event, 10_000))
    if (!body.success) return refuse('unreadable', { where: String(body.error.issues[0]?.path[0] ?? 'the form') })
    await tries.consume('owner').catch(() => refuse('too-often', { seconds: 60 }))
    const isCode = timingSafeEqual(Buffer.from(hashOf(body.data.code.trim())), Buffer.from(hashOf(house.ownerCode)))
    if (!isCode) return refuse('wrong-code')
    const { name, email, workspace, timeZone } = body.data
    if (!isTimeZone(timeZone)) return refuse('unreadable', { where: 'timeZone' })
    const password = await hashPassword(body.data.password)
    try {
      const { workspaceId, owner } = await foundWorkspace(house.database.db, {
        name: workspace,
        timeZone,
        demo: false,
        owner: { name, email, password },
      })
      await house.openRoom()
      sessionCookie(event, await house.sessions.start(workspaceId, owner))
      return { me: owner }
    } catch (error) {
      if (error instanceof AlreadyFounded) return refuse('owner-exists')
      throw error
    }
  }),
)

function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}
