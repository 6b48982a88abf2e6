/** Many at once: writers and feeds, browsers that come back together, floods. Every acknowledged command is looked for in the log. */
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import { request, type IncomingMessage } from 'node:http'
import { join } from 'node:path'
import { v7 } from 'uuid'
import { Client } from '../tests/kit/client'
import { startCluster, hasPostgres } from '../tests/kit/postgres'
import { root, startDemo, startServer, type TestServer } from '../tests/kit/server'
import { insertionOfRows } from './bare-rows'
import { lineOf, median, percentile, print, type Line } from './line'

const seconds = Number(process.argv.find((one) => one.startsWith('--seconds='))?.slice(10) ?? 60)
const rows = Number(process.argv.find((one) => one.startsWith('--rows='))?.slice(7) ?? 50_000)
/** One part alone: writers, storm, logs, sign-ins, openings, large or many. */
const only = process.argv.find((one) => one.startsWith('--only='))?.slice(7)
const people = ['Séverine', 'Imke', 'Hamid', 'Yuki', 'Noor']
const sleep = (ms: number) => new Promise<void>((done) => setTimeout(done, ms))
const worst = (all: readonly number[]): number => all.reduce((most, one) => Math.max(most, one), 0)

/** Resident MB of a process; its highest since it began is the kernel's to say. */
const residentOf = (pid: number): number => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024 // prettier-ignore

/** So many browsers, signed in one after the other as one person after the other, at one server after the other. */
async function signedIn(at: readonly TestServer[], n: number, as: readonly string[]): Promise<Client[]> {
  const clients: Client[] = []
  for (let i = 0; i < n; i++) clients.push(await new Client(at[i % at.length]!.url).stepInAs(as[i % as.length]!))
  return clients
}

