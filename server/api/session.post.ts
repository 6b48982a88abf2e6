import { defineEventHandler, getCookie, type H3Event } from 'h3'
import { accountOf } from '#core/access/access'
import type { PersonId } from '#core/base/ids'
import { signInBody } from '#core/wire/feed'
import { credentialOf } from '../db/sessions'
import { machineOf } from '../http/addresses'
import { answering, browserCookie, jsonBody, refuse, sameOrigin } from '../http/request'
import { startSession } from '../http/session-cookie'
import { hashPassword, isPassword } from '../services/passwords'
import { hashOf } from '../services/sessions'
import { Tries } from '../services/tries'
import { Turnstile } from '../services/turnstile'
import type { House } from '../services/house'

const tries = new Tries()
/** Hashing takes some 100 ms of one of the four threads that compress answers and look up names as well. */
const hashing = new Turnstile(2, 20)
/** Compared with where there is no such account, so that the answer takes as long. */
const nobodysPassword = hashPassword('nobody has this password')

export default defineEventHandler((event) =>
  answering(event, async (house) => {
    sameOrigin(event)
    const body = signInBody.safeParse(await jsonBody(event, 10_000))
    if (!body.success) return refuse('unreadable', { where: 'the sign-in' })
    const person =
      'person' in body.data ? await stepIn(house, body.data.person) : await byPassword(event, house, body.data)
    const room = await house.room()
    if (!room) return refuse('wrong-sign-in')
    await startSession(event, house, room.workspace, person)
    return { me: person }
  }),
)

/** In a demo one presses a person. */
async function stepIn(house: House, id: string): Promise<PersonId> {
  const room = await house.room()
  const person = room?.state.workspace().demo ? accountOf(room.state, id) : undefined
  if (!person) return refuse('wrong-sign-in')
  return person.id
}

async function byPassword(
  event: H3Event,
  house: House,
  { email, password }: { email: string; password: string },
): Promise<PersonId> {
  if (hashing.isFull) return refuse('too-often', { seconds: 2 })
  const room = await house.room()
  const found = room && (await credentialOf(house.database.db, room.workspace, email))
  const secret = getCookie(event, browserCookie)
  const isKnown = !!found && !!secret && (await house.sessions.wasOf(secret)) === found.person
  const took = await tries.take({
    of: email.toLowerCase(),
    machine: machineOf(event.node.req.headers, event.node.req.socket.remoteAddress),
    browser: isKnown ? hashOf(secret) : undefined,
  })
  if (!took.ok) return refuse('too-often', { seconds: took.problem })
  const stored = found?.password ?? (await nobodysPassword)
  const fits = await hashing.pass(() => isPassword(password, stored))
  const person = found && room && accountOf(room.state, found.person)
  if (!fits || !person) return refuse('wrong-sign-in')
  await took.value()
  return person.id
}
