import type { ServerResponse } from 'node:http'
import { setTimeout as sleep } from 'node:timers/promises'
import { getCookie } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'
import { problem } from '#core/base/result'
import { machineOf } from '../http/addresses'
import { browserCookie } from '../http/request'
import { Door } from '../services/door'

/** Whoever is turned away hears it so much later: who asks again at once is not worth more. */
const laterMs = 1000
/** So many wait to hear it; more hear it at once. */
const mostWaiting = 1000

/**
 * A crowd that would sign in is turned away before anything is done for it. Whatever else is answered goes through the
 * headers and the policy of every page, which takes half a millisecond: two hundred at once would be a tenth of a second
 * in which nobody who is in is answered. A browser that says that it was here before stands at a door of its own.
 */
export default defineNitroPlugin(({ h3App }) => {
  const { handler } = h3App
  const door = new Door()
  let waiting = 0
  h3App.handler = async (event) => {
    if (event.method !== 'POST' || !event.path.startsWith('/api/session')) return handler(event)
    const leave = door.enter(getCookie(event, browserCookie) ?? machineOf(event.node.req))
    const { res } = event.node
    if (leave)
      try {
        return await handler(event)
      } finally {
        leave(res.statusCode === 429)
      }
    event._handled = true
    if (waiting < mostWaiting) {
      waiting++
      await sleep(laterMs)
      waiting--
    }
    turnAway(res)
  }
})

const answer = JSON.stringify({ problem: problem('too-often', { seconds: 2 }) })
const headers = {
  'content-type': 'application/json',
  'content-length': Buffer.byteLength(answer),
  'cache-control': 'no-store',
  'content-security-policy': "default-src 'none'",
  'x-content-type-options': 'nosniff',
}
function turnAway(response: ServerResponse): void {
  if (!response.destroyed) response.writeHead(429, headers).end(answer)
}
