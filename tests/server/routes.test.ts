import { request } from 'node:http'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Directory } from '#core/wire/directory'
import type { Item } from '#core/model/records'
import { limitSet } from '#core/model/reader'
import { Client } from '../kit/client'
import { startDemo, startEmpty, type TestServer } from '../kit/server'

let server: TestServer
const roles = { owner: 'Séverine', lead: 'Imke', contributor: 'Hamid', reader: 'Yuki', nobody: '' } as const
type Who = keyof typeof roles
const clients = {} as Record<Who, Client>
let directory: Directory
let items: Item[]
/** A project that neither Hamid nor Yuki is a member of. */
let closed: { project: string; items: Item[] }

beforeAll(async () => {
  server = await startDemo()
  for (const [role, name] of Object.entries(roles)) {
    clients[role as Who] = new Client(server.url)
    if (name) await clients[role as Who].stepInAs(name)
  }
  directory = await clients.owner.directory()
  items = await clients.owner.items(projectOf('GLH'))
  const seeds = projectOf('SED')
  closed = { project: seeds, items: await clients.owner.items(seeds) }
}, 60_000)
afterAll(() => server.stop())

const projectOf = (prefix: string) => directory.records.project.find((project) => project.prefix === prefix)!.id
const statusesOf = (project: string) =>
  directory.records.status.filter((status) => status.project === project).sort((a, b) => (a.rank < b.rank ? -1 : 1))
const rename = (item: Item) => ({ items: [{ item: item.id, set: { title: { from: item.title, to: item.title } } }] })
const newItem = (project: string) => ({ items: [{ item: v7(), project, kind: directory.records.kind.find((kind) => kind.project === project)!.id, status: statusesOf(project)[0]!.id, title: 'New', parent: null, values: {} }] }) // prettier-ignore
const limit = () => {
  const board = directory.records.board.find((one) => one.project === projectOf('GLH'))!
  const { id } = directory.records.column.find((column) => column.board === board.id && column.name === 'In hand')!
  const stored = limitSet(directory.records.limit.find((one) => one.column === id)!)
  return { column: id, from: stored, to: stored }
}

/** Where it is already. */
const held = () => {
  const { column, status } = directory.records.columnStatus.find((one) => one.column === limit().column)!
  return { board: directory.records.column.find(({ id }) => id === column)!.board, status, kind: null, to: column }
}
const newStatus = () => {
  const [first] = statusesOf(projectOf('GLH'))
  const { workflow, turn } = directory.records.step.find(({ status }) => status === first!.id)!
  const id = v7()
  const step = { id: `${workflow}/${id}`, workflow, status: id, rank: 'b90', turn }
  return { status: { ...first, id, name: `Drying ${id}`, rank: 'b90' }, step, column: null, held: null }
}

let follower = 0
/** Another kind each time: what it goes through is changed. */
const ownWorkflow = () => {
  const kinds = directory.records.kind.filter(({ project }) => project === projectOf('GLH'))
  const kind = kinds[follower++ % kinds.length]!
  const workflow = directory.records.workflow.find(({ id }) => id === kind.workflow)!
  const to = v7()
  const steps = directory.records.step.filter((step) => step.workflow === workflow.id).map((step) => ({ ...step, id: `${to}/${step.status}`, workflow: to })) // prettier-ignore
  return { kind: kind.id, from: workflow.id, to, made: { workflow: { ...workflow, id: to, name: kind.name }, steps }, instead: null } // prettier-ignore
}

const newField = () => {
  const id = v7()
  return { field: { id, project: projectOf('GLH'), name: `Light ${id}`, help: '', type: 'money', settings: { currency: 'CHF' }, rank: 'b90', archived: false }, options: [] } // prettier-ignore
}

