import { defineEventHandler } from 'h3'
import { answering, Refusal, signedIn } from '../http/request'

/** Who is signed in here (null: nobody), and the build: what names the browser's worker. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const me = await signedIn(event, house).then(
      (found) => found.me,
      (error: unknown) => {
        if (error instanceof Refusal) return null
        throw error
      },
    )
    return { me, build: house.build }
  }),
)
