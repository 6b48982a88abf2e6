import { defineEventHandler, getRouterParam } from 'h3'
import { concerns, seenBy } from '#core/wire/seen'
import { entryAt, partOf } from '../../../../db/log'
import { answering, refuse, signedIn } from '../../../../http/request'

const isCount = (n: number): boolean => Number.isInteger(n) && n >= 0 && n < 2 ** 31

/** A part of a large entry: the entry with that part of its patch, as far as one may see it. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, room } = await signedIn(event, house)
    const [n, k] = [Number(getRouterParam(event, 'n')), Number(getRouterParam(event, 'k'))]
    if (!isCount(n) || !isCount(k)) return refuse('unreadable', { where: 'the part' })
    const stored = await entryAt(house.database.db, room.workspace, n)
    if (!stored?.scopes || !concerns(room.state, stored.scopes, me)) return refuse('gone')
    const part = await partOf(house.database.db, room.workspace, stored.entry.command, k)
    if (!part?.scopes) return refuse('gone')
    const entry = { ...stored.entry, patch: part.patch }
    return { entry: seenBy(room.state, { entry, scopes: part.scopes }, me) ?? { ...entry, patch: [] } }
  }),
)
