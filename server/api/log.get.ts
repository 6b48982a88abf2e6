import { defineEventHandler, getQuery } from 'h3'
import { longestCatchUp, type LogMessage } from '#core/wire/feed'
import { entriesAfter } from '../db/log'
import { answering, refuse, signedIn } from '../http/request'
import { messageFor } from '../rooms/feed'

/** The entries after a sequence number, as far as one may see them. */
export default defineEventHandler((event) =>
  answering(event, async (house): Promise<{ messages: LogMessage[] }> => {
    const { me, room } = await signedIn(event, house)
    const after = Number(getQuery(event).after)
    if (!Number.isSafeInteger(after) || after < 0) return refuse('unreadable', { where: 'after' })
    const stored = await entriesAfter(house.database.db, room.workspace, after, longestCatchUp + 1)
    if (stored.length > longestCatchUp) return refuse('log-too-far-back')
    return {
      messages: stored.map(({ entry, scopes, parts }) =>
        messageFor(room.state, { entry, scopes: scopes ?? refuse('log-too-far-back') }, parts, me),
      ),
    }
  }),
)
