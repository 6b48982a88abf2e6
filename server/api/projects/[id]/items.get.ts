import { once } from 'node:events'
import { createGzip, type Gzip } from 'node:zlib'
import { defineEventHandler, getHeader, getRouterParam, setResponseHeaders, setResponseStatus } from 'h3'
import { toPayload, type Payload } from '#core/wire/payload'
import { answering, readableProject, signedIn } from '../../../http/request'

/** The columnar payload of a project's unarchived and archived items, streamed through gzip; 304 by sequence. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, room } = await signedIn(event, house)
    const project = readableProject(room, me, getRouterParam(event, 'id') ?? '')
    const tag = `"${house.build}-${room.sequence}"`
    if (getHeader(event, 'if-none-match') === tag) {
      setResponseStatus(event, 304)
      return null
    }
    const payload = toPayload(room.state, project, room.sequence)
    setResponseHeaders(event, {
      'content-type': 'application/json',
      'content-encoding': 'gzip',
      etag: tag,
      'x-items': String(payload.ids.length),
    })
    event._handled = true
    const zip = createGzip({ level: 5 })
    zip.pipe(event.node.res)
    await writePayload(zip, payload)
    return null
  }),
)

/** Column by column, so that other requests have their turn in between. */
async function writePayload(zip: Gzip, payload: Payload): Promise<void> {
  const write = async (text: string) => {
    if (!zip.write(text)) await once(zip, 'drain')
    await new Promise((resolve) => setImmediate(resolve))
  }
  await write(
    `{"sequence":${payload.sequence},"project":"${payload.project}","words":${JSON.stringify(payload.words)},"ids":${JSON.stringify(payload.ids)},"links":${JSON.stringify(payload.links)}`,
  )
  for (const part of ['columns', 'values'] as const) {
    await write(`,"${part}":{`)
    let comma = ''
    for (const [name, column] of Object.entries(payload[part])) {
      await write(`${comma}${JSON.stringify(name)}:${JSON.stringify(column)}`)
      comma = ','
    }
    await write('}')
  }
  zip.end('}')
}
