/** What can be in the way of a start is said in one line, and nothing is damaged. */
import { chmodSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import net from 'node:net'
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import type { Item } from '#core/model/records'
import type { Directory } from '#core/wire/directory'
import { Client } from '../kit/client'
import { freePort, newFolder, root, startDemo, startEmpty, startServer } from '../kit/server'

const refusal = async (start: Parameters<typeof startServer>[0]): Promise<string> =>
  startServer(start).then(async (server) => (await server.stop(), 'it started'), (error: Error) => error.message.trim()) // prettier-ignore

describe('a start that cannot be', () => {
  it('a data folder in use', { timeout: 60_000 }, async () => {
    const first = await startEmpty()
    expect(await refusal({ dir: first.dir })).toBe(`The data folder ${first.dir} is in use by another process.`)
    expect((await fetch(`${first.url}/health`)).ok).toBe(true)
    await first.stop()
  })
  it('a data folder with other files', async () => {
    const dir = newFolder('start')
    writeFileSync(join(dir, 'a.txt'), 'a')
    expect(await refusal({ dir })).toMatch(/^The folder .* holds other files and is left as it is\. [^\n]*$/)
    expect(readdirSync(dir)).toEqual(['a.txt'])
  })
  // Root may write anywhere: a file in the folder's place stands for what may not be written.
  it('a data folder that cannot be made or written', async () => {
    const dir = newFolder('start')
    writeFileSync(join(dir, 'file'), '')
    expect(await refusal({ dir: join(dir, 'file/data') })).toMatch(/^The data folder .* cannot be written: [^\n]*$/)
    if (process.getuid?.() !== 0) {
      mkdirSync(join(dir, 'shut'))
      chmodSync(join(dir, 'shut'), 0o500)
      expect(await refusal({ dir: join(dir, 'shut') })).toMatch(/cannot be written/)
    }
  })
  it('a DATABASE_URL that does not answer', async () => {
    const port = await freePort()
    expect(await refusal({ env: { DATABASE_URL: `postgres://wren@127.0.0.1:${port}/x` } })).toMatch(
      /^The database that DATABASE_URL names does not answer: [^\n]*$/,
    )
  })
  it('the demo at an address that others reach, unless its own setting says so', { timeout: 60_000 }, async () => {
    expect(await refusal({ demo: true, env: { HOST: '0.0.0.0' } })).toMatch(
      /^In the demo anyone can step in as its owner, so it does not start at 0\.0\.0\.0\. [^\n]*$/,
    )
  })
  it('the demo in a workspace that is none', { timeout: 60_000 }, async () => {
    const own = await startEmpty()
    const code = /owner code: (\S+)/.exec(own.said())![1]
    const client = new Client(own.url)
    const body = {
      code,
      name: 'Otto',
      email: 'otto@allotment.example',
      password: '1234567890',
      workspace: 'Allotments',
      timeZone: 'Europe/Berlin',
    }
    expect((await client.post('/api/owner', body)).status).toBe(200)
    expect((await client.post('/api/owner', body)).status).toBe(410)
    await own.stop()
    expect(await refusal({ dir: own.dir, demo: true })).toMatch(
      /^This database holds a workspace that is no demo[^\n]*$/,
    )
    const again = await startServer({ dir: own.dir })
    expect(((await (await fetch(`${again.url}/api/welcome`)).json()) as { name: string }).name).toBe('Allotments')
    expect((await new Client(again.url).post('/api/session', { person: 'x' })).status).toBe(401)
    await again.stop()
  })
  it('a port in use, from the command line', { timeout: 60_000 }, async () => {
    const holder = net.createServer()
    const port = await new Promise<number>((resolve) =>
      holder.listen(0, '127.0.0.1', () => resolve((holder.address() as net.AddressInfo).port)),
    )
    const child = spawn(process.execPath, [join(root, 'scripts/start.mjs')], {
      env: { ...process.env, PORT: String(port), WRENLEAF_DATA: newFolder('start') },
    })
    let said = ''
    child.stderr.on('data', (chunk) => (said += String(chunk)))
    const code = await new Promise((resolve) => child.once('exit', resolve))
    holder.close()
    expect([code, said.trim()]).toEqual([1, `Port ${port} on 127.0.0.1 is in use. Name another in PORT.`])
  })
})

it('the same moment gives the same demo', { timeout: 120_000 }, async () => {
  const seen: { records: Directory['records']; sequence: number; items: Item[] }[] = []
  for (let i = 0; i < 2; i++) {
    const server = await (i ? startServer({ demo: true }) : startDemo())
    const client = await new Client(server.url).stepInAs('Séverine')
    const { records, sequence } = await client.directory()
    const items: Item[] = []
    for (const project of records.project) items.push(...(await client.items(project.id)))
    seen.push({ records, sequence, items: items.sort((a, b) => (a.id < b.id ? -1 : 1)) })
    await server.stop()
  }
  expect(seen[0]).toEqual(seen[1])
  const items = seen[0]!.items
  const byId = new Map(items.map((item) => [item.id as string, item]))
  const depth = (id: string | null): number => (id ? 1 + depth(byId.get(id)?.parent ?? null) : 0)
  expect(items.length).toBeGreaterThanOrEqual(240)
  expect(Math.max(...items.map((item) => depth(item.id)))).toBe(4)
  expect(seen[0]!.records.person).toHaveLength(12)
  expect(seen[0]!.records.kind.filter((kind) => kind.project === seen[0]!.records.project[0]!.id)).toHaveLength(5)
})

it('ends cleanly under load, and holds what was written', { timeout: 60_000 }, async () => {
  const server = await startDemo()
  const client = await new Client(server.url).stepInAs('Séverine')
  const feed = await client.get('/api/feed')
  const from = Date.now()
  expect(await server.stop('SIGTERM')).toBe(0)
  expect(Date.now() - from).toBeLessThan(4000)
  await feed.body?.cancel().catch(() => undefined)
})

it('rests when the terminal that started it is gone', { timeout: 60_000 }, async () => {
  const server = await startEmpty()
  const cpuMs = () => {
    const stat = readFileSync(`/proc/${server.process.pid}/stat`, 'utf8')
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    return (Number(fields[11]) + Number(fields[12])) * 10
  }
  server.process.stdout?.destroy()
  server.process.stderr?.destroy()
  // Something that it would print.
  const { status } = await fetch(`${server.url}/no-such-page`, { headers: { accept: 'text/html' } })
  expect(status).toBe(404)
  const before = cpuMs()
  await new Promise((resolve) => setTimeout(resolve, 2000))
  expect(cpuMs() - before).toBeLessThan(1000)
  expect((await fetch(`${server.url}/health`)).ok).toBe(true)
  await server.stop()
})
