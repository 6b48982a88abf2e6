import { defineEventHandler } from 'h3'
import { answering, signedIn } from '../http/request'

/** Who is signed in here, and the build: what names the browser's worker. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me } = await signedIn(event, house)
    return { me, build: house.build }
  }),
)
