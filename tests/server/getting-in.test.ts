import { readdirSync, readFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { usualWeek } from '#core/base/week'
import type { AccountsAnswer, InvitationsAnswer, SentMessage } from '#core/wire/accounts'
import { Client } from '../kit/client'
import { startEmpty, startServer, testNow, type TestServer } from '../kit/server'

let server: TestServer
let owner: Client
const password = 'a long enough one'
const person = (name: string, role: string) => ({
  id: v7(), name, email: `${name.toLowerCase()}@garden.example`, role, craft: null, hours: usualWeek, active: true, colour: 'pool',
}) // prettier-ignore
const [lead, ana, bea] = [person('Lea', 'lead'), person('Ana', 'contributor'), person('Bea', 'reader')]

/** What a mail server is told: enough of the protocol for one to be sent to. */
function mailServer() {
  const heard: string[] = []
  const listening = createServer((socket) => {
    /** What has come of a message, once one begins. */
    let message: string | undefined
    socket.write('220 here\r\n')
    socket.on('data', (chunk) => {
      const text = String(chunk)
      heard.push(text)
      if (message !== undefined) {
        message += text
        if (!message.endsWith('\r\n.\r\n')) return
        message = undefined
      } else if (text.startsWith('DATA')) {
        message = ''
        return void socket.write('354 go on\r\n')
      }
      socket.write('250 fine\r\n')
    })
    socket.on('error', () => undefined)
  })
  return new Promise<{ port: number; heard: string[]; close(): void }>((resolve) =>
    listening.listen(0, '127.0.0.1', () =>
      resolve({ port: (listening.address() as { port: number }).port, heard, close: () => listening.close() }),
    ),
  )
}
const mail = await mailServer()

beforeAll(async () => {
  server = await startEmpty({ env: { WRENLEAF_ADDRESS: 'https://work.example', WRENLEAF_SMTP: `smtp://127.0.0.1:${mail.port}?ignoreTLS=true` } }) // prettier-ignore
  owner = new Client(server.url)
  const code = /owner code: (\S+)/.exec(server.said())![1]!
  owner.keep(await owner.post('/api/owner', { code, name: 'Otto', email: 'otto@garden.example', password, workspace: 'Garden', timeZone: 'UTC' })) // prettier-ignore
  expect((await owner.command('people.add', { people: [lead, ana, bea], members: [] })).problem).toBeUndefined()
}, 60_000)
afterAll(async () => {
  mail.close()
  await server.stop()
})

const invite = async (client: Client, people: string[], message = '') =>
  client.post('/api/people/invite', { people, message, project: null })
async function linkFor(id: string): Promise<string> {
  const answer = (await (await invite(owner, [id])).json()) as InvitationsAnswer
  return new URL(answer.links[0]!.address!).pathname.replace('/link/', '/api/links/')
}
async function signedInBy(path: string, words = password): Promise<Client> {
  const client = new Client(server.url)
  const answer = await client.post(path, { password: words })
  expect(answer.status).toBe(200)
  return (client.keep(answer), client)
}
const letters = () => {
  const folder = join(server.dir, 'outbox')
  return readdirSync(folder).sort().map((file) => readFileSync(join(folder, file), 'utf8').replaceAll('=\r\n', '').replaceAll('=3D', '=')) // prettier-ignore
}

const outbox = async () => ((await (await owner.get('/api/outbox')).json()) as { messages: SentMessage[] }).messages

describe('getting in', () => {
  it('is by a link that sets a password once, at the configured address', async () => {
    const answer = (await (await invite(owner, [ana.id], 'We start on Monday.')).json()) as InvitationsAnswer
    const [link] = answer.links
    expect(link).toMatchObject({ person: ana.id, isSent: true })
    expect(link!.address).toMatch(/^https:\/\/work\.example\/link\/[\w-]{43}$/)
    const secret = link!.address!.split('/').at(-1)!
    const letter = letters().at(-1)!
    expect(letter).toContain('To: ana@garden.example')
    expect(letter).toContain('We start on Monday.')
    expect(letter).toContain(link!.address!)
    await expect.poll(() => mail.heard.join('')).toContain('RCPT TO:<ana@garden.example>')
    await expect.poll(async () => (await outbox()).map(({ sent }) => !!sent)).toEqual([true])

    const path = `/api/links/${secret}`
    expect(await (await new Client(server.url).get(path)).json()).toEqual({ name: 'Ana', email: ana.email, workspace: 'Garden' }) // prettier-ignore
    expect((await new Client(server.url).post(path, { password: 'short' })).status).toBe(400)
    // Of two who press it at once, one is in.
    const both = await Promise.all(
      [1, 2].map((n) => new Client(server.url).post(path, { password: `${password} ${n}` })),
    )
    expect(both.map(({ status }) => status).sort()).toEqual([200, 410])
    const n = both.findIndex(({ status }) => status === 200) + 1
    expect((await new Client(server.url).get(path)).status).toBe(410)
    const again = await new Client(server.url).post('/api/session', { email: ana.email, password: `${password} ${n}` })
    expect(again.status).toBe(200)
  })

  it('is told to those who have a password, without another', async () => {
    const answer = (await (await invite(owner, [ana.id])).json()) as InvitationsAnswer
    expect(answer.links).toEqual([{ person: ana.id, address: null, isSent: true }])
    expect(letters().at(-1)).toContain('https://work.example/app')
    expect(letters().at(-1)).not.toContain('/link/')
  })

  it('is over when another link was made, and after three days', async () => {
    const first = await linkFor(bea.id)
    const second = await linkFor(bea.id)
    expect((await owner.get(first)).status).toBe(410)
    expect((await owner.get(second)).status).toBe(200)
    await server.stop()
    const later = (hours: number) => new Date(Date.parse(testNow) + hours * 3_600_000).toISOString()
    for (const [hours, status] of [
      [71, 200],
      [73, 410],
    ] as const) {
      server = await startServer({ dir: server.dir, env: { WRENLEAF_NOW: later(hours), WRENLEAF_ADDRESS: 'https://work.example' } }) // prettier-ignore
      expect((await new Client(server.url).get(second)).status).toBe(status)
      expect((await new Client(server.url).post(second, { password: 'short' })).status).toBe(400)
      if (status === 410) expect((await new Client(server.url).post(second, { password })).status).toBe(410)
      await server.stop()
    }
    server = await startServer({ dir: server.dir })
    const cookie = owner.cookie
    owner = new Client(server.url)
    owner.cookie = cookie
  }, 60_000)

  it('is nobody’s to give who manages no people; an owner’s is for owners', async () => {
    const [leads, hers] = [await signedInBy(await linkFor(lead.id)), new Client(server.url)]
    hers.keep(await hers.post('/api/session', { email: ana.email, password: `${password} 1` }))
    const { records } = await owner.directory()
    const otto = records.person.find((one) => one.role === 'owner')!
    expect((await invite(leads, [bea.id])).status).toBe(200)
    expect((await invite(leads, [otto.id])).status).toBe(403)
    expect([401, 403]).toContain((await invite(hers, [bea.id])).status)
    expect((await invite(new Client(server.url), [bea.id])).status).toBe(401)
    expect((await owner.post('/api/people/invite', { people: [bea.id], message: '', project: null }, { origin: 'https://evil.example' })).status).toBe(403) // prettier-ignore
    const noAddress = { ...person('Ruth', 'reader'), email: null }
    await owner.command('people.add', { people: [noAddress], members: [] })
    expect(await (await invite(owner, [noAddress.id])).json()).toMatchObject({ problem: { code: 'no-address' } })
  })

  it('is asked for where a password is forgotten, and what is answered says nothing of who has an account', async () => {
    const before = letters().length
    const ask = async (email: string) => {
      const answer = await new Client(server.url).post('/api/password/forgotten', { email })
      return [answer.status, await answer.text()]
    }
    expect(await ask('nobody@garden.example')).toEqual(await ask(lead.email.toUpperCase()))
    await expect.poll(() => letters().length).toBe(before + 1)
    const letter = letters().find((one) => one.includes('asked for a new password'))!
    expect(letter).toContain(`To: ${lead.email}`)
    const path = `/api/links/${/\/link\/([\w-]{43})/.exec(letter)![1]}`
    // What a stranger asks for ends nothing that somebody was given.
    const given = await linkFor(bea.id)
    expect((await ask(bea.email))[0]).toBe(202)
    await expect.poll(() => letters().length).toBe(before + 3)
    expect((await owner.get(given)).status).toBe(200)
    const old = new Client(server.url)
    old.keep(await old.post('/api/session', { email: lead.email, password }))
    expect((await old.get('/api/sessions')).status).toBe(200)
    await signedInBy(path, 'another long one')
    // Whoever was signed in before is not any more, and the old password is none.
    expect((await old.get('/api/sessions')).status).toBe(401)
    expect((await old.post('/api/session', { email: lead.email, password })).status).toBe(401)
  })

  it('is seen by owners in the outbox, without the secrets', async () => {
    const messages = await outbox()
    expect(messages.length).toBe(letters().length)
    expect(messages.map((one) => one.text).join('')).toContain('/link/…')
    for (const secret of letters().flatMap((letter) => /\/link\/([\w-]{43})/.exec(letter)?.[1] ?? []))
      expect(JSON.stringify(messages)).not.toContain(secret)
  })

  it('with another password ends one’s other sessions', async () => {
    const [one, other] = [new Client(server.url), new Client(server.url)]
    const email = lead.email
    for (const client of [one, other])
      client.keep(await client.post('/api/session', { email, password: 'another long one' }))
    expect((await one.post('/api/password', { old: 'not it', password: 'a third long one' })).status).toBe(403)
    expect((await other.get('/api/sessions')).status).toBe(200)
    expect((await one.post('/api/password', { old: 'another long one', password: 'a third long one' })).status).toBe(
      200,
    )
    expect((await other.get('/api/sessions')).status).toBe(401)
    expect((await one.get('/api/sessions')).status).toBe(200)
    expect((await other.post('/api/session', { email, password: 'a third long one' })).status).toBe(200)
  })

  it('is known to those who manage people: who has a password, who was asked, who is here', async () => {
    const { people } = (await (await owner.get('/api/people')).json()) as AccountsAnswer
    expect(people[ana.id]).toMatchObject({ hasPassword: true, linkUntil: null, isHere: false })
    expect(people[bea.id]?.hasPassword).toBe(false)
    expect(people[bea.id]?.linkUntil).toBeTruthy()
    expect(people[lead.id]?.lastSeen).toBeTruthy()
  })
})
