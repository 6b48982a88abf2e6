/** A workspace that was made before records took the place of lists within lists opens, and is all there. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Client as Connection } from 'pg'
import { describe, expect, it } from 'vitest'
import { openPglite } from '../../server/db/fsync-nodefs'
import { readyFolder } from '../../server/db/data-folder'
import { Client } from '../kit/client'
import { hasPostgres, startCluster } from '../kit/postgres'
import { newFolder, root, startServer, type Start, type TestServer } from '../kit/server'

const made = readFileSync(join(root, 'tests/fixtures/workspace-1.sql'), 'utf8')

async function embedded(): Promise<Start> {
  const dir = newFolder('model-1')
  const pg = await openPglite(await readyFolder(dir))
  await pg.exec(made)
  await pg.exec(`update public.workspace set holidays = '["2026-12-25", "2027-01-01", "2026-12-25"]'`)
  await pg.close()
  return { dir }
}

async function signedIn({ url }: TestServer): Promise<Client> {
  const client = new Client(url)
  const answer = await client.post('/api/session', { email: 'otto@allotment.example', password: 'a long password' })
  expect(answer.status).toBe(200)
  client.keep(answer)
  return client
}

async function isAllThere(server: TestServer): Promise<void> {
  const client = await signedIn(server)
  const { records } = await client.directory()
  const project = records.project.find((one) => one.prefix === 'KIT')!
  const inOrder = <R extends { readonly rank: string }>(all: readonly R[]) =>
    [...all].sort((a, b) => (a.rank < b.rank ? -1 : 1))

  // What lay in lists within a record is records of its own, in the same order.
  const statuses = inOrder(records.status.filter((status) => status.project === project.id))
  expect(statuses.map((status) => status.name).slice(0, 3)).toEqual(['Noted', 'Ready', 'In hand'])
  const [workflow] = records.workflow.filter((one) => one.project === project.id)
  expect(workflow!.start).toBe(statuses[0]!.id)
  const steps = inOrder(records.step.filter((one) => one.workflow === workflow!.id))
  expect(steps.map((step) => step.status)).toEqual(statuses.map((status) => status.id))
  const board = records.board.find((one) => one.project === project.id)!
  const columns = inOrder(records.column.filter((column) => column.board === board.id))
  expect(columns.map((column) => column.name)).toEqual(statuses.map((status) => status.name))
  const held = records.columnStatus.filter((one) => columns.some(({ id }) => id === one.column))
  expect(new Set(held.map((one) => one.status))).toEqual(new Set(statuses.map((status) => status.id)))
  const need = records.field.find((field) => field.id === project.uses.need)!
  const options = inOrder(records.option.filter((option) => option.field === need.id))
  expect(options.map((option) => option.label)).toEqual(['must', 'should', 'could', 'not now', 'urgent'])
  expect(records.view.every((view) => view.definition.v === 3)).toBe(true)
  expect(records.view.some((view) => view.audience.of === 'maker')).toBe(true)

  // Every view is drawn, and past days are known as they were.
  for (const view of records.view.filter((one) => one.project === project.id)) {
    const answer = await client.get(`/app/KIT/${view.id}`)
    expect([view.name, answer.status]).toEqual([view.name, 200])
    await answer.arrayBuffer()
  }
  const items = await client.items(project.id)
  expect(items.length).toBeGreaterThan(5)
  const past = (await (await client.get(`/api/projects/${project.id}/past?days=18`)).json()) as {
    statuses: Record<string, string>
  }
  const moved = items.filter((one) => past.statuses[one.id] && past.statuses[one.id] !== one.status)
  expect(moved.length).toBeGreaterThan(0)
  for (const { id } of items.slice(0, 5)) {
    const history = (await (await client.get(`/api/items/${id}/history`)).json()) as { entries: { patch: unknown[] }[] }
    expect(history.entries.length).toBeGreaterThan(0)
  }

  // The last change, made on the board's list of columns as it was then, is undone.
  const inHand = columns.find((column) => column.name === 'In hand')!
  const limit = async () => (await client.directory()).records.limit.find((one) => one.column === inHand.id)?.most
  expect(await limit()).toBe(3)
  // Nobody is sent entries of which it was not kept whom they are for: pages fetch all anew instead.
  // Whoever asks again and again is told so one after the other, each after a tenth of a second, and holds up nobody.
  const asked = performance.now()
  const refused = await Promise.all(
    Array.from({ length: 8 }, async () => (await client.get('/api/log?after=0')).status),
  )
  expect(refused).toEqual(Array(8).fill(410))
  expect(performance.now() - asked).toBeGreaterThan(8 * 95)
  const command = /'([0-9a-f-]{36})', 'board\.limit'/.exec(made)![1]!
  expect((await client.command('revert', { of: command })).problem).toBeUndefined()
  expect(await limit()).toBe(6)

  // It goes on as any other.
  const kind = records.kind.find((one) => one.project === project.id)!
  const item = { project: project.id, kind: kind.id, status: workflow!.start, parent: null, values: {} }
  const added = await client.command('items.add', { items: [{ item: command, title: 'Sow leeks', ...item }] })
  expect(added.problem).toBeUndefined()
}

describe('a workspace of the first model', () => {
  it('opens in the embedded database, once and again', { timeout: 120_000 }, async () => {
    const start = await embedded()
    const env = { WRENLEAF_NOW: '2026-11-25T09:00:00.000Z' }
    const server = await startServer({ ...start, env })
    await isAllThere(server)
    const client = await signedIn(server)
    // Its holidays, which were a list, are days off; both they and the working week can be changed, and stay so.
    const { records } = await client.directory()
    const free = (all: typeof records) => all.dayOff.map(({ from, to }) => [from, to]).sort()
    expect(free(records)).toEqual([['2026-12-25', '2026-12-25'], ['2027-01-01', '2027-01-01']]) // prettier-ignore
    const { id, workingWeek, timeZone } = records.workspace[0]!
    const set = { workingWeek: { from: workingWeek, to: [2, 4, 6] }, timeZone: { from: timeZone, to: 'Asia/Kathmandu' } } // prettier-ignore
    expect((await client.command('workspace.set', { target: id, set })).problem).toBeUndefined()
    const newYear = records.dayOff.find(({ from }) => from === '2027-01-01')!
    expect((await client.command('dayOff.set', { target: newYear.id, set: { to: { from: newYear.to, to: '2027-01-03' } } })).problem).toBeUndefined() // prettier-ignore
    const { sequence } = await client.directory()
    await server.stop()
    const again = await startServer({ ...start, env })
    const kept = await (await signedIn(again)).directory()
    expect(kept.sequence).toBe(sequence)
    expect(free(kept.records)[1]).toEqual(['2027-01-01', '2027-01-03'])
    expect(kept.records.workspace[0]).toMatchObject({ workingWeek: [2, 4, 6], timeZone: 'Asia/Kathmandu' })
    await again.stop()
  })

  it.skipIf(!hasPostgres)('opens on PostgreSQL', { timeout: 120_000 }, async () => {
    const cluster = await startCluster()
    const connection = new Connection({ connectionString: cluster.url })
    await connection.connect()
    await connection.query(made)
    await connection.end()
    const server = await startServer({ env: { DATABASE_URL: cluster.url, WRENLEAF_NOW: '2026-11-25T09:00:00.000Z' } })
    await isAllThere(server)
    await server.stop()
    cluster.stop()
  })
})
