import { defineEventHandler, getCookie, type H3Event } from 'h3'
import { accountOf } from '#core/access/access'
import { isSameText } from '#core/base/collation'
import type { PersonId } from '#core/base/ids'
import { signInBody } from '#core/wire/feed'
import { credentialOf } from '../db/sessions'
import { machineOf } from '../http/addresses'
import { answering, browserCookie, jsonBody, refuse, sameOrigin } from '../http/request'
import { startSession } from '../http/session-cookie'
import { hashing } from '../services/hashing'
import { hashPassword, isPassword } from '../services/passwords'
import { hashOf } from '../services/sessions'
import { Tries } from '../services/tries'
import type { House } from '../services/house'

const tries = new Tries()
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
  const secret = getCookie(event, browserCookie)
  const before = secret ? await hashing.pass(() => house.sessions.wasOf(secret)) : undefined
  const isKnown = !!before && isSameText(room?.state.maybe('person', before)?.email ?? '', email)
  // Counted before the database or a thread is asked for anything.
  const took = await tries.take({
    of: email.toLowerCase(),
    machine: machineOf(event.node.req),
    browser: isKnown && secret ? hashOf(secret) : undefined,
  })
  if (!took.ok) return refuse('too-often', { seconds: took.problem })
  const found = await hashing.pass(async () => {
    const held = room && (await credentialOf(house.database.db, room.workspace, email))
    return (await isPassword(password, held?.password ?? (await nobodysPassword))) ? held : undefined
  })
  const person = found && room && accountOf(room.state, found.person)
  if (!person) return refuse('wrong-sign-in')
  await took.value()
  return person.id
}
