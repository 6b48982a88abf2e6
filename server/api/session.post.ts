import { defineEventHandler, getRequestIP, type H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import type { PersonId } from '#core/base/ids'
import { signInBody } from '#core/wire/feed'
import { credentialOf } from '../db/sessions'
import { answering, jsonBody, refuse, sameOrigin } from '../http/request'
import { sessionCookie } from '../http/session-cookie'
import { hashPassword, isPassword } from '../services/passwords'
import type { House } from '../services/house'

/** Wrong passwords: ten a minute for an address, thirty for a machine. */
const byEmail = new RateLimiterMemory({ points: 10, duration: 60 })
const byMachine = new RateLimiterMemory({ points: 30, duration: 60 })
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
  const machine = getRequestIP(event) ?? 'unknown'
  await takePoint(byEmail, email.toLowerCase(), 0)
  await takePoint(byMachine, machine, 0)
  const room = await house.room()
  const found = room && (await credentialOf(house.database.db, room.workspace, email))
  const fits = await isPassword(password, found?.password ?? (await nobodysPassword))
  const person = found && room?.state.maybe('person', found.person)
  if (fits && person?.active && person.role) return person.id
  await takePoint(byEmail, email.toLowerCase(), 1)
  await takePoint(byMachine, machine, 1)
  return refuse('wrong-sign-in')
}

/** Refuses with the seconds to wait where the points are used up; 0 only looks. */
async function takePoint(limiter: RateLimiterMemory, key: string, points: number): Promise<void> {
  const held = points ? undefined : await limiter.get(key)
  if (held && held.remainingPoints <= 0) refuse('too-often', { seconds: Math.ceil(held.msBeforeNext / 1000) })
  if (!points) return
  try {
    await limiter.consume(key, points)
  } catch (error) {
    if (error instanceof RateLimiterRes) refuse('too-often', { seconds: Math.ceil(error.msBeforeNext / 1000) })
    throw error
  }
}
