/** What comes along with a page, and what is drawn of it on the server: for each just what they may see. */
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Row } from '#core/layouts/rows'
import type { TableAnswer } from '#core/layouts/table'
import { answerIn, type PageSeed } from '#core/queries/page-seed'
import type { Item, View } from '#core/model/records'
import { Client } from '../kit/client'
import { startDemo, type TestServer } from '../kit/server'

let server: TestServer
/** May everything; is a member of GLH and VIS alone; is not signed in. */
let [lead, member, nobody] = [] as unknown as [Client, Client, Client]
let views: readonly View[]
const projects = new Map<string, string>()

beforeAll(async () => {
  server = await startDemo()
  nobody = new Client(server.url)
  lead = await new Client(server.url).stepInAs('Séverine')
  member = await new Client(server.url).stepInAs('Hamid')
  const { records } = await lead.directory()
  views = records.view
  for (const project of records.project) projects.set(project.prefix, project.id)
}, 60_000)
afterAll(() => server.stop())

const viewOf = (prefix: string, layout: 'table' | 'board') =>
  views.find((view) => view.project === projects.get(prefix) && view.definition.layout === layout)!
const pathOf = (prefix: string, layout: 'table' | 'board' = 'table') => `/app/${prefix}/${viewOf(prefix, layout).id}`

async function page(client: Client, path: string, language = 'en-GB') {
  const answer = await fetch(server.url + path, { headers: { cookie: client.cookie, 'accept-language': language } })
  const html = await answer.text()
  const data = /<script type="application\/json" id="seed">(.*?)<\/script>/.exec(html)?.[1]
  const seed = JSON.parse(data ?? 'null') as PageSeed | null
  return {
    status: answer.status,
    html,
    seed: seed ?? undefined,
    drawn: html.split('id="__nuxt"')[1]!.split('<script')[0]!,
  }
}
const rowsIn = (seed: PageSeed | undefined, view: string): Row[] => tableIn(seed, view).stretch.rows as Row[]
const tableIn = (seed: PageSeed | undefined, view: string) => answerIn(seed, 'view', { view }) as TableAnswer

