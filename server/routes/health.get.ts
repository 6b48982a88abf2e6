import { sql } from 'drizzle-orm'
import { defineEventHandler } from 'h3'
import { answering } from '../http/request'

/** 200 when the database answers; how long the process answered nobody, in ms, over the last twenty seconds. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    await house.database.db.execute(sql`select 1`)
    return { ok: true, loop: house.loop.delays }
  }),
)
