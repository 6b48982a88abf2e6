import { defineEventHandler } from 'h3'
import { ownPasswordBody } from '#core/wire/accounts'
import { passwordOf, setPassword } from '../db/accounts'
import { machineOf } from '../http/addresses'
import { answering, jsonBody, refuse, sameOrigin, signedIn } from '../http/request'
import { hashing } from '../services/hashing'
import { hashPassword, isPassword } from '../services/passwords'
import { Tries } from '../services/tries'

const tries = new Tries()

/** Changes one's own password, and ends one's other sessions. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    sameOrigin(event)
    const { me, room, session } = await signedIn(event, house)
    const body = ownPasswordBody.safeParse(await jsonBody(event, 10_000))
    if (!body.success) return refuse('unreadable', { where: String(body.error.issues[0]?.path[0] ?? 'password') })
    const took = await tries.take({ of: me, machine: machineOf(event.node.req), browser: session.id })
    if (!took.ok) return refuse('too-often', { seconds: took.problem })
    if (hashing.isFull) return refuse('too-often', { seconds: 2 })
    const { db } = house.database
    const password = await hashing.pass(async () => {
      const held = await passwordOf(db, room.workspace, me)
      return held && (await isPassword(body.data.old, held)) ? hashPassword(body.data.password) : undefined
    })
    if (!password) return refuse('wrong-password')
    await took.value()
    await setPassword(db, room.workspace, me, password)
    await house.endSessionsOf(me, session.id)
    return {}
  }),
)