describe('who gets what from each route', () => {
  const reads: [string, () => string, Record<Who, number>][] = [
    ['the directory', () => '/api/directory', { owner: 200, lead: 200, contributor: 200, reader: 200, nobody: 401 }],
    ['the items of a project', () => `/api/projects/${projectOf('GLH')}/items`, { owner: 200, lead: 200, contributor: 200, reader: 200, nobody: 401 }],
    ['the items of a project one is not in', () => `/api/projects/${closed.project}/items`, { owner: 200, lead: 200, contributor: 404, reader: 404, nobody: 401 }],
    ['where items stood', () => `/api/projects/${projectOf('GLH')}/past?days=6`, { owner: 200, lead: 200, contributor: 200, reader: 200, nobody: 401 }],
    ['where items stood that one may not see', () => `/api/projects/${closed.project}/past?days=6`, { owner: 200, lead: 200, contributor: 404, reader: 404, nobody: 401 }],
    ['where items stood in no number of days', () => `/api/projects/${projectOf('GLH')}/past?days=soon`, { owner: 400, lead: 400, contributor: 400, reader: 400, nobody: 401 }],
    ['the log', () => `/api/log?after=${directory.sequence}`, { owner: 200, lead: 200, contributor: 200, reader: 200, nobody: 401 }],
    ['a part of the log', () => '/api/log/1/parts/0', { owner: 404, lead: 404, contributor: 404, reader: 404, nobody: 401 }],
    ['an item’s history', () => `/api/items/${items[0]!.id}/history`, { owner: 200, lead: 200, contributor: 200, reader: 200, nobody: 401 }],
    ['the history of an item one may not see', () => `/api/items/${closed.items[0]!.id}/history`, { owner: 200, lead: 200, contributor: 404, reader: 404, nobody: 401 }],
    ['a long text', () => `/api/items/${items[0]!.id}/texts/${v7()}`, { owner: 200, lead: 200, contributor: 200, reader: 200, nobody: 401 }],
    ['a long text one may not see', () => `/api/items/${closed.items[0]!.id}/texts/${v7()}`, { owner: 200, lead: 200, contributor: 404, reader: 404, nobody: 401 }],
    ['the long texts of a field', () => `/api/projects/${projectOf('GLH')}/texts?field=${directory.records.field.find((one) => one.project === projectOf('GLH'))!.id}`, { owner: 200, lead: 200, contributor: 200, reader: 200, nobody: 401 }],
    ['the long texts of a project one may not see', () => `/api/projects/${closed.project}/texts?field=${v7()}`, { owner: 400, lead: 400, contributor: 404, reader: 404, nobody: 401 }],
    ['the welcome', () => '/api/welcome', { owner: 200, lead: 200, contributor: 200, reader: 200, nobody: 200 }],
    ['what the server knows of accounts', () => '/api/people', { owner: 200, lead: 200, contributor: 403, reader: 403, nobody: 401 }],
    ['the outbox', () => '/api/outbox', { owner: 200, lead: 403, contributor: 403, reader: 403, nobody: 401 }],
    ['a link that is none', () => '/api/links/nothing', { owner: 410, lead: 410, contributor: 410, reader: 410, nobody: 410 }],
    ['the health', () => '/health', { owner: 200, lead: 200, contributor: 200, reader: 200, nobody: 200 }],
  ] // prettier-ignore
  for (const [what, path, expected] of reads)
    for (const [who, status] of Object.entries(expected))
      it(`${what}: ${who} ${status}`, async () => {
        const answer = await clients[who as Who].get(path())
        expect(answer.status).toBe(status)
        expect(answer.headers.get('x-request-id')).toBeTruthy()
        await answer.arrayBuffer()
      })

  it('the feed: 200 for those signed in, 401 else', async () => {
    for (const who of ['owner', 'lead', 'contributor', 'reader'] as const) {
      const stop = new AbortController()
      const answer = await fetch(`${server.url}/api/feed`, {
        headers: { cookie: clients[who].cookie },
        signal: stop.signal,
      })
      expect(answer.status).toBe(200)
      const first = await answer.body!.getReader().read()
      expect(new TextDecoder().decode(first.value)).toContain('"tell":"hello"')
      stop.abort()
    }
    expect((await clients.nobody.get('/api/feed')).status).toBe(401)
  })

  it('the owner’s account cannot be made twice', async () => {
    const body = { code: 'x', name: 'A', email: 'a@b.example', password: '1234567890', workspace: 'W', timeZone: 'UTC' }
    for (const client of Object.values(clients)) expect((await client.post('/api/owner', body)).status).toBe(410)
  })
})

