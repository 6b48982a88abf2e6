/** Two server processes on one PostgreSQL, and the storage on it. */
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Client } from '../kit/client'
import { hasPostgres, startCluster, type Cluster } from '../kit/postgres'
import { startServer, type TestServer } from '../kit/server'

// Without PostgreSQL's server programs there is nothing to start; npm test says so.
describe.skipIf(!hasPostgres)('two servers on one PostgreSQL', () => {
  let cluster: Cluster
  let a: TestServer
  let b: TestServer
  let atA: Client
  let atB: Client

  beforeAll(async () => {
    cluster = await startCluster()
    const env = { DATABASE_URL: cluster.url }
    a = await startServer({ demo: true, env })
    b = await startServer({ demo: true, env })
    atA = await new Client(a.url).stepInAs('Séverine')
    atB = await new Client(b.url).stepInAs('Imke')
  }, 120_000)
  afterAll(async () => {
    await a?.stop()
    await b?.stop()
    cluster?.stop()
  })

  const garden = async (client: Client) =>
    (await client.directory()).records.project.find((project) => project.prefix === 'GLH')!.id
  const statusOf = async (name: string, project: string) => {
    const { records } = await atA.directory()
    return records.status.find((status) => status.project === project && status.name === name)!.id
  }

  it('a command at A shows in B’s feed within a second', async () => {
    const project = await garden(atA)
    const [item] = await atA.items(project)
    const feed = (await atB.get('/api/feed')).body!.getReader()
    await feed.read()
    const from = Date.now()
    await atA.command('items.set', {
      items: [{ item: item!.id, set: { title: { from: item!.title, to: 'Seen at both' } } }],
    })
    let said = ''
    while (!said.includes('Seen at both')) said += new TextDecoder().decode((await feed.read()).value)
    const took = Date.now() - from
    console.log(`from A to B's feed: ${took} ms`)
    expect(took).toBeLessThan(1000)
    await feed.cancel()
    expect((await atB.items(project)).find((one) => one.id === item!.id)?.title).toBe('Seen at both')
  })

  it('both at one item: one wins, the other is told', async () => {
    const project = await garden(atA)
    const noted = await statusOf('Noted', project)
    const items = (await atA.items(project)).filter((item) => item.status === noted).slice(0, 10)
    const [ready, hand] = [await statusOf('Ready', project), await statusOf('In hand', project)]
    const move = (client: Client, item: string, to: string) =>
      client.command('items.move', { items: [{ item, status: { from: noted, to } }] })
    for (const item of items) {
      const answers = await Promise.all([move(atA, item.id, ready), move(atB, item.id, hand)])
      expect(answers.filter((answer) => answer.entry)).toHaveLength(1)
      expect(answers.filter((answer) => answer.problem?.code === 'changed-meanwhile')).toHaveLength(1)
      const winner = answers[0].entry ? ready : hand
      for (const client of [atA, atB])
        await expect
          .poll(async () => (await client.items(project)).find((one) => one.id === item.id)?.status)
          .toBe(winner)
    }
  })

  it('many commands at both end in the same state and one sequence', async () => {
    const project = await garden(atA)
    const { records } = await atA.directory()
    const kind = records.kind.find((one) => one.project === project)!
    const status = await statusOf('Noted', project)
    const add = (client: Client) =>
      client.command('items.add', {
        items: [{ item: v7(), project, kind: kind.id, status, title: 'From both', parent: null, values: {} }],
      })
    const answers = await Promise.all(Array.from({ length: 60 }, (_, i) => add(i % 2 ? atA : atB)))
    expect(answers.filter((answer) => answer.problem)).toEqual([])
    expect(new Set(answers.map((answer) => answer.entry!.sequence)).size).toBe(60)
    await expect.poll(async () => (await atA.directory()).sequence === (await atB.directory()).sequence).toBe(true)
    const sorted = async (client: Client) => (await client.items(project)).sort((x, y) => (x.id < y.id ? -1 : 1))
    const [one, other] = [await sorted(atA), await sorted(atB)]
    expect(one).toEqual(other)
    const numbers = one.map((item) => item.number)
    expect(new Set(numbers).size).toBe(numbers.length)
  })

  it('a session ended at A has its feed at B ended within two seconds', async () => {
    const client = await new Client(a.url).stepInAs('Noor')
    const there = new Client(b.url)
    there.cookie = client.cookie
    const feed = (await there.get('/api/feed')).body!.getReader()
    await feed.read()
    const from = Date.now()
    await client.delete('/api/session')
    for (let next = await feed.read(); !next.done; next = await feed.read());
    expect(Date.now() - from).toBeLessThan(2200)
    await expect.poll(async () => (await there.get('/api/directory')).status, { timeout: 3000 }).toBe(401)
  })

  it('after a restart everything stands as it stood', async () => {
    const project = await garden(atA)
    const before = (await atA.items(project)).sort((x, y) => (x.id < y.id ? -1 : 1))
    await b.stop()
    b = await startServer({ demo: true, env: { DATABASE_URL: cluster.url } })
    const again = await new Client(b.url).stepInAs('Imke')
    expect((await again.items(project)).sort((x, y) => (x.id < y.id ? -1 : 1))).toEqual(before)
  })
})