/** Hears a feed: when each command's entry came. */
class Ear {
  readonly heard = new Map<string, number>()
  readonly #stop = new AbortController()
  constructor(readonly client: Client) {}
  /** On node's own client: of the page's `fetch`, the streams alone would keep this process busy. */
  async listen(): Promise<void> {
    const asked = request(`${this.client.url}/api/feed`, { headers: { cookie: this.client.cookie }, signal: this.#stop.signal }) // prettier-ignore
    asked.on('error', () => undefined).end()
    const [answer] = (await once(asked, 'response')) as [IncomingMessage]
    let rest = ''
    answer.setEncoding('utf8').on('error', () => undefined).on('data', (text: string) => {
      const now = performance.now()
      const lines = (rest + text).split('\n\n')
      rest = lines.pop() ?? ''
      for (const line of lines) {
        const command = /"command":"([0-9a-f-]{36})"/.exec(line)?.[1]
        if (command) this.heard.set(command, now)
      }
    }) // prettier-ignore
  }
  end(): void {
    this.#stop.abort()
  }
}

interface Wrote {
  readonly command: string
  readonly sent: number
  readonly acknowledged: number
}

/** One command after another, each a title, at so many a second. */
async function write(
  client: Client,
  item: string,
  perSecond: number,
  isOver: () => boolean,
  wrote: Wrote[],
): Promise<void> {
  let title = (await titleOf(client, item)) ?? ''
  for (let n = 0, next = performance.now() + Math.random() * (1000 / perSecond); !isOver(); n++) {
    await sleep(next - performance.now())
    const [command, sent, to] = [v7(), performance.now(), `written ${n} ${item.slice(-4)}`]
    const answer = await client.command(
      'items.set',
      { items: [{ item, set: { title: { from: title, to } } }] },
      command,
    )
    if (!answer.entry) throw new Error(JSON.stringify(answer.problem))
    title = to
    wrote.push({ command, sent, acknowledged: performance.now() })
    next = Math.max(next + 1000 / perSecond, performance.now())
  }
}
const titles = new Map<string, string>()
async function titleOf(client: Client, item: string): Promise<string | undefined> {
  if (!titles.has(item)) await garden(client)
  return titles.get(item)
}
async function garden(client: Client): Promise<string[]> {
  const { records } = await client.directory()
  const items = await client.items(records.project.find((project) => project.prefix === 'GLH')!.id)
  for (const item of items) titles.set(item.id, item.title)
  return items.map((item) => item.id)
}

/** Writers and feeds, with something else going on. */
async function withWriters(what: string, at: readonly TestServer[], writers: number, perSecond: number, long: number, meanwhile: (until: number) => Promise<void>, bounds: { acknowledged: number; delivered: number; worst: number }): Promise<Line[]> {
  const clients = await signedIn(at, writers, people.slice(0, 2))
  const items = await garden(clients[0]!)
  const ears = (await signedIn(at, 200, people)).map((client) => new Ear(client))
  await Promise.all(ears.map((ear) => ear.listen()))
  const { sequence } = await clients[0]!.directory()
  const wrote: Wrote[] = []
  const until = performance.now() + long * 1000
  const before = at.map((server) => residentOf(server.process.pid!))
  await Promise.all([...clients.map((client, i) => write(client, items[i]!, perSecond, () => performance.now() > until, wrote)), meanwhile(until)])
  const after = at.map((server) => residentOf(server.process.pid!))
  await sleep(500)
  const acknowledged = wrote.map((one) => one.acknowledged - one.sent)
  const delivered = ears.flatMap((ear) => wrote.map((one) => (ear.heard.get(one.command) ?? Infinity) - one.sent)).map((ms) => Math.max(0, ms))
  ears.forEach((ear) => ear.end())
  const lost = await lostOf(clients[0]!, sequence, wrote)
  const line = (of: string, ms: number, bound: number) => lineOf(`${what}: ${of}, ms (limit ${bound})`, wrote.length, ms, bound, 1)
  console.log(`  ${what}: ${wrote.length} commands, acknowledged p50 ${percentile(acknowledged, 0.5).toFixed(1)} p99 ${percentile(acknowledged, 0.99).toFixed(1)}, delivered p50 ${percentile(delivered, 0.5).toFixed(1)} p99 ${percentile(delivered, 0.99).toFixed(1)}, server ${before.map((mb) => mb.toFixed(0)).join('+')} to ${after.map((mb) => mb.toFixed(0)).join('+')} MB, loop ${await loopOf(at[0]!)}`)
  return [
    line('acknowledged, 95 %', percentile(acknowledged, 0.95), bounds.acknowledged),
    line('delivered, 95 %', percentile(delivered, 0.95), bounds.delivered),
    line('acknowledged, at worst', worst(acknowledged), bounds.worst),
    lineOf(`${what}: lost or never delivered`, wrote.length, lost + delivered.filter((ms) => ms === Infinity).length, 1, 0),
  ]
} // prettier-ignore

const loopOf = async (server: TestServer): Promise<string> => {
  const { loop } = (await (await fetch(`${server.url}/health`)).json()) as { loop: { p99: number; worst: number } }
  return `p99 ${loop.p99} worst ${loop.worst} ms`
}

/** Acknowledged commands that the log does not hold. */
async function lostOf(client: Client, after: number, wrote: readonly Wrote[]): Promise<number> {
  const held = new Set<string>()
  const { sequence } = await client.directory()
  for (let from = Math.max(after, sequence - 2000); from < sequence; from = sequence) {
    const text = await (await client.get(`/api/log?after=${from}`)).text()
    for (const [, command] of text.matchAll(/"command":"([0-9a-f-]{36})"/g)) held.add(command!)
  }
  const looked = sequence - after > 2000 ? wrote.slice(-1500) : wrote
  return looked.filter((one) => !held.has(one.command)).length
}

/** 200 browsers that come back 500 entries behind. */
async function storm(what: string, at: readonly TestServer[]): Promise<Line[]> {
  const clients = await signedIn(at, 200, people)
  const { sequence } = await clients[0]!.directory()
  const before = residentOf(at[0]!.process.pid!)
  let most = before
  const look = setInterval(() => (most = Math.max(most, residentOf(at[0]!.process.pid!))), 20)
  const from = performance.now()
  const came = await Promise.all(clients.map(async (client) => {
    const answer = await client.get(`/api/log?after=${sequence - 500}`)
    const text = await answer.text()
    if (!answer.ok) throw new Error(text.slice(0, 200))
    return text.length
  }))
  const took = performance.now() - from
  clearInterval(look)
  console.log(`  ${what}: 200 browsers 500 entries behind took ${took.toFixed(0)} ms for ${(came.reduce((a, b) => a + b, 0) / 1e6).toFixed(0)} MB`)
  return [
    lineOf(`${what}: storm of 200, ms (limit 2000)`, 200, took, 2000, 1),
    lineOf(`${what}: storm of 200, MB more (limit 200)`, 200, Math.max(0, most - before), 200, 1),
  ]
} // prettier-ignore

/** A reader who asks for all of the log, twenty times at once, again and again. */
async function logFlood(at: TestServer, until: number): Promise<void> {
  const reader = await new Client(at.url).stepInAs('Yuki')
  await flood('logs', at, until, reader.cookie)
}

/** From a process of its own: what is measured here is how others are answered, not how long this one is busy. */
async function flood(what: 'sign-ins' | 'logs', at: TestServer, until: number, cookie = ''): Promise<void> {
  const args = [join(root, 'bench/flood.mjs'), what, at.url, String(until - performance.now()), cookie]
  await once(spawn(process.execPath, args, { stdio: 'inherit' }), 'exit')
}

/** A file of so many rows is brought in, and undone; reads and commands of others meanwhile. */
async function large(what: string, servers: readonly TestServer[], bareUrl?: string): Promise<Line[]> {
  const bare = await insertionOfRows(rows, bareUrl)
  const owner = await new Client(servers[0]!.url).stepInAs('Séverine')
  const { records } = await owner.directory()
  const project = records.project.find((one) => one.prefix === 'SED')!.id
  const kind = records.kind.find((one) => one.project === project)!
  const { start } = records.workflow.find((one) => one.id === kind.workflow)!
  const items = Array.from({ length: rows }, (_, i) => ({ item: v7(), project, kind: kind.id, status: start, title: `Row ${i} of a long file`, parent: null, values: {} })) // prettier-ignore
  const command = v7()
  const bring = () => owner.command('bring-in', { project, people: [], kinds: [], fields: [], options: [], items, texts: [] }, command) // prettier-ignore
  return [
    ...(await withOthers(`${what}: ${rows} rows brought in`, servers[0]!, bare, bring)),
    ...(await withOthers(`${what}: ${rows} rows undone`, servers[0]!, bare, () => owner.command('revert', { of: command }))), // prettier-ignore
  ]
} // prettier-ignore

/** A large command, while others read and write, from rest until all that it writes is written. */
async function withOthers(what: string, server: TestServer, bare: number, large: () => Promise<{ large?: unknown }>): Promise<Line[]> {
  const [reader, writer] = [await new Client(server.url).stepInAs('Yuki'), await new Client(server.url).stepInAs('Imke')] // prettier-ignore
  const [item] = await garden(writer)
  await sleep(12_000)
  const before = residentOf(server.process.pid!)
  let [most, isOver] = [before, false]
  const reads: number[] = []
  const reading = (async () => {
    while (!isOver) {
      const from = performance.now()
      await (await reader.get('/api/directory')).text()
      reads.push(performance.now() - from)
      most = Math.max(most, residentOf(server.process.pid!))
      await sleep(20)
    }
  })()
  const wrote: Wrote[] = []
  const writing = write(writer, item!, 4, () => isOver, wrote)
  const from = performance.now()
  const answer = await large()
  const took = performance.now() - from
  if (!answer.large) throw new Error(JSON.stringify(answer).slice(0, 300))
  while (((await (await fetch(`${server.url}/health`)).json()) as { unwritten: number }).unwritten) await sleep(50)
  const whole = performance.now() - from
  isOver = true
  await Promise.all([reading, writing])
  const commands = worst(wrote.map((one) => one.acknowledged - one.sent))
  console.log(`  ${what}: answered after ${took.toFixed(0)} ms; reads p50 ${percentile(reads, 0.5).toFixed(0)} worst ${worst(reads).toFixed(0)} ms; ${before.toFixed(0)} to ${most.toFixed(0)} MB; loop ${await loopOf(server)}`) // prettier-ignore
  return [
    lineOf(`${what}, all of it, ms (limit: bare insertion)`, rows, whole, bare, 3),
    lineOf(`${what}: reads meanwhile, 99 %, ms (limit 250)`, rows, percentile(reads, 0.99), 250, 1),
    lineOf(`${what}: commands meanwhile, at worst, ms (limit 2000)`, rows, commands, 2000, 1),
    lineOf(`${what}: MB above rest (limit 400)`, rows, most - before, 400, 1),
  ]
} // prettier-ignore

/** What opening a project asks, in ms, over and over: its page, and its items. */
async function openings(server: TestServer, isOver: () => boolean): Promise<number[]> {
  const client = await new Client(server.url).stepInAs('Noor')
  const { records } = await client.directory()
  const project = records.project.find((one) => one.prefix === 'GLH')!
  const view = records.view.find((one) => one.project === project.id)!
  const took: number[] = []
  while (!isOver()) {
    const from = performance.now()
    for (const path of [`/app/GLH/${view.id}`, `/api/projects/${project.id}/items`])
      await (await client.get(path)).text()
    took.push(performance.now() - from)
    await sleep(50)
  }
  return took
}

/** Opening a project while strangers try to sign in, against when nobody does. */
async function openingInFlood(what: string, server: TestServer): Promise<Line[]> {
  const long = (ms: number) => {
    const until = performance.now() + ms
    return { until, isOver: () => performance.now() > until }
  }
  const quiet = await openings(server, long(5000).isOver)
  const flooded = long(8000)
  const [took] = await Promise.all([openings(server, flooded.isOver), flood('sign-ins', server, flooded.until)])
  return [lineOf(`${what}: opening a project while 200 sign in (limit: quiet)`, took.length, median(took), median(quiet), 2)] // prettier-ignore
}

async function at(what: string, servers: readonly TestServer[], bareUrl?: string): Promise<Line[]> {
  const usual = { acknowledged: 100, delivered: 100, worst: 250 }
  const few = Math.max(5, seconds / 4)
  const parts: Record<string, () => Promise<Line[]>> = {
    writers: () => withWriters(`${what}, 50 writers at 1/s`, servers, 50, 1, seconds, async () => undefined, usual),
    storm: () => storm(what, servers),
    logs: () => withWriters(`${what}, 20 logs at a time`, servers, 10, 1, few, (until) => logFlood(servers[0]!, until), usual), // prettier-ignore
    'sign-ins': () => withWriters(`${what}, 200 sign-ins at a time`, servers, 10, 1, few, (until) => flood('sign-ins', servers[0]!, until), usual), // prettier-ignore
    openings: () => openingInFlood(what, servers[0]!),
    large: () => large(what, servers, bareUrl),
    many: () => withWriters(`${what}, 250 commands a second`, servers, 50, 5, few, async () => undefined, { acknowledged: 250, delivered: 250, worst: 1000 }), // prettier-ignore
  }
  const lines: Line[] = []
  for (const [name, part] of Object.entries(parts)) if (!only || only === name) lines.push(...(await part()))
  for (const server of servers) await server.stop()
  return lines
}

const lines = await at('embedded', [await startDemo()])
if (hasPostgres) {
  const cluster = await startCluster()
  const env = { DATABASE_URL: cluster.url }
  const servers = [await startServer({ demo: true, env }), await startServer({ demo: true, env })]
  const bare = await startCluster()
  lines.push(...(await at('two on PostgreSQL', servers, bare.url)))
  cluster.stop()
  bare.stop()
} else console.log('Without PostgreSQL’s server programs its half is left out.')
print(lines)
process.exit(lines.some((line) => line.bound !== null && line.ratio > line.bound) ? 1 : 0)
