import { v7 } from 'uuid'
import { expect, it } from 'vitest'
import { runs } from '#core/test-kit/runs'
import { Client } from '../kit/client'
import { startDemo, startServer } from '../kit/server'

/** Adds items with eight hands at once until the server is gone; tells of each that was acknowledged. */
async function addUntilItEnds(client: Client, place: object, acknowledge: (item: string) => void): Promise<void> {
  const hand = async () => {
    for (;;) {
      const item = v7()
      const body = { items: [{ item, ...place, title: item, parent: null, values: {} }] }
      const answer = await client.command('items.add', body).catch(() => undefined)
      if (!answer) return
      if (answer.entry) acknowledge(item)
    }
  }
  await Promise.all(Array.from({ length: 8 }, hand))
}

async function placeIn(client: Client) {
  const { records } = await client.directory()
  const project = records.project.find((one) => one.prefix === 'SED')!.id
  const kind = records.kind.find((one) => one.project === project)!
  const status = records.workflow.find((one) => one.id === kind.workflow)!.start
  return { project, kind: kind.id, status }
}

const { numRuns: kills } = runs(3, 100)

it(
  'killed again and again in the middle of writes, it has every acknowledged one after a restart',
  { timeout: 3_600_000 },
  async () => {
    let dir: string | undefined
    const acknowledged: string[] = []
    for (let round = 0; ; round++) {
      const server = await (dir ? startServer({ dir, demo: true }) : startDemo())
      dir = server.dir
      const client = await new Client(server.url).stepInAs('Séverine')
      const place = await placeIn(client)
      const held = new Set<string>((await client.items(place.project)).map((item) => item.id))
      expect(acknowledged.filter((id) => !held.has(id))).toEqual([])
      if (round === kills) {
        console.log(`killed ${kills} times: ${acknowledged.length} acknowledged writes, none lost`)
        await server.stop()
        return
      }
      // Each time at another point, with eight writes under way.
      const enough = acknowledged.length + 10 + ((round * 7) % 200)
      await addUntilItEnds(client, place, (item) => {
        if (acknowledged.push(item) >= enough) server.process.kill('SIGKILL')
      })
      expect(acknowledged.length).toBeGreaterThanOrEqual(enough)
    }
  },
)
