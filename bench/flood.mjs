/**
 * Too much asked at once, for so many ms: `sign-ins`, two hundred guesses at a time, or `logs`, all of the log twenty times
 * at once by whoever the cookie names. node bench/flood.mjs <what> <url> <ms> [cookie]
 */
import { Agent, request } from 'node:http'

const [what, url, ms, cookie = ''] = process.argv.slice(2)
const until = performance.now() + Number(ms)
const agent = new Agent({ keepAlive: true, maxSockets: 200 })

/** What comes back is read and thrown away: this process shares the machine with what it floods. */
const ask = (path, headers, body) =>
  new Promise((resolve, reject) =>
    request(`${url}${path}`, { agent, method: body ? 'POST' : 'GET', headers }, (answer) =>
      answer.resume().once('end', resolve),
    )
      .once('error', reject)
      .end(body),
  )
const floods = {
  'sign-ins': async () => {
    const guess = (_, i) => {
      const body = JSON.stringify({ email: `guess${i % 50}@garden.example`, password: 'wrong one' })
      return ask('/api/session', { 'content-type': 'application/json', origin: url }, body)
    }
    while (performance.now() < until) await Promise.all(Array.from({ length: 200 }, guess))
  },
  logs: async () => {
    const askAgain = async () => {
      while (performance.now() < until) await ask('/api/log?after=0', { cookie })
    }
    await Promise.all(Array.from({ length: 20 }, askAgain))
  },
}
await floods[what]()
process.exit(0)
