import { defineEventHandler, getRequestIP, type H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import type { PersonId } from '#core/base/ids'
import { signInBody } from '#core/wire/feed'
import { credentialOf } from '../db/sessions'
import { answering, jsonBody, refuse, sameOrigin } from '../http/request'
import { sessionCookie } from '../http/session-cookie'
import { hashPassword, isPassword } from '../services/passwords'
import { Turnstile } from '../services/turnstile'
import type { House } from '../services/house'

/** Tries: ten a minute for an address, thirty for a machine. A try counts before it is looked at; a right one is given back. */
const byEmail = new RateLimiterMemory({ points: 10, duration: 60 })
const byMachine = new RateLimiterMemory({ points: 30, duration: 60 })
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
    sessionCookie(event, await house.sessions.start(room.workspace, person))
    return { me: person }
  }),
)

/** In a demo one presses a person. */
async function stepIn(house: House, id: string): Promise<PersonId> {
  const room = await house.room()
  const person = room?.state.maybe('person', id)
  if (!room?.state.workspace().demo || !person?.active || !person.role) return refuse('wrong-sign-in')
  return person.id
}

async function byPassword(
  event: H3Event,
  house: House,
  { email, password }: { email: string; password: string },
): Promise<PersonId> {
  const [address, machine] = [email.toLowerCase(), getRequestIP(event) ?? 'unknown']
  if (hashing.isFull) return refuse('too-often', { seconds: 2 })
  await takePoint(byEmail, address)
  await takePoint(byMachine, machine)
  const room = await house.room()
  const found = room && (await credentialOf(house.database.db, room.workspace, email))
  const stored = found?.password ?? (await nobodysPassword)
  const fits = await hashing.pass(() => isPassword(password, stored))
  const person = found && room?.state.maybe('person', found.person)
  if (!fits || !person?.active || !person.role) return refuse('wrong-sign-in')
  await byEmail.reward(address)
  await byMachine.reward(machine)
  return person.id
}

/** Refuses with the seconds to wait where the points are used up. */
async function takePoint(limiter: RateLimiterMemory, key: string): Promise<void> {
  try {
    await limiter.consume(key)
  } catch (error) {
    if (error instanceof RateLimiterRes) refuse('too-often', { seconds: Math.ceil(error.msBeforeNext / 1000) })
    throw error
  }
}
