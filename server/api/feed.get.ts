import { defineEventHandler, setResponseHeaders } from 'h3'
import { protocol } from '#core/wire/feed'
import { answering, signedIn } from '../http/request'

/** The event stream, on node's own response: h3's costs five times as much and sends its head late. */
export default defineEventHandler((event) =>
  answering(event, async (house) => {
    const { me, session, room } = await signedIn(event, house)
    setResponseHeaders(event, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    })
    if (event.context.isHead) return ''
    event._handled = true
    const response = event.node.res
    response.flushHeaders()
    const hello = {
      tell: 'hello',
      build: house.build,
      protocol,
      now: house.clock.now(),
      sequence: room.sequence,
    } as const
    house.feed.add({ person: me, session: session.id, response }, hello)
    return null
  }),
)
