import { readFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { createError, defineEventHandler, setResponseHeader } from 'h3'

/** The licences of all that ships, as the build has gathered them (modules/licences.ts). */
export default defineEventHandler(async (event) => {
  setResponseHeader(event, 'content-type', 'text/plain; charset=utf-8')
  try {
    return await readFile(join(dirname(process.argv[1] ?? ''), 'licences.txt'), 'utf8')
  } catch {
    throw createError({ statusCode: 404 })
  }
})
