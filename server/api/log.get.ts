import { once } from 'node:events'
import { defineEventHandler, getQuery, setResponseHeaders, type H3Event } from 'h3'
import { longestCatchUp } from '#core/wire/feed'
import type { PersonId } from '#core/base/ids'
import type { Reader } from '#core/model/reader'
import { entriesAfter, type StoredEntry } from '../db/log'
import { answering, refuse, signedIn } from '../http/request'
import { messageFor } from '../rooms/feed'
import { Turns } from '../services/turnstile'

/** What is long ago is read from the database: by each person one at a time, and by three in all. */
const reading = new Turns<PersonId>(3, 60)

/** The entries after a sequence number, as far as one may see them. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, room } = await signedIn(event, house)
    const after = Number(getQuery(event).after)
    if (!Number.isSafeInteger(after) || after < 0) return refuse('unreadable', { where: 'after' })
    if (room.sequence - after > longestCatchUp) return refuse('log-too-far-back')
    const recent = house.recent?.since(room.state, after, me)
    if (recent) return send(event, recent)
    if (reading.isFull(me)) return refuse('too-often', { seconds: 2 })
    const stored = await reading.pass(me, () => entriesAfter(house.database.db, room.workspace, after, longestCatchUp + 1)) // prettier-ignore
    if (stored.length > longestCatchUp || stored.some(({ scopes }) => !scopes)) return refuse('log-too-far-back')
    return send(event, texts(room.state, stored, me))
  }),
)

function* texts(reader: Reader, stored: readonly StoredEntry[], me: PersonId): Iterable<string> {
  for (const { entry, scopes = [], parts } of stored)
    yield JSON.stringify(messageFor(reader, { entry, scopes }, parts, me))
}

/** Some at a time, so that others have their turn in between. */
async function send(event: H3Event, messages: Iterable<string>): Promise<null> {
  const { res } = event.node
  setResponseHeaders(event, { 'content-type': 'application/json' })
  event._handled = true
  let text = '{"messages":['
  let comma = ''
  for (const message of messages) {
    text += comma + message
    comma = ','
    if (text.length < 1 << 16) continue
    if (!res.write(text)) await Promise.race([once(res, 'drain'), once(res, 'close')])
    if (res.destroyed) return null
    text = ''
    await new Promise((resolve) => setImmediate(resolve))
  }
  res.end(`${text}]}`)
  return null
}