describe('what comes along with a page', () => {
  it('is who asks, their directory and the rows, which are drawn', async () => {
    const { seed, drawn } = await page(lead, pathOf('GLH'))
    expect(seed?.who.me).toBe((await lead.directory()).me)
    const { sums } = tableIn(seed, viewOf('GLH', 'table').id)
    const rows = rowsIn(seed, viewOf('GLH', 'table').id)
    expect(rows.length).toBe(48)
    expect(sums.items).toBe(225)
    for (const { key } of rows.slice(0, 20)) expect(drawn).toContain(`>${key}<`)
  })

  it('is the board with its columns and the queue as well', async () => {
    const board = await page(lead, pathOf('GLH', 'board'))
    for (const words of ['In hand', '2 over', 'GLH-15', 'Lead for the bolts']) expect(board.drawn).toContain(words)
    const queue = await page(member, '/app')
    expect(queue.drawn).toContain('Hamid')
    expect(queue.drawn).toContain('Now')
  })

  it('begins with a script that says how it is to be compiled', async () => {
    const { html } = await page(lead, pathOf('GLH'))
    const scripts = [...html.matchAll(/(?:src|href)="(\/_nuxt\/[^"]+\.js)"/g)].map((found) => found[1]!)
    const texts = await Promise.all([...new Set(scripts)].map(async (path) => (await fetch(server.url + path)).text()))
    const largest = texts.reduce((a, b) => (b.length > a.length ? b : a), '')
    expect(largest.startsWith('//# allFunctionsCalledOnLoad\n')).toBe(true)
  })

  it('says the same rows as the items that the worker fetches', async () => {
    const { seed } = await page(lead, pathOf('SED'))
    const items = new Map((await lead.items(projects.get('SED')!)).map((item) => [item.id, item]))
    const rows = rowsIn(seed, viewOf('SED', 'table').id)
    expect(rows.length).toBeGreaterThan(5)
    for (const row of rows) expect(row.item).toEqual(items.get(row.item.id))
  })

  it('is nothing for whoever is not signed in', async () => {
    for (const path of ['/app', pathOf('GLH'), pathOf('GLH', 'board')]) {
      const { html, seed } = await page(nobody, path)
      expect(seed).toBeUndefined()
      expect(html).not.toMatch(/GLH-\d|Glasshouse/)
    }
  })

  it('holds nothing of a project that one may not read, nor of another’s own view', async () => {
    const closed = await lead.items(projects.get('SED')!)
    const told = await page(member, pathOf('SED'))
    expect(told.seed?.answers).toHaveLength(1)
    const mine = v7()
    const { project, definition } = viewOf('GLH', 'table')
    const maker = (await lead.directory()).me
    await lead.command('view.add', {
      record: { id: mine, project, maker, audience: { of: 'maker' }, name: 'Mine alone', rank: 'b00', definition },
    })
    expect((await page(lead, `/app/GLH/${mine}`)).seed?.answers).toHaveLength(2)
    const others = await page(member, `/app/GLH/${mine}`)
    expect(others.seed?.answers).toHaveLength(1)
    const queue = await page(member, '/app')
    for (const { html } of [told, others, queue]) {
      expect(html).not.toContain('Seed bank')
      expect(html).not.toContain('Mine alone')
      for (const { id } of closed) expect(html).not.toContain(id)
    }
  })

  it('is each one’s own, however many ask at once', async () => {
    const [imke, yuki] = [await new Client(server.url).stepInAs('Imke'), await new Client(server.url).stepInAs('Yuki')]
    const people = [lead, member, imke, yuki]
    const ids = await Promise.all(people.map(async (client) => (await client.directory()).me))
    const pages = await Promise.all(
      Array.from({ length: 24 }, async (_, i) => ({ who: i % 4, ...(await page(people[i % 4]!, '/app')) })),
    )
    const names = ['Séverine', 'Hamid', 'Imke', 'Yuki']
    for (const { who, seed, drawn } of pages) {
      expect(seed?.who.me).toBe(ids[who])
      expect(/Good [a-z]+, ([^.]+)\./.exec(drawn)?.[1]).toBe(names[who])
    }
  })

  it('follows what is changed, also what came in and what was put inside', async () => {
    const path = pathOf('VIS')
    const before = tableIn((await page(lead, path)).seed, viewOf('VIS', 'table').id)
    const one = (before.stretch.rows[0] as Row).item
    const to = `Renamed ${v7()}`
    await member.command('items.set', { items: [{ item: one.id, set: { title: { from: one.title, to } } }] })
    const child: Partial<Item> = { kind: one.kind, status: one.status, title: 'Put inside', parent: one.id, values: {} }
    await member.command('items.add', { items: [{ item: v7(), project: one.project, ...child }] })
    const { seed, drawn } = await page(lead, path)
    const now = tableIn(seed, viewOf('VIS', 'table').id)
    expect(now.stretch.rows[0]).toMatchObject({
      item: { title: to },
      children: (before.stretch.rows[0] as Row).children + 1,
    })
    expect(now.sums.items).toBe(before.sums.items + 1)
    expect(drawn).toContain(to)
  })

  it('is each one’s own where a view speaks of whoever looks, also when it begins to', async () => {
    const { id, project, definition } = viewOf('VIS', 'board')
    const open = async (client: Client) => (await page(client, `/app/VIS/${id}`)).seed
    const itemsIn = (seed: PageSeed | undefined) => answerIn(seed, 'view', { view: id })!.sums.items
    expect(itemsIn(await open(lead))).toBe(itemsIn(await open(member)))
    const to = {
      ...definition,
      where: [{ about: 'fact', fact: { fact: 'people' }, test: { is: 'anyOf', values: ['me'] } }],
    }
    expect(
      (await lead.command('view.set', { target: id, set: { definition: { from: definition, to } } })).entry,
    ).toBeDefined()
    const items = await lead.items(project)
    for (const client of [lead, member]) {
      const { me, records } = await client.directory()
      const people = records.field.filter((field) => field.project === project && field.type === 'people')
      const mine = items.filter((item) =>
        people.some((field) => (item.values[field.id] as readonly string[] | undefined)?.includes(me)),
      )
      expect(itemsIn(await open(client))).toBe(mine.length)
    }
  })

  it('cannot be made to run by what somebody typed', async () => {
    const [one] = await lead.items(projects.get('GLH')!)
    const to = '</script><script>document.title="taken"</script><b onload=1>'
    await lead.command('items.set', { items: [{ item: one!.id, set: { title: { from: one!.title, to } } }] })
    const { html, seed } = await page(lead, pathOf('GLH'))
    expect(html).not.toContain('<script>document.title')
    expect(html).not.toContain('<b onload')
    expect(rowsIn(seed, viewOf('GLH', 'table').id).map((row) => row.item.title)).toContain(to)
  })

  it('is in the language of the browser, or in English where that says none that could be', async () => {
    expect((await page(lead, '/app', 'en-US,en;q=0.9')).seed?.language).toBe('en-US')
    expect((await page(lead, '/app', 'de')).seed?.language).toBe('de')
    for (const none of ['*', 'x', '"><b>', 'en_US@x'])
      expect((await page(lead, '/app', none)).seed?.language).toBe('en')
  })

  it('is left to the worker where an item is open beside, and for what is no view', async () => {
    for (const path of [`${pathOf('GLH')}?item=GLH-2`, '/app/items/GLH-2', `/app/GLH/${v7()}`, '/app/GLH/bring-in']) {
      const { status, seed, drawn } = await page(lead, path)
      expect(status).toBe(200)
      expect(seed?.answers[0]?.[0]).toEqual({ query: 'directory' })
      expect(drawn).not.toMatch(/GLH-\d/)
    }
  })
})
