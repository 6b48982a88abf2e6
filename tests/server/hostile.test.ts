/** Every route, with every part of what is sent replaced by what nobody of good will would send. */
import { readdirSync } from 'node:fs'
import { join, relative } from 'node:path'
import fc from 'fast-check'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { problemCodes } from '#core/base/result'
import type { CommandId } from '#core/base/ids'
import { commandTypes } from '#core/commands/registry'
import { State } from '#core/model/state'
import { runs } from '#core/test-kit/runs'
import { randomCommand, setUpCommand, type Dice, type Ids } from '#core/test-kit/workspace'
import { directoryEntities } from '#core/wire/directory'
import { Client } from '../kit/client'
import { root, startDemo, type TestServer } from '../kit/server'

let server: TestServer
let client: Client
let state: State
beforeAll(async () => {
  server = await startDemo()
  client = await new Client(server.url).stepInAs('Séverine')
  state = await stateOf(client)
}, 60_000)
afterAll(() => server.stop())

/** What the server holds, as far as commands are made from it. */
async function stateOf(of: Client): Promise<State> {
  const held = new State()
  const { records } = await of.directory()
  for (const entity of directoryEntities)
    for (const record of records[entity]) held.put(entity, record.id, record as never)
  for (const { id } of records.project)
    for (const item of (await of.items(id)).slice(0, 300)) held.put('item', item.id, item)
  return held
}

const deep = (n: number): unknown => JSON.parse('['.repeat(n) + ']'.repeat(n))
const hostile: readonly unknown[] = [
  null, true, -1, 0.5, 2 ** 31, 2 ** 53, 1e308, '', ' ', '\u200b', '\u0000', '\ud800', 'a\nb', 'NaN', '%00', '../../etc', "'; drop table item; --",
  '__proto__', 'constructor', v7(), 'x'.repeat(5000), '9'.repeat(30), [], [null], {}, { '': 1 }, { constructor: 1 }, deep(90), '@deep@', Array.from({ length: 3000 }, () => 0),
] // prettier-ignore

/** As JSON, with what is nested too deep to be written by machine. */
const textOf = (body: unknown): string | undefined =>
  typeof body === 'string' ? body : JSON.stringify(body)?.replaceAll('"@deep@"', '['.repeat(5000) + ']'.repeat(5000))

/** Where the leaves and the branches of a value are. */
function* placesIn(value: unknown, at: readonly string[] = []): Iterable<readonly string[]> {
  if (at.length) yield at
  if (value && typeof value === 'object')
    for (const [key, one] of Object.entries(value)) yield* placesIn(one, [...at, key])
}
/** A copy with another value there; written by hand, as nothing may be done with it on the way. */
function withPut(value: unknown, [key, ...rest]: readonly string[], put: unknown): unknown {
  if (key === undefined) return put
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) }) as Record<string, unknown>
  copy[key] = withPut(copy[key], rest, put)
  return copy
}

/** Answered with 2xx, or with 4xx and a problem that has a sentence. */
async function saysWhy(answer: Response, what: string): Promise<void> {
  const text = await answer.text()
  expect(answer.status, `${what}: ${text.slice(0, 300)}`).toBeLessThan(500)
  if (answer.status < 400) return
  expect(text, what).not.toBe('')
  if (!answer.headers.get('content-type')?.includes('json')) return
  const { problem } = JSON.parse(text) as { problem?: { code: string } }
  if (problem) expect(problemCodes, what).toContain(problem.code)
  expect(problem?.code, what).not.toBe('unexpected')
}

/** Every route of the server by the names of their files, with what is sent to it when all is well. */
const routes: Readonly<Record<string, { path: string; body?: unknown; isFeed?: boolean }>> = {
  'commands/[type].post': { path: '/api/commands/[items.set]', body: { id: v7(), type: 'items.set', v: 1, items: [{ item: v7(), set: { title: { from: 'a', to: 'b' } } }] } },
  'directory.get': { path: '/api/directory' },
  'feed.get': { path: '/api/feed', isFeed: true },
  'items/[id]/history.get': { path: '/api/items/[1]/history?before=[9]' },
  'items/[id]/texts/[field].get': { path: '/api/items/[1]/texts/[2]' },
  'log.get': { path: '/api/log?after=[0]' },
  'large/[id].delete': { path: '/api/large/[1]' },
  'log/[n]/parts/[k].get': { path: '/api/log/[1]/parts/[0]' },
  'links/[secret].get': { path: '/api/links/[1]' },
  'links/[secret].post': { path: '/api/links/[1]', body: { password: 'long enough it is' } },
  'outbox.get': { path: '/api/outbox' },
  'people.get': { path: '/api/people' },
  'people/invite.post': { path: '/api/people/invite', body: { people: [v7()], message: 'Come in', project: null } },
  'password.post': { path: '/api/password', body: { old: 'x', password: 'long enough it is' } },
  'password/forgotten.post': { path: '/api/password/forgotten', body: { email: 'a@garden.example' } },
  'owner.post': { path: '/api/owner', body: { code: 'x', name: 'A', email: 'a@garden.example', password: 'long enough it is', workspace: 'W', timeZone: 'Europe/Berlin' } },
  'projects/[id]/items.get': { path: '/api/projects/[1]/items' },
  'projects/[id]/stays.get': { path: '/api/projects/[1]/stays' },
  'projects/[id]/past.get': { path: '/api/projects/[1]/past?days=[3]' },
  'projects/[id]/texts.get': { path: '/api/projects/[1]/texts?field=[2]' },
  'session.delete': { path: '/api/session' },
  'session.post': { path: '/api/session', body: { email: 'a@garden.example', password: 'wrong' } },
  'sessions.get': { path: '/api/sessions' },
  'sessions/[id].delete': { path: '/api/sessions/[1]' },
  'welcome.get': { path: '/api/welcome' },
} // prettier-ignore

