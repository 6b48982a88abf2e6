import { defineEventHandler } from 'h3'
import { may } from '#core/access/access'
import { personActor } from '#core/change/actor'
import type { AccountsAnswer } from '#core/wire/accounts'
import { credentialsIn, lastSeenIn, openLinksIn } from '../db/accounts'
import { answering, refuse, signedIn } from '../http/request'

/** Who has a way in, and when they were last here: for those who manage people. */
export default defineEventHandler((event) =>
  answering(event, async (house): Promise<AccountsAnswer> => {
    const { me, room } = await signedIn(event, house)
    if (!may(room.state, personActor(me), 'manage people')) return refuse('not-allowed', { act: 'manage people' })
    const { db } = house.database
    const seen = await lastSeenIn(db, room.workspace)
    const passwords = await credentialsIn(db, room.workspace)
    const links = await openLinksIn(db, room.workspace, house.clock.now())
    const here = house.feed.people
    const ids = [...room.state.all('person')].map(({ id }) => id)
    return {
      people: Object.fromEntries(
        ids.map((id) => [
          id,
          { isHere: here.has(id), lastSeen: seen.get(id) ?? null, hasPassword: passwords.has(id), linkUntil: links.get(id) ?? null },
        ]),
      ),
    } // prettier-ignore
  }),
)
