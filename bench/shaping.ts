/** What shaping the work takes: an outline that is scrolled, many items that are changed, cells that are copied. */
import type { Browser, Page } from '@playwright/test'
import { v7 } from 'uuid'
import type { ItemId, ViewId } from '#core/model/records'
import type { Client } from '../tests/kit/client'
import { startServer } from '../tests/kit/server'
import { updateOfRows } from './bare-rows'
import { contextFor, emptyFrames, scrollThrough } from './browser'
import { foundProject } from './data'
import { lineOf, median, type Line } from './line'

interface Api {
  send(id: string, command: object): Promise<unknown>
  settled(id: string): Promise<unknown>
  ask(query: string, input: object, language: string): Promise<{ value?: unknown }>
}
/** The page's application, as its element holds it. */
interface Root {
  readonly __vue_app__: { config: { globalProperties: { $pinia: { _s: Map<string, { api: Api }> } } } }
}

/** Pages are given a moment in which nothing of their opening is left, in ms. */
const calm = 2000

/** `owner`: makes somebody who may do anything on a server that has just been started. */
export async function shapingLines(browser: Browser, owner: (server: Awaited<ReturnType<typeof startServer>>) => Promise<Client>): Promise<Line[]> {
  const server = await startServer({ env: { WRENLEAF_NOW: '' } })
  const client = await owner(server)
  const lines = [
    ...(await outlineScrolled(browser, client)),
    ...(await changedTogether(browser, client)),
    await copied(browser, client),
  ]
  await server.stop()
  return lines
} // prettier-ignore

async function opened(browser: Browser, client: Client, path: string, ready: string): Promise<Page> {
  const page = await (await contextFor(browser, client)).newPage()
  await page.goto(path)
  await page.locator(ready).first().waitFor({ timeout: 120_000 })
  // What the server drew stands before the page's own copy of the workspace does.
  await page.getByText('up to date').waitFor({ timeout: 120_000 })
  await page.waitForTimeout(calm)
  return page
}

async function outlineScrolled(browser: Browser, client: Client): Promise<Line[]> {
  const n = 100_000
  const { project } = await foundProject(client, 'OUT', n)
  const { records } = await client.directory()
  const table = records.view.find((view) => view.project === project && view.definition.layout === 'table')!
  const view = { ...table, id: v7() as ViewId, name: 'Breakdown', rank: 'b95', definition: { ...table.definition, layout: 'outline', open: 20, sort: [] } } // prettier-ignore
  const { problem } = await client.command('view.add', { record: view })
  if (problem) throw new Error(problem.code)
  const frame = median(await emptyFrames(browser))
  const page = await opened(browser, client, `/app/OUT/${view.id}`, `[role=treegrid][aria-rowcount="${n + 1}"] .title`)
  const { frames, blank } = await scrollThrough(page, 300, 600)
  await page.context().close()
  const p95 = [...frames].sort((a, b) => a - b)[Math.floor(frames.length * 0.95)]!
  return [
    lineOf('an outline scrolled, 95 % of frames', n, p95, frame, 1.5),
    lineOf(`an outline scrolled, blank frames of ${frames.length} (limit none)`, n, blank, 1, 0),
  ]
}

/** The same of a thousand, from the command to the rows painted, and to the server's last word. */
async function changedTogether(browser: Browser, client: Client): Promise<Line[]> {
  const n = 1000
  const { project, table, statuses } = await foundProject(client, 'BLK', n, () => 0)
  const page = await opened(browser, client, `/app/BLK/${table}`, '[role=gridcell].title')
  const items = (await client.items(project)).map(({ id }) => id)
  const [painted, settled, limits]: [number[], number[], number[]] = [[], [], []]
  for (let i = 0; i < 9; i++) {
    limits.push(await updateOfRows(n))
    const id = v7()
    const status = statuses[(i % 2) + 1]!
    const taken = await page.evaluate(
      async ({ id, items, status }) => {
        const { api } = (document.querySelector('#__nuxt') as unknown as Root).__vue_app__.config.globalProperties.$pinia._s.get('session')! // prettier-ignore
        const before = document.querySelector('.item-row .status')!.textContent
        const from = performance.now()
        const isPainted = new Promise<number>((resolve) => {
          const look = (): unknown => {
            const now = document.querySelector('.item-row .status')!.textContent
            if (now === before) return requestAnimationFrame(look)
            const { port1, port2 } = new MessageChannel()
            port1.onmessage = () => resolve(performance.now() - from)
            port2.postMessage(0)
          }
          requestAnimationFrame(look)
        })
        await api.send(id, { type: 'items.set-all', items, set: { status: { to: status } } })
        await api.settled(id)
        return { settled: performance.now() - from, painted: await isPainted }
      },
      { id, items, status },
    )
    painted.push(taken.painted)
    settled.push(taken.settled)
    await page.waitForTimeout(300)
  }
  await page.context().close()
  return [
    lineOf('the same of many, painted, ms (limit 100)', n, median(painted), 100, 1),
    lineOf('the same of many, acknowledged', n, median(settled), median(limits), 3),
  ]
}

/** Ten columns of ten thousand items as text, against the same values read from objects and joined. */
async function copied(browser: Browser, client: Client): Promise<Line> {
  const n = 10_000
  const { project, table } = await foundProject(client, 'COP', n, undefined, 5)
  const page = await opened(browser, client, `/app/COP/${table}`, '[role=gridcell].title')
  const items = (await client.items(project)).map(({ id }) => id)
  const { records } = await client.directory()
  const fields = records.field.filter((field) => field.project === project && field.type !== 'longText').map(({ id }) => id) // prettier-ignore
  const columns = ['key', 'title', 'status', ...fields].slice(0, 10)
  const { ours, bare } = await page.evaluate(
    async ({ items, columns, whole }) => {
      const { api } = (document.querySelector('#__nuxt') as unknown as Root).__vue_app__.config.globalProperties.$pinia._s.get('session')! // prettier-ignore
      const [ours, bare]: [number[], number[]] = [[], []]
      for (let i = 0; i < 7; i++) {
        let from = performance.now()
        const text = (await api.ask('rangeCopied', { items, columns }, 'en')) as { value: string }
        ours.push(performance.now() - from)
        if (text.value.split('\n').length !== items.length) throw new Error('not all were copied')
        from = performance.now()
        const joined = whole.map((one) => columns.map((column) => String(one[column] ?? '')).join('\t')).join('\n')
        if (!joined) throw new Error('nothing was joined')
        bare.push(performance.now() - from)
      }
      return { ours, bare }
    },
    { items: items as ItemId[], columns, whole: (await client.items(project)).map(({ id, title, status, values }) => ({ key: id, title, status, ...values }) as Record<string, unknown>) }, // prettier-ignore
  )
  await page.context().close()
  return lineOf('ten columns copied, of joining them bare', n, median(ours), median(bare), null)
}
