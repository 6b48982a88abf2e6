import { defineEventHandler } from 'h3'
import { may } from '#core/access/access'
import { personActor } from '#core/change/actor'
import type { SentMessage } from '#core/wire/accounts'
import { messagesIn } from '../db/accounts'
import { answering, refuse, signedIn } from '../http/request'

const most = 200

/** What was sent last, for owners; the secrets in it are left out. */
export default defineEventHandler((event) =>
  answering(event, async (house): Promise<{ messages: SentMessage[] }> => {
    const { me, room } = await signedIn(event, house)
    if (!may(room.state, personActor(me), 'make owners')) return refuse('not-allowed', { act: 'make owners' })
    const rows = await messagesIn(house.database.db, room.workspace, most)
    return { messages: rows.map(({ id, person, to, subject, text, made, sent, trouble }) => ({ id, person, to, subject, text, made, sent, trouble })) } // prettier-ignore
  }),
)
