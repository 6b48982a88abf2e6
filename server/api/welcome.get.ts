import { defineEventHandler } from 'h3'
import { queueOf } from '#core/queue/queue'
import { dateIn } from '#core/base/dates'
import { answering } from '../http/request'

/** What the sign-in page may know: whether there is a workspace, and in a demo who one can step in as. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const room = await house.room()
    if (!room) return { founded: false as const }
    const { name, demo, timeZone } = room.state.workspace()
    if (!demo) return { founded: true as const, name, demo: false as const }
    const today = dateIn(timeZone, house.clock.now())
    const people = [...room.state.all('person')]
      .filter((person) => person.active && person.role)
      .map(({ id, name, role, colour }) => {
        const queue = queueOf(room.state, id, today)
        const mine = [...queue.now, ...queue.next]
        return { id, name, role, colour, turn: mine.length, late: mine.filter((entry) => entry.late).length }
      })
    return { founded: true as const, name, demo: true as const, people }
  }),
)
