import { timingSafeEqual } from 'node:crypto'
import { defineEventHandler } from 'h3'
import { ownerBody } from '#core/wire/feed'
import { machineOf } from '../http/addresses'
import { answering, jsonBody, refuse, sameOrigin } from '../http/request'
import { startSession } from '../http/session-cookie'
import { AlreadyFounded, foundWorkspace } from '../services/founding'
import { hashPassword } from '../services/passwords'
import { hashOf } from '../services/sessions'
import { Tries } from '../services/tries'

const tries = new Tries()

/** Once, with the code that the start printed: makes the workspace and its owner's account, and signs in. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    sameOrigin(event)
    if (await house.room()) return refuse('owner-exists')
    const body = ownerBody.safeParse(await jsonBody(event, 10_000))
    if (!body.success) return refuse('unreadable', { where: String(body.error.issues[0]?.path[0] ?? 'the form') })
    const machine = machineOf(event.node.req)
    const took = await tries.take({ of: 'the first start', machine })
    if (!took.ok) return refuse('too-often', { seconds: took.problem })
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
      await startSession(event, house, workspaceId, owner)
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