describe('who may do what', () => {
  const writes: [string, string, () => object, Record<Who, 'done' | 'not-allowed' | 'gone' | 'no-note' | 'other-count' | 'not-in-bin' | 401>][] = [
    ['change an item', 'items.set', () => rename(items[0]!), { owner: 'done', lead: 'done', contributor: 'done', reader: 'not-allowed', nobody: 401 }],
    ['change an item of a project one is not in', 'items.set', () => rename(closed.items[0]!), { owner: 'done', lead: 'done', contributor: 'gone', reader: 'gone', nobody: 401 }],
    ['add an item', 'items.add', () => newItem(projectOf('GLH')), { owner: 'done', lead: 'done', contributor: 'done', reader: 'not-allowed', nobody: 401 }],
    ['add an item where one is not in', 'items.add', () => newItem(closed.project), { owner: 'done', lead: 'done', contributor: 'gone', reader: 'gone', nobody: 401 }],
    ['archive', 'items.archive', () => ({ items: [items[1]!.id], archived: false }), { owner: 'done', lead: 'done', contributor: 'done', reader: 'not-allowed', nobody: 401 }],
    ['delete for good what is not in the bin', 'items.delete', () => ({ items: [items[1]!.id], number: 1 }), { owner: 'not-in-bin', lead: 'not-in-bin', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['set the same of several', 'items.set-all', () => ({ items: [items[1]!.id], set: { title: { to: items[1]!.title } } }), { owner: 'done', lead: 'done', contributor: 'done', reader: 'not-allowed', nobody: 401 }],
    ['put an item to the top', 'items.nest', () => ({ items: [items[1]!.id], parent: null }), { owner: 'done', lead: 'done', contributor: 'done', reader: 'not-allowed', nobody: 401 }],
    ['set a limit', 'limit.set', limit, { owner: 'done', lead: 'done', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['let an item past a limit', 'limit.overrule', () => ({ column: limit().column, item: items[0]!.id, reason: 'Frost' }), { owner: 'done', lead: 'done', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['say something with a move', 'items.note', () => ({ status: items[0]!.status, item: items[0]!.id, text: 'Frost' }), { owner: 'no-note', lead: 'no-note', contributor: 'no-note', reader: 'not-allowed', nobody: 401 }],
    ['put a status into a column', 'column.hold', held, { owner: 'done', lead: 'done', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['give a kind a workflow of its own', 'kind.follow', ownWorkflow, { owner: 'done', lead: 'done', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['add a status', 'workflow.extend', newStatus, { owner: 'done', lead: 'done', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['make a field', 'field.make', newField, { owner: 'done', lead: 'done', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['keep a shared view', 'view.set', () => { const view = directory.records.view.find((one) => one.project === projectOf('GLH'))!; return { target: view.id, set: { name: { from: view.name, to: view.name } } } }, { owner: 'done', lead: 'done', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['delete a view for good that is not in the bin', 'view.delete', () => ({ view: directory.records.view.find((one) => one.project === projectOf('GLH'))!.id }), { owner: 'not-in-bin', lead: 'not-in-bin', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['have pages look one’s own way', 'preference.set', () => ({ set: { density: 'close' } }), { owner: 'done', lead: 'done', contributor: 'done', reader: 'done', nobody: 401 }],
    ['delete a project for good, knowing too little of it', 'projects.delete', () => ({ project: projectOf('GLH'), items: 1 }), { owner: 'other-count', lead: 'not-allowed', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['say a holiday', 'dayOff.add', () => ({ record: { id: v7(), person: null, from: '2031-05-01', to: '2031-05-01', name: 'May Day' } }), { owner: 'done', lead: 'done', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['say which days are worked', 'workspace.set', () => { const { id, workingWeek } = directory.records.workspace[0]!; return { target: id, set: { workingWeek: { from: workingWeek, to: workingWeek } } } }, { owner: 'done', lead: 'done', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['add people', 'people.add', () => ({ people: [], members: [] }), { owner: 'done', lead: 'done', contributor: 'not-allowed', reader: 'not-allowed', nobody: 401 }],
    ['take back what is not there', 'revert', () => ({ of: v7() }), { owner: 'gone', lead: 'gone', contributor: 'gone', reader: 'gone', nobody: 401 }],
    ['bring in plain items', 'bring-in', () => ({ project: projectOf('GLH'), people: [], kinds: [], fields: [], options: [], texts: [], ...newItem(projectOf('GLH')) }), { owner: 'done', lead: 'done', contributor: 'done', reader: 'not-allowed', nobody: 401 }],
  ] // prettier-ignore
  for (const [what, type, body, expected] of writes)
    for (const [who, outcome] of Object.entries(expected))
      it(`${what}: ${who} ${outcome}`, async () => {
        const client = clients[who as Who]
        const answer = await client.do(type, body())
        if (outcome === 401) return expect(answer.status).toBe(401)
        expect(answer.status).toBe(200)
        const told = (await answer.json()) as { problem?: { code: string } }
        const code = type === 'revert' && told.problem?.code === 'nothing-to-undo' ? 'gone' : told.problem?.code
        expect(code ?? 'done').toBe(outcome)
      })

  it('one’s own views are one’s own', async () => {
    const me = (await clients.reader.directory()).me
    const view = {
      id: v7(),
      project: projectOf('GLH'),
      maker: me,
      audience: { of: 'maker' },
      name: 'Mine',
      rank: 'b00',
      definition: { v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] },
    }
    expect((await clients.reader.command('view.add', { record: view })).problem).toBeUndefined()
    expect((await clients.owner.directory()).records.view.some((one) => one.id === view.id)).toBe(false)
    expect((await clients.owner.command('view.remove', { target: view.id, how: {} })).problem?.code).toBe('not-allowed')
    expect((await clients.contributor.command('view.add', { record: { ...view, id: v7() } })).problem?.code).toBe(
      'not-allowed',
    )
  })

  it('nobody undoes what another did', async () => {
    const id = v7()
    await clients.lead.command(
      'items.set',
      { items: [{ item: items[2]!.id, set: { title: { from: items[2]!.title, to: 'Else' } } }] },
      id,
    )
    expect((await clients.owner.command('revert', { of: id })).problem?.code).toBe('not-allowed')
    expect((await clients.lead.command('revert', { of: id })).problem).toBeUndefined()
  })
})

describe('requests that are not as they should be', () => {
  const post = (headers: Record<string, string>) =>
    clients.owner.post(
      '/api/commands/people.add',
      { id: v7(), type: 'people.add', v: 1, people: [], members: [] },
      headers,
    )
  it('without this very Origin nothing is written', async () => {
    expect((await post({})).status).toBe(403)
    expect((await post({ origin: 'http://elsewhere.example' })).status).toBe(403)
    expect((await post({ origin: server.url })).status).toBe(200)
    expect(
      (await clients.owner.post('/api/session', { person: 'x' }, { origin: 'http://elsewhere.example' })).status,
    ).toBe(403)
    expect(
      (await fetch(`${server.url}/api/session`, { method: 'DELETE', headers: { cookie: clients.owner.cookie } }))
        .status,
    ).toBe(403)
  })
  it.each([
    ['no JSON', 'nonsense{'],
    ['an unknown type', { id: v7(), type: 'items.eat', v: 1 }],
    ['another version', { id: v7(), type: 'items.set', v: 9, items: [] }],
    ['nothing to set', { id: v7(), type: 'items.set', v: 1, items: [] }],
    ['an id that is none', { id: '1', type: 'people.add', v: 1, people: [], members: [] }],
    ['a null character', { id: v7(), type: 'items.archive', v: 1, items: ['\u0000'], archived: true }],
    ['half a character', `{"id":"${v7()}","type":"items.archive","v":1,"items":["\\ud800"],"archived":true}`],
  ])('%s is unreadable', async (_what, body) => {
    const { type = 'items.archive' } = typeof body === 'string' ? {} : body
    const answer = await clients.owner.post(`/api/commands/${type}`, body)
    expect(answer.status).toBe(400)
    expect(((await answer.json()) as { problem: { code: string } }).problem.code).toBe('unreadable')
  })
  it('what is nested thousands deep is unreadable, for whoever sends it', async () => {
    const deep = `{"items":${'['.repeat(4900)}${']'.repeat(4900)}}`
    for (const [client, path] of [
      [clients.nobody, '/api/session'],
      [clients.owner, '/api/commands/items.set'],
      [clients.owner, '/api/commands/bring-in'],
    ] as const) {
      const answer = await client.post(path, deep)
      expect([path, answer.status]).toEqual([path, 400])
    }
  })
  it('who may bring nothing in is told before the body is read, and nobody sends two large ones at once', async () => {
    const large = '['.repeat(50) + '{},'.repeat(2_000_000)
    const began = performance.now()
    const answer = await clients.reader.post('/api/commands/bring-in', large)
    expect([answer.status, await answer.json()]).toEqual([200, { problem: { code: 'not-allowed', said: { act: 'change items' } } }]) // prettier-ignore
    expect(performance.now() - began).toBeLessThan(2000)
    const { hostname, port } = new URL(server.url)
    const headers = { cookie: clients.owner.cookie, origin: server.url, 'content-type': 'application/json', 'content-length': 1000 } // prettier-ignore
    const slow = request({ hostname, port, path: '/api/commands/bring-in', method: 'POST', headers })
    slow.on('error', () => {})
    slow.write('{"items":[')
    await expect.poll(async () => (await clients.owner.post('/api/commands/bring-in', '{}')).status).toBe(429)
    slow.destroy()
    await expect.poll(async () => (await clients.owner.post('/api/commands/bring-in', '{}')).status).toBe(400)
  })
  it('more than 1 MB is too large', async () => {
    expect((await clients.owner.post('/api/commands/items.set', { filling: 'x'.repeat(1_100_000) })).status).toBe(413)
  })
  it('an id that was another command’s, another body’s or another person’s is refused, never answered as done', async () => {
    const id = v7()
    const first = newItem(projectOf('GLH'))
    expect(await clients.owner.command('items.add', first, id)).toMatchObject({ entry: {} })
    expect(await clients.owner.command('items.add', first, id)).toMatchObject({ entry: {} })
    for (const answer of [
      await clients.owner.command('items.add', newItem(projectOf('GLH')), id),
      await clients.owner.command('revert', { of: id }, id),
      await clients.lead.command('items.add', first, id),
    ])
      expect(answer).toEqual({ problem: { code: 'id-used' } })
  })
  it('the same command twice is done once, and answered alike', async () => {
    const id = v7()
    const body = newItem(projectOf('GLH'))
    const first = await clients.owner.command('items.add', body, id)
    const second = await clients.owner.command('items.add', body, id)
    expect(second.entry?.sequence).toBe(first.entry?.sequence)
    expect(
      (await clients.owner.items(projectOf('GLH'))).filter((item) => item.id === body.items[0]!.item),
    ).toHaveLength(1)
    // Both at once, so that both are in one batch.
    const twice = v7()
    const two = newItem(projectOf('GLH'))
    const [a, b] = await Promise.all([
      clients.owner.command('items.add', two, twice),
      clients.owner.command('items.add', two, twice),
    ])
    expect(a.entry?.sequence).toBe(b.entry?.sequence)
  })
  it('one at fault among many at once is the only one refused', async () => {
    const bodies = Array.from({ length: 20 }, () => newItem(projectOf('GLH')))
    bodies[7]!.items[0]!.title = '   '
    const answers = await Promise.all(bodies.map((body) => clients.owner.command('items.add', body)))
    expect(answers.map((answer) => answer.problem?.code ?? 'done')).toEqual(
      bodies.map((_, i) => (i === 7 ? 'no-title' : 'done')),
    )
  })
})

describe('signing in', () => {
  it('sets a cookie that scripts cannot read; Secure only by TLS', async () => {
    const person = directory.records.person[0]!.id
    const plain = await new Client(server.url).post('/api/session', { person })
    expect(plain.headers.get('set-cookie')).toMatch(/HttpOnly/)
    expect(plain.headers.get('set-cookie')).not.toMatch(/Secure/)
    const host = new URL(server.url).host
    const tls = await new Client(server.url).post(
      '/api/session',
      { person },
      { origin: `https://${host}`, 'x-forwarded-proto': 'https' },
    )
    expect(tls.headers.get('set-cookie')).toMatch(/Secure/)
  })
  it('ends a session at once, and its feed with it', async () => {
    const client = await new Client(server.url).stepInAs('Noor')
    const feed = await client.get('/api/feed')
    const reader = feed.body!.getReader()
    await reader.read()
    const from = Date.now()
    expect((await client.delete('/api/session')).status).toBe(204)
    let said = ''
    for (let next = await reader.read(); !next.done; next = await reader.read())
      said += new TextDecoder().decode(next.value)
    expect(said).toContain('"tell":"ended"')
    expect(Date.now() - from).toBeLessThan(1000)
    expect((await client.get('/api/directory')).status).toBe(401)
  })
  it('is slowed down after ten wrong passwords', async () => {
    const client = new Client(server.url)
    const tries = []
    for (let i = 0; i < 11; i++)
      tries.push((await client.post('/api/session', { email: 'hamid@garden.example', password: 'wrong' })).status)
    expect(tries.slice(0, 10)).toEqual(new Array(10).fill(401))
    expect(tries[10]).toBe(429)
  }, 30_000)
  it('ends the feed of whoever was removed, and tells whoever was taken out of a project', async () => {
    const own = await startDemo()
    const owner = await new Client(own.url).stepInAs('Séverine')
    const { records } = await owner.directory()
    const named = (name: string) => records.person.find((person) => person.name.startsWith(name))!
    const [hamid, yuki] = [named('Hamid'), named('Yuki')]
    const gone = await new Client(own.url).stepInAs('Hamid')
    const less = await new Client(own.url).stepInAs('Yuki')
    const feeds = await Promise.all(
      [gone, less].map(async (client) => (await client.get('/api/feed')).body!.getReader()),
    )
    const until = async (feed: (typeof feeds)[number], words: string): Promise<boolean> => {
      for (let said = ''; ;) {
        const { done, value } = await feed.read()
        if (done) return false
        said += new TextDecoder().decode(value)
        if (said.includes(words)) return true
      }
    }
    const mine = records.member.filter((member) => member.person === yuki.id)
    const began = performance.now()
    const [target] = mine
    expect((await owner.command('member.remove', { target: target!.id, how: {} })).problem).toBeUndefined()
    expect((await owner.command('person.remove', { target: hamid.id, how: {} })).problem).toBeUndefined()
    expect(await until(feeds[1]!, target!.id)).toBe(true)
    expect(await until(feeds[0]!, '"why":"removed"')).toBe(true)
    expect(performance.now() - began).toBeLessThan(1000)
    expect((await gone.get('/api/directory')).status).toBe(401)
    expect((await less.get(`/api/projects/${target!.project}/items`)).status).toBe(404)
    await feeds[1]!.cancel()
    await own.stop()
  }, 60_000)

  it('lets in a browser that is known, whatever strangers have tried, and shows and ends one’s sessions', async () => {
    const own = await startEmpty()
    const code = /owner code: (\S+)/.exec(own.said())![1]!
    const [email, password] = ['ada@garden.example', 'a long enough one']
    const browser = new Client(own.url)
    const made = await browser.post('/api/owner', { code, name: 'Ada', email, password, workspace: 'W', timeZone: 'UTC' }) // prettier-ignore
    const cookies = made.headers.getSetCookie().map((one) => one.split(';')[0]!)
    expect(cookies).toHaveLength(2)
    browser.cookie = cookies.join('; ')
    const stranger = new Client(own.url)
    const guess = { email, password: 'not the one' }
    const said = await Promise.all(Array.from({ length: 14 }, async () => (await stranger.post('/api/session', guess)).status)) // prettier-ignore
    expect(said.filter((status) => status === 429).length).toBeGreaterThanOrEqual(4)
    expect((await stranger.post('/api/session', { email, password })).status).toBe(429)
    const again = await browser.post('/api/session', { email, password })
    expect(again.status).toBe(200)
    // The new session takes the place of the one that this browser had.
    const old = new Client(own.url)
    old.cookie = cookies[0]!
    expect((await old.get('/api/sessions')).status).toBe(401)
    browser.cookie = again.headers.getSetCookie().map((one) => one.split(';')[0]!).join('; ') // prettier-ignore
    const elsewhere = new Client(own.url)
    elsewhere.cookie = browser.cookie.split('; ')[1]!
    const other = await elsewhere.post('/api/session', { email, password })
    elsewhere.cookie = other.headers.getSetCookie()[0]!.split(';')[0]!
    const sessionsOf = async (client: Client) => ((await (await client.get('/api/sessions')).json()) as { sessions: { id: string; isThis: boolean }[] }).sessions // prettier-ignore
    const sessions = await sessionsOf(browser)
    expect(sessions.map((one) => one.isThis).sort()).toEqual([false, true])
    const { id } = sessions.find((one) => !one.isThis)!
    expect((await browser.delete(`/api/sessions/${id}`)).status).toBe(204)
    expect((await elsewhere.get('/api/directory')).status).toBe(401)
    expect((await browser.delete(`/api/sessions/${id}`)).status).toBe(404)
    expect(await sessionsOf(browser)).toHaveLength(1)
    await own.stop()
  }, 60_000)

  it('answers at the names that it knows, and at no other', async () => {
    const at = (host: string) =>
      new Promise<number>((resolve) => request({ host: '127.0.0.1', port: server.port, path: '/api/welcome', headers: { host } }, (answer) => resolve(answer.resume().statusCode ?? 0)).end()) // prettier-ignore
    expect(await Promise.all([`127.0.0.1:${server.port}`, 'localhost', 'evil.example', `127.0.0.1.evil.example:${server.port}`].map(at))).toEqual([200, 200, 421, 421]) // prettier-ignore
  })

  it('counts tries before it looks at them: sixty at once are ten', async () => {
    const client = new Client(server.url)
    const guess = () => client.post('/api/session', { email: 'nobody@garden.example', password: 'wrong' })
    const answers = await Promise.all(Array.from({ length: 60 }, guess))
    const looked = answers.filter((answer) => answer.status === 401).length
    expect(looked).toBeGreaterThan(0)
    expect(looked).toBeLessThanOrEqual(10)
    expect(answers.filter((answer) => answer.status === 429)).toHaveLength(60 - looked)
    const [refused] = answers.filter((answer) => answer.status === 429)
    expect(await refused!.json()).toMatchObject({ problem: { code: 'too-often', said: { seconds: expect.any(Number) as number } } }) // prettier-ignore
    // Most of them at the door, before the policy of a page was worked out for them.
    const atTheDoor = answers.filter((answer) => answer.headers.get('content-security-policy') === "default-src 'none'")
    expect(atTheDoor.length).toBeGreaterThan(30)
    // Others are answered meanwhile as ever.
    const began = performance.now()
    const flood = Array.from({ length: 100 }, guess)
    expect((await clients.lead.get('/api/directory')).status).toBe(200)
    expect(performance.now() - began).toBeLessThan(2000)
    await Promise.all(flood)
  }, 30_000)
  it('sends a strict content security policy', async () => {
    const policy = (await clients.nobody.get('/sign-in')).headers.get('content-security-policy') ?? ''
    expect(policy).toMatch(/default-src 'self'/)
    expect(policy).toMatch(/object-src 'none'/)
    expect(policy).toMatch(/frame-ancestors 'none'/)
    expect(policy).not.toMatch(/unsafe-eval|script-src[^;]*unsafe-inline/)
  })
})

describe('where items stood some days ago', () => {
  interface Past {
    readonly sequence: number
    readonly statuses: Readonly<Record<string, string>>
  }
  const past = async (days: number) => (await (await clients.lead.get(`/api/projects/${projectOf('GLH')}/past?days=${days}`)).json()) as Past // prettier-ignore

  it('is told of each item that was there and has moved on since, and of no other', async () => {
    const now = await clients.lead.items(projectOf('GLH'))
    for (const days of [1, 3, 6, 20]) {
      // The demo’s clock is at 14:00 in its time zone on 24 November; the day ends there at 23:00 in UTC.
      const end = Date.parse('2026-11-24T23:00:00Z') - days * 86_400_000
      const { statuses } = await past(days)
      const moved = now.filter((item) => Date.parse(item.created) < end && Date.parse(item.statusSince) >= end)
      expect(Object.keys(statuses).sort()).toEqual(moved.map((item) => item.id).sort())
    }
    expect(Object.keys((await past(6)).statuses).length).toBeGreaterThan(3)
  })

  it('follows a move, and says how much of the log is in it', async () => {
    const statuses = statusesOf(projectOf('GLH'))
    const [item] = (await clients.lead.items(projectOf('GLH'))).filter((one) => one.status === statuses[0]!.id && Date.parse(one.statusSince) < Date.parse('2026-11-20')) // prettier-ignore
    expect((await past(1)).statuses[item!.id]).toBeUndefined()
    const answer = await clients.lead.command('items.move', { items: [{ item: item!.id, status: { from: statuses[0]!.id, to: statuses[1]!.id } }] }) // prettier-ignore
    expect(answer.problem).toBeUndefined()
    const told = await past(1)
    expect(told.statuses[item!.id]).toBe(statuses[0]!.id)
    expect(told.sequence).toBeGreaterThan(directory.sequence)
  })
})
