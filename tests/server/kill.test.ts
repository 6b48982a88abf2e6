import { v7 } from 'uuid'
import { expect, it } from 'vitest'
import { Client } from '../kit/client'
import { newFolder, startServer } from '../kit/server'

/** Sends additions from several hands at once until the server is gone; gives the ids that were acknowledged. */
async function addUntilItEnds(client: Client, project: string, kind: string, status: string): Promise<string[]> {
  const acknowledged: string[] = []
  const hand = async () => {
    for (;;) {
      const item = v7()
      const body = { items: [{ item, project, kind, status, title: item, parent: null, values: {} }] }
      const answer = await client.command('items.add', body).catch(() => undefined)
      if (!answer) return
      if (answer.entry) acknowledged.push(item)
    }
  }
  await Promise.all(Array.from({ length: 8 }, hand))
  return acknowledged
}

it(
  '20 times killed in the middle of writes, it has every acknowledged one after a restart',
  { timeout: 300_000 },
  async () => {
    const dir = newFolder('kill')
    const all: string[] = []
    let missing: string[] = []
    for (let round = 0; round < 20; round++) {
      const server = await startServer({ dir, demo: true })
      const client = await new Client(server.url).stepInAs('Séverine')
      const { records } = await client.directory()
      const project = records.project.find((one) => one.prefix === 'SED')!
      const kind = records.kind.find((one) => one.project === project.id)!
      const status = records.status.find((one) => one.workflow === kind.workflow)!
      const held = new Set<string>((await client.items(project.id)).map((item) => item.id))
      missing = missing.concat(all.filter((id) => !held.has(id)))
      setTimeout(() => server.process.kill('SIGKILL'), 150 + round * 17)
      const acknowledged = await addUntilItEnds(client, project.id, kind.id, status.id)
      expect(acknowledged.length).toBeGreaterThan(0)
      all.push(...acknowledged)
    }
    const server = await startServer({ dir, demo: true })
    const client = await new Client(server.url).stepInAs('Séverine')
    const { records } = await client.directory()
    const held = new Set<string>(
      (await client.items(records.project.find((one) => one.prefix === 'SED')!.id)).map((item) => item.id),
    )
    missing = missing.concat(all.filter((id) => !held.has(id)))
    await server.stop()
    console.log(`killed 20 times, ${all.length} acknowledged writes, ${missing.length} lost`)
    expect(missing).toEqual([])
  },
)
