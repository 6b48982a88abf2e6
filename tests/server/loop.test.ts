/** Nobody holds the server: neither a view that is as costly as may be stored, nor what comes while it ends. */
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Condition } from '#core/model/records'
import { Client } from '../kit/client'
import { startDemo, type TestServer } from '../kit/server'

let server: TestServer
let client: Client
beforeAll(async () => {
  server = await startDemo()
  client = await new Client(server.url).stepInAs('Imke')
}, 60_000)
afterAll(() => server.stop())

const health = async () => (await (await client.get('/health')).json()) as { ok: boolean; loop: { p99: number; worst: number } } // prettier-ignore

describe('the event loop', () => {
  it('is watched, and its delays are told', async () => {
    expect(await health()).toMatchObject({ ok: true, loop: { p99: expect.any(Number), worst: expect.any(Number) } })
  })

  it('is not held by the costliest view that can be stored: its page is left to the browser', async () => {
    const { records, me } = await client.directory()
    const project = records.project.find((one) => one.prefix === 'GLH')!.id
    const kind = records.kind.find((one) => one.project === project)!
    const status = records.status.find((one) => one.project === project && one.name === 'Noted')!.id
    const base = { project, kind: kind.id, status, values: {} }
    const parent = v7()
    await client.command('items.add', { items: [{ ...base, item: parent, title: 'Parent', parent: null }] })
    for (let i = 0; i < 3; i++)
      await client.command('items.add', { items: Array.from({ length: 1000 }, () => ({ ...base, item: v7(), title: 'Child', parent })) }) // prettier-ignore
    const that = (i: number): Condition => ({ about: 'anyChild', that: { about: 'parent', that: { about: 'anyChild', that: { about: 'fact', fact: { fact: 'title' }, test: { is: 'has', words: `nothing ${i}` } } } } }) // prettier-ignore
    const some = (k: number): Condition => ({
      about: 'any',
      of: Array.from({ length: 12 }, (_, i) => that(12 * k + i)),
    })
    const where: Condition[] = [{ about: 'any', of: [0, 1, 2, 3].map(some) }]
    const view = { id: v7(), project, maker: me, audience: { of: 'project' }, name: 'Hostile', rank: 'a9', definition: { v: 3, layout: 'table', where, group: [], sort: [], totals: [], show: [] } } // prettier-ignore
    expect((await client.command('view.add', { record: view })).problem).toBeUndefined()
    await (await client.get(`/app/GLH/${view.id}`)).text()
    const took: number[] = []
    for (let i = 0; i < 5; i++) {
      const from = performance.now()
      await (await client.get(`/app/GLH/${view.id}`)).text()
      took.push(performance.now() - from)
    }
    expect(Math.min(...took)).toBeLessThan(250)
  })

  it('HEAD is answered as GET is, without a body', async () => {
    for (const path of ['/health', '/api/directory', '/api/welcome', '/app', '/sign-in', '/api/feed', '/licences']) {
      const answer = await client.send('HEAD', path)
      expect([path, answer.status]).toEqual([path, 200])
      expect(await answer.text()).toBe('')
    }
    expect((await new Client(server.url).send('HEAD', '/api/directory')).status).toBe(401)
    expect((await client.send('HEAD', '/api/nothing')).status).toBe(404)
  })

  it('ends at a signal, with feeds open and requests on their way', async () => {
    const other = await startDemo()
    const there = await new Client(other.url).stepInAs('Imke')
    const feed = await there.get('/api/feed')
    const many = Array.from({ length: 30 }, () => there.get('/api/directory').catch(() => undefined))
    const from = performance.now()
    await other.stop()
    expect(performance.now() - from).toBeLessThan(8000)
    await Promise.all(many)
    await feed.body?.cancel().catch(() => undefined)
  })
})
