import { defineEventHandler, getRouterParam } from 'h3'
import { accountOf } from '#core/access/access'
import { passwordBody } from '#core/wire/accounts'
import { openLink, setPassword, useLink } from '../../db/accounts'
import { machineOf } from '../../http/addresses'
import { answering, jsonBody, refuse, sameOrigin } from '../../http/request'
import { startSession } from '../../http/session-cookie'
import { hashing } from '../../services/hashing'
import { hashPassword } from '../../services/passwords'
import { hashOf } from '../../services/sessions'
import { Tries } from '../../services/tries'

const tries = new Tries()

/** Sets a password with a one-time link, ends what was signed in before, and signs in. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    sameOrigin(event)
    const took = await tries.take({ of: 'a link', machine: machineOf(event.node.req) })
    if (!took.ok) return refuse('too-often', { seconds: took.problem })
    const body = passwordBody.safeParse(await jsonBody(event, 10_000))
    if (!body.success) return refuse('unreadable', { where: 'password' })
    const room = await house.room()
    const id = hashOf(getRouterParam(event, 'secret') ?? '')
    const { db } = house.database
    const person = room && accountOf(room.state, (await openLink(db, id, house.clock.now())) ?? '')
    if (!person) return refuse('link-over')
    if (hashing.isFull) return refuse('too-often', { seconds: 2 })
    const password = await hashing.pass(() => hashPassword(body.data.password))
    if ((await useLink(db, id, house.clock.now())) !== person.id) return refuse('link-over')
    await setPassword(db, room.workspace, person.id, password)
    await house.endSessionsOf(person.id)
    await took.value()
    await startSession(event, house, room.workspace, person.id)
    return { me: person.id }
  }),
)
