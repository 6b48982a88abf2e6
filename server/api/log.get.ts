import { once } from 'node:events'
import { setTimeout as sleep } from 'node:timers/promises'
import { defineEventHandler, getQuery, setResponseHeaders, type H3Event } from 'h3'
import { longestCatchUp } from '#core/wire/feed'
import type { PersonId } from '#core/base/ids'
import { answering, refuse, signedIn } from '../http/request'
import { Turns } from '../services/turnstile'

/** Each person's answers go out one piece after the other, however many they ask for: others have their turn in between. */
const sending = new Turns<PersonId>(5, 60)
/** A person's refusals come one after the other, each after a while: who asks again at once and without end holds up nobody. */
const refusing = new Turns<PersonId>(Infinity, 60)
const untilRefusedMs = 100
const untilTurnedAwayMs = 1000

/** The entries after a sequence number, as far as one may see them. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, room } = await signedIn(event, house)
    const after = Number(getQuery(event).after)
    if (!Number.isSafeInteger(after) || after < 0) return refuse('unreadable', { where: 'after' })
    if (sending.isFull(me) || refusing.isFull(me)) {
      await sleep(untilTurnedAwayMs)
      return refuse('too-often', { seconds: 2 })
    }
    const isFar = room.sequence - after > longestCatchUp
    const messages = isFar ? undefined : await house.recent?.since(room.state, after, me)
    if (messages) return send(event, messages, me)
    await refusing.pass(me, () => sleep(untilRefusedMs))
    return refuse('log-too-far-back')
  }),
)

/** Of so many characters is a piece; it takes about a millisecond. */
const pieceOf = 1 << 17
/** A person's answers rest so long after each piece, so that whoever reads without a pause leaves the others their share. */
const restMs = 1

function* pieces(messages: Iterable<string>): Iterable<string> {
  let text = '{"messages":['
  let comma = ''
  for (const message of messages) {
    text += comma + message
    comma = ','
    if (text.length < pieceOf) continue
    yield text
    text = ''
  }
  yield `${text}]}`
}

async function send(event: H3Event, messages: Iterable<string>, me: PersonId): Promise<null> {
  const { res } = event.node
  setResponseHeaders(event, { 'content-type': 'application/json' })
  event._handled = true
  const rest = pieces(messages)[Symbol.iterator]()
  let isDone = false
  while (!isDone) {
    isDone = await sending.pass(me, async () => {
      const { done, value } = rest.next()
      if (done) return true
      res.write(value)
      await sleep(restMs)
      return false
    })
    // A reader who is slow holds up nobody, themselves in another window neither.
    if (res.writableNeedDrain) await Promise.race([once(res, 'drain'), once(res, 'close')])
    if (res.destroyed) return null
  }
  res.end()
  return null
}
