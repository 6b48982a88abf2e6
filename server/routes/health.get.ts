import { sql } from 'drizzle-orm'
import { defineEventHandler } from 'h3'
import { answering } from '../http/request'

/**
 * 200 when the database answers; how long the process answered nobody, in ms, over the last twenty seconds; how many
 * changes of a large command are in the log and still to be written into the tables of records.
 */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    await house.database.db.execute(sql`select 1`)
    return { ok: true, loop: house.loop.delays, unwritten: (await house.room())?.head.unwritten ?? 0 }
  }),
)
