import { defineEventHandler, getRouterParam } from 'h3'
import { accountOf } from '#core/access/access'
import type { LinkAnswer } from '#core/wire/accounts'
import { openLink } from '../../db/accounts'
import { answering, refuse } from '../../http/request'
import { hashOf } from '../../services/sessions'

/** Whose one-time link it is. */
export default defineEventHandler((event) =>
  answering(event, async (house): Promise<LinkAnswer> => {
    const room = await house.room()
    const id = hashOf(getRouterParam(event, 'secret') ?? '')
    const person = room && accountOf(room.state, (await openLink(house.database.db, id, house.clock.now())) ?? '')
    if (!person) return refuse('link-over')
    return { name: person.name, email: person.email, workspace: room.state.workspace().name }
  }),
)
