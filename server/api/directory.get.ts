import { defineEventHandler } from 'h3'
import { directoryFor, type Directory } from '#core/wire/directory'
import { answering, signedIn } from '../http/request'

export default defineEventHandler((event) =>
  answering(event, async (house): Promise<Directory> => {
    const { me, room } = await signedIn(event, house)
    return {
      me,
      sequence: room.sequence,
      build: house.build,
      now: house.clock.now(),
      records: directoryFor(room.state, me),
    }
  }),
)
