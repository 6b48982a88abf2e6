/** What is deleted for good leaves nothing behind in the tables, on either way there: one of a batch, or large. */
import { v7 } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { Client } from '../kit/client'
import { startDemo, type TestServer } from '../kit/server'
import { inTables } from './kit'

let server: TestServer
beforeAll(async () => void (server = await startDemo()), 120_000)
afterAll(async () => void (await server.stop()))

/** How many rows the tables hold that speak of these items, of a server that has stopped. */
async function rowsOf(dir: string, items: readonly string[]): Promise<unknown> {
  const tables = [['item', 'id'], ['stay', 'item'], ['long_text', 'item'], ['log_item', 'item']] // prettier-ignore
  const counts = tables.map(([table, of]) => `(select count(*)::int from ${table} where ${of} = any($1)) as "${table}"`)
  const [row] = await inTables(dir, `select ${counts.join(', ')}`, [items])
  return row
}

it(
  'items that leave the bin for good take their texts, stays and places in the log along; others keep theirs',
  { timeout: 240_000 },
  async () => {
    const client = await new Client(server.url).stepInAs('Séverine')
    const { records } = await client.directory()
    const project = records.project.find(({ prefix }) => prefix === 'SED')!.id
    const kind = records.kind.find((one) => one.project === project)!
    const status = records.workflow.find((one) => one.id === kind.workflow)!.start
    const field = v7()
    const made = {
      id: field,
      project,
      name: 'Remarks',
      help: '',
      type: 'longText',
      settings: {},
      rank: 'b90',
      archived: false,
    }
    expect((await client.command('field.make', { field: made, options: [] })).problem).toBeUndefined()
    const add = async (n: number) => {
      const items = Array.from({ length: n }, (_, i) => ({ item: v7(), project, kind: kind.id, status, title: `Tray ${i}`, parent: null, values: {} })) // prettier-ignore
      expect((await client.command('items.add', { items })).problem).toBeUndefined()
      return items.map(({ item }) => item)
    }
    const [gone, kept] = [await add(2), await add(1)]
    // More than go in turn: it goes beside all others.
    const many = [...(await add(600)), ...(await add(600))]
    for (const item of [gone[0]!, kept[0]!])
      expect(
        (await client.command('items.text', { item, field, revision: 0, text: 'Sown thinly' })).problem,
      ).toBeUndefined()
    const texts = async () => (await (await client.get(`/api/projects/${project}/texts?field=${field}`)).json()) as unknown // prettier-ignore
    await expect.poll(texts).toEqual({ texts: { [gone[0]!]: 'Sown thinly', [kept[0]!]: 'Sown thinly' } })
    const binned = [...gone, ...many]
    expect((await client.command('items.archive', { items: binned, archived: true })).problem).toBeUndefined()
    for (const items of [gone, many])
      expect((await client.command('items.delete', { items, number: items.length })).problem).toBeUndefined()
    expect((await client.get(`/api/items/${gone[0]}/history`)).status).toBe(404)
    await expect.poll(async () => ((await (await fetch(`${server.url}/health`)).json()) as { unwritten: number }).unwritten).toBe(0) // prettier-ignore
    await server.stop()
    expect(await rowsOf(server.dir, binned)).toEqual({ item: 0, stay: 0, long_text: 0, log_item: 0 })
    expect(await rowsOf(server.dir, kept)).toEqual({ item: 1, stay: 1, long_text: 1, log_item: 2 })
  },
)