describe('hostile requests', () => {
  it('are tried at every route there is', () => {
    const folder = join(root, 'server/api')
    const files = readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((file) => file.isFile())
      .map((file) => relative(folder, join(file.parentPath, file.name)).replace(/\.ts$/, ''))
    expect(files.sort()).toEqual(Object.keys(routes).sort())
  })

  it('get an answer with a reason from every route, signed in or not', { timeout: 120_000 }, async () => {
    const stranger = new Client(server.url)
    for (const [name, { path, body, isFeed }] of Object.entries(routes)) {
      const method = name.split('.').at(-1)!.toUpperCase()
      const [before, ...parts] = path.split('[')
      const paths = hostile
        .filter((value) => typeof value === 'string' || typeof value === 'number')
        .flatMap((value) => parts.map((_part, at) => before! + parts.map((part, i) => (i === at ? encodeURIComponent(wellFormed(String(value))) : part!.split(']')[0]!) + part!.split(']')[1]!).join(''))) // prettier-ignore
      const raw = parts.length ? ['%00', '%', '%ff', '%2e%2e%2f', '//', '\\', '?', '#'].map((value) => before! + value) : [] // prettier-ignore
      for (const who of [client, stranger]) {
        if (name === 'session.delete' && who === client) continue
        if (isFeed && who === client) continue
        for (const at of [path.replaceAll(/[[\]]/g, ''), ...paths, ...raw])
          await saysWhy(await who.send(method, at, textOf(body)), `${method} ${at.slice(0, 200)}`)
        for (const place of body ? placesIn(body) : [])
          for (const value of hostile)
            await saysWhy(await who.send(method, path.replaceAll(/[[\]]/g, ''), textOf(withPut(body, place, value))), `${name} ${place.join('.')}`) // prettier-ignore
        for (const text of body ? ['', '{', '[]', 'null', '1', '"x"', '\u0000', '{"id":1}{', '{"a":'.repeat(5000)] : [])
          await saysWhy(await who.send(method, path.replaceAll(/[[\]]/g, ''), text), `${name} ${text.slice(0, 20)}`)
      }
    }
  })

  it(
    'get an answer with a reason whatever stands anywhere in a command of any type',
    { timeout: 3_600_000 },
    async () => {
      const ids = { next: v7, command: v7, item: v7 } as unknown as Ids
      const project = [...state.all('project')].find((one) => one.prefix === 'GLH')!
      const me = (await client.directory()).me
      const seen = new Set<string>()
      const past: CommandId[] = []
      const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>
      const one = fc.record({ dice, isSetUp: fc.boolean(), place: fc.nat(1000), value: fc.oneof({ weight: 4, arbitrary: fc.constantFrom(...hostile) }, fc.jsonValue({ maxDepth: 3 })) }) // prettier-ignore
      await fc.assert(
        fc.asyncProperty(one, async ({ dice: roll, isSetUp, place, value }) => {
          const sent = isSetUp
            ? setUpCommand(state, project, roll[0] % 49, roll[1] % 9, ids)
            : randomCommand(state, project, roll, ids, past, me)
          if (!sent) return
          seen.add(sent.type)
          const places = [...placesIn(sent)]
          const at = places[place % places.length]!
          const answer = await client.send('POST', `/api/commands/${sent.type}`, textOf(withPut(sent, at, value)))
          await saysWhy(answer.clone(), `${sent.type} ${at.join('.')} ${JSON.stringify(value)?.slice(0, 100)}`)
          // The command as it was, now and then, so that there is something to undo; nothing that shuts its sender out.
          if (place % 5 === 0 && !/^(person|member)\./.test(sent.type)) {
            const done = await client.send('POST', `/api/commands/${sent.type}`, sent)
            await saysWhy(done, sent.type)
            past.push(sent.id)
          }
        }),
        runs(1200, 60_000),
      )
      for (const type of commandTypes) if (!seen.has(type)) console.log(`not tried this time: ${type}`)
      // And it works as before.
      expect((await client.get('/api/directory')).status).toBe(200)
    },
  )
})

const wellFormed = (text: string): string => text.replaceAll(/[\ud800-\udfff]/g, '\ufffd')
