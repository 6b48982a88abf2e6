import { defineEventHandler, setResponseStatus } from 'h3'
import { accountOf } from '#core/access/access'
import { forgottenBody } from '#core/wire/accounts'
import { machineOf } from '../../http/addresses'
import { answering, jsonBody, refuse, sameOrigin } from '../../http/request'
import { hasAddress } from '../../services/letters'
import { Tries } from '../../services/tries'

const tries = new Tries()

/** Sends a link with which to set a new password. What it answers, and when, is the same for an address that nobody has. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    sameOrigin(event)
    const body = forgottenBody.safeParse(await jsonBody(event, 10_000))
    if (!body.success) return refuse('unreadable', { where: 'email' })
    const email = body.data.email.toLowerCase()
    const took = await tries.take({ of: `forgotten ${email}`, machine: machineOf(event.node.req) })
    if (!took.ok) return refuse('too-often', { seconds: took.problem })
    const room = await house.room()
    const found = room && [...room.state.all('person')].find((one) => one.email?.toLowerCase() === email)
    const person = found && accountOf(room.state, found.id)
    if (room && person && hasAddress(person)) {
      const workspace = { id: room.workspace, name: room.state.workspace().name }
      // Nobody waits for it, so that nobody can tell by the time.
      void house.letters.forgotten(person, workspace).catch((error: unknown) => console.error('forgotten password:', error)) // prettier-ignore
    }
    setResponseStatus(event, 202)
    return {}
  }),
)
