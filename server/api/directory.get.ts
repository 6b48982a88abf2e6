import { defineEventHandler } from 'h3'
import { dateIn } from '#core/base/dates'
import { directoryFor, type Directory } from '#core/wire/directory'
import { answering, signedIn } from '../http/request'

export default defineEventHandler((event) =>
  answering(event, async (house): Promise<Directory> => {
    const { me, room } = await signedIn(event, house)
    const now = house.clock.now()
    return {
      me,
      sequence: room.sequence,
      build: house.build,
      now,
      today: dateIn(room.state.workspace().timeZone, now),
      records: directoryFor(room.state, me),
    }
  }),
)
