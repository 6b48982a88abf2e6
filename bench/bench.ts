/** The budgets that this stage has, each against a limit measured in the same run. */
import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { v7 } from 'uuid'
import { commitOfTheSameRows, updateOfRows } from './bare-rows'
import { Client } from '../tests/kit/client'
import { root, startServer, type Start, type TestServer } from '../tests/kit/server'
import {
  acknowledged,
  changingView,
  contextFor,
  emptyFrames,
  heapsOf,
  keyToPaint,
  launch,
  longTasksOfEditing,
  opening,
  scrollThrough,
} from './browser'
import { foundProject } from './data'
import { engineLines } from './engine'
import { lineOf, median, print, share, type Line } from './line'
import { shapingLines } from './shaping'

/** With those that every project begins with, 40. */
const manyFields = 34
const lines: Line[] = []
const say = (text: string) => console.log(text)

/** Compressed size of every script that the first signed-in page loads, workers included. */
function sizeOf(paths: readonly string[]): number {
  return paths.reduce((sum, path) => {
    const file = join(root, '.output/public', path)
    return sum + (existsSync(`${file}.gz`) ? statSync(`${file}.gz`).size : existsSync(file) ? statSync(file).size : 0)
  }, 0)
}

async function main(): Promise<void> {
  if (!process.argv.includes('--no-engine')) {
    say('the view engine …')
    lines.push(...engineLines([10_000, 100_000]))
    if (process.argv.includes('--engine')) return
  }
  if (process.argv.includes('--shaping')) return void lines.push(...(await shapingLines(await launch(), ownerOf)))
  const server = await startServer({ demo: true, env: { WRENLEAF_NOW: '' } })
  const client = await new Client(server.url).stepInAs('Séverine')
  const browser = await launch()
  const commit = await commitOfTheSameRows()

  say('commands …')
  const { records } = await client.directory()
  const garden = records.project.find((project) => project.prefix === 'GLH')!
  const [one] = await client.items(garden.id)
  const inServer: number[] = []
  for (let i = 0, title = one!.title; i < 120; i++) {
    const body = {
      id: v7(),
      type: 'items.set',
      v: 1,
      items: [{ item: one!.id, set: { title: { from: title, to: `t${i}` } } }],
    }
    const answer = await client.post('/api/commands/items.set', body)
    await answer.arrayBuffer()
    inServer.push(Number(/dur=([\d.]+)/.exec(answer.headers.get('server-timing') ?? '')?.[1]))
    title = `t${i}`
  }
  lines.push(lineOf('a command, acknowledged in the server', 1, median(inServer.slice(20)), commit, 1.5))

  say('a status removed …')
  await removingStatus()
  say('shaping the work …')
  lines.push(...(await shapingLines(browser, ownerOf)))

  say('first page …')
  const context = await contextFor(browser, client)
  const page = await context.newPage()
  // What has been fetched when the rows can be worked with: the rest comes once the page stands.
  await page.addInitScript(() => {
    const look = (): unknown =>
      document.querySelector('.frame:not([inert])')
        ? Object.assign(window, {
            fetched: performance.getEntriesByType('resource').map((entry) => entry.name),
          })
        : requestAnimationFrame(look)
    look()
  })
  await page.goto('/app')
  await page.locator('.it').first().waitFor()
  const fetched = await page.waitForFunction(() => (window as { fetched?: string[] }).fetched)
  const scripts = ((await fetched.jsonValue()) ?? []).map((url) => new URL(url).pathname).filter((path) => /\.m?js$/.test(path)) // prettier-ignore
  // The worker's scripts are not among the page's requests: the HTML names the first, and that the second.
  const named = (text: string, pattern: RegExp): string[] =>
    [...text.matchAll(pattern)].map((found) => `/_nuxt/${found[1]}`)
  const first = named(await (await client.get('/app')).text(), /new SharedWorker\([^;]*?["']([\w-]+\.js)["']/g)
  const second = first.flatMap((path) =>
    named(readFileSync(join(root, '.output/public', path), 'utf8'), /import\(["']\.\/([\w-]+\.js)["']\)/g),
  )
  const shared = [...first, ...second]
  if (shared.length !== 2) throw new Error(`the worker's two scripts were not found: ${shared.join()}`)
  const kB = sizeOf([...new Set([...scripts, ...shared])]) / 1000
  lines.push(lineOf(`first page, kB of compressed script (${scripts.length + shared.length} files)`, 1, kB, 300, 1))

  say('opening …')
  const wanted = process.argv
    .find((one) => one.startsWith('--sizes='))
    ?.slice(8)
    .split(',')
    .map(Number)
  // The number is how often it is opened.
  const sizes = (
    [
      [500, 'BZZ', 0],
      [1000, 'BAA', 15],
      [10_000, 'BBB', 5],
      [50_000, 'BCC', 3],
      [100_000, 'BDD', 0],
    ] as const
  ).filter(([n]) => wanted?.includes(n) ?? true)
  /** Ms to another view and back, where it is measured. */
  const changes = new Map<number, number>()
  // A person opens all projects that are theirs: each size has a server's demo and its own project alone.
  if (wanted?.includes(50_000) ?? true) {
    const own = await startServer({ env: { WRENLEAF_NOW: '' } })
    const owner = await ownerOf(own)
    const place = await foundProject(owner, 'BEE', 50_000, undefined, manyFields)
    const { ours, bare } = await opening(browser, owner, `/app/BEE/${place.table}`, place.project, 3)
    lines.push(lineOf('open a project of 40 fields, to painted rows', 50_000, ours.ms, bare.ms, 2.5, ours.cpuMs))
    await own.stop()
  }
  for (const [n, prefix, runs] of sizes) {
    const own = await startServer({ env: { WRENLEAF_NOW: '' } })
    const owner = await ownerOf(own)
    const place = { ...(await foundProject(owner, prefix, n)), prefix }
    const view = `/app/${prefix}/${place.table}`
    await (await owner.get(`/api/projects/${place.project}/items`)).arrayBuffer()
    if (runs) {
      const { ours, bare } = await opening(browser, owner, view, place.project, runs)
      lines.push(lineOf('open a project, to painted rows', n, ours.ms, bare.ms, n === 1000 ? 2.25 : 2.5, ours.cpuMs))
      lines.push(lineOf('painted rows to a workable page, ms (limit 150)', n, ours.untilLive, 150, 1))
    }
    if (n === 500 || n === 50_000) {
      const tab = await opened(owner, view, n)
      const paths = { table: view, board: `/app/${prefix}/${place.board}` }
      changes.set(n, median(await changingView(tab, paths, 9)))
      await tab.context().close()
    }
    if (n === 10_000) await inTable(own.url, owner, view, commit)
    if (n === 100_000) {
      say('filtering, grouping, scrolling …')
      const tab = await opened(owner, view, n)
      const { scrolling, blank, editing, sentence } = await longTasksOfEditing(tab)
      say(`  ended at: ${sentence} (${blank} frames with a blank row while all were scrolled)`)
      const line = (what: string, tasks: readonly number[]) => lines.push(lineOf(`${what}, longest task (limit 50 ms)`, n, Math.max(0, ...tasks), 50, 1)) // prettier-ignore
      line('all rows flying past', scrolling)
      line('editing a view', editing)
      await tab.context().close()
    }
    if (n === 50_000) {
      const tab = await opened(owner, view, n)
      const heaps = await heapsOf(browser, tab)
      lines.push(lineOf('page, heap, MB (aim 250 with its worker)', n, heaps.page, 250, null))
      lines.push(lineOf('worker, heap, MB (aim 250 with its page)', n, heaps.worker, 250, null))
      await tab.context().close()
    }
    await own.stop()
    if (n === 50_000) {
      say('memory of the server …')
      const resident = await residentReopened({ dir: own.dir, env: { WRENLEAF_NOW: '' } }, async ({ url }) => {
        const again = new Client(url)
        again.cookie = owner.cookie
        await (await again.get(view)).arrayBuffer()
      })
      lines.push(lineOf('server, resident, MB', n, resident, 600, 1))
    }
  }
  const [few, many] = [changes.get(500), changes.get(50_000)]
  if (few !== undefined && many !== undefined) {
    const frame = median(await emptyFrames(browser))
    // There and back, so two frames.
    lines.push(lineOf('another view of an open project, and back', 50_000, many, few + 2 * frame, 1.5))
  }
  await browser.close()
  await server.stop()
  if (wanted) return
  const board = records.view.find((view) => view.project === garden.id)!
  const resident = await residentReopened(
    { dir: server.dir, demo: true, env: { WRENLEAF_NOW: '' } },
    async ({ url }) => {
      const again = await new Client(url).stepInAs('Séverine')
      await (await again.get(`/app/GLH/${board.id}`)).arrayBuffer()
    },
  )
  lines.push(lineOf('server with the demo, resident, MB', 285, resident, 300, 1))

  async function opened(owner: Client, view: string, n: number): Promise<Page> {
    const tab = await (await contextFor(browser, owner)).newPage()
    await tab.goto(view)
    await tab
      .locator(`[role=grid][aria-rowcount="${n + 1}"] [role=gridcell].title`)
      .first()
      .waitFor()
    await tab.waitForTimeout(1000)
    return tab
  }

  async function inTable(url: string, owner: Client, view: string, commitMs: number): Promise<void> {
    say(`scrolling and typing at ${url} …`)
    const frames = await emptyFrames(browser)
    const frame = median(frames)
    const tab = await opened(owner, view, 10_000)
    const scrolled = await scrollThrough(tab, 300)
    const p95 = [...scrolled.frames].sort((a, b) => a - b)[Math.floor(scrolled.frames.length * 0.95)]!
    lines.push(lineOf('scrolling, 95 % of frames', 10_000, p95, frame, 1.5))
    lines.push(lineOf('scrolling, longest task (limit 50 ms)', 10_000, Math.max(0, ...scrolled.longTasks), 50, 1))
    lines.push(
      lineOf(`scrolling, blank frames of ${scrolled.frames.length} (limit none)`, 10_000, scrolled.blank, 1, 0),
    )
    say(
      `  ${(100 * share(scrolled.frames, (ms) => ms <= frame * 1.5)).toFixed(1)} % of frames within 1.5 of an empty page's ${frame.toFixed(1)} ms`,
    )
    lines.push(lineOf('a command, key pressed to painted', 10_000, median(await keyToPaint(tab, 9)), frame, 2))
    const { records } = await owner.directory()
    const [first] = await owner.items(records.project[0]!.id)
    const { command, empty } = await acknowledged(tab, first!, 60)
    lines.push(
      lineOf(
        'a command, acknowledged in the browser',
        10_000,
        median(command.slice(10)),
        median(empty.slice(10)) + commitMs,
        1.5,
      ),
    )
    await tab.context().close()
  }
}

/** A status with 10,000 items is removed and brought back, against an update of the same rows by the same driver. */
async function removingStatus(): Promise<void> {
  const n = 10_000
  const server = await startServer({ env: { WRENLEAF_NOW: '' } })
  const owner = await ownerOf(server)
  const { statuses } = await foundProject(owner, 'BST', n, () => 1)
  const [removed, undone, limits]: [number[], number[], number[]] = [[], [], []]
  for (let i = 0; i < 3; i++) {
    limits.push(await updateOfRows(n))
    const id = v7()
    removed.push(
      await timed(() => done(owner.command('status.remove', { target: statuses[1], how: { to: statuses[0] } }, id))),
    )
    undone.push(await timed(() => done(owner.command('revert', { of: id }))))
  }
  const limit = median(limits)
  lines.push(lineOf('a status with its items removed', n, median(removed), limit, 3))
  lines.push(lineOf('… and brought back by undo', n, median(undone), limit, 3))
  await server.stop()
}
async function done(answer: Promise<{ problem?: { code: string } }>): Promise<void> {
  const { problem } = await answer
  if (problem) throw new Error(problem.code)
}
async function timed(act: () => Promise<unknown>): Promise<number> {
  const from = performance.now()
  await act()
  return performance.now() - from
}

async function ownerOf(server: { url: string; said(): string }): Promise<Client> {
  const client = new Client(server.url)
  const code = /owner code: (\S+)/.exec(server.said())![1]
  client.keep(
    await client.post('/api/owner', {
      code,
      name: 'Otto Fern',
      email: 'otto@allotment.example',
      password: 'a long password',
      workspace: 'Bench',
      timeZone: 'Europe/Berlin',
    }),
  )
  return client
}

/** Of a server that is opened anew, shows one view and rests for a minute; the median of five. */
async function residentReopened(start: Start, look: (server: TestServer) => Promise<void>): Promise<number> {
  const taken: number[] = []
  for (let i = 0; i < 5; i++) {
    const server = await startServer(start)
    await look(server)
    await new Promise((resolve) => setTimeout(resolve, 60_000))
    taken.push(residentKb(server.process.pid!) / 1024)
    await server.stop()
  }
  return median(taken)
}

const residentKb = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1])

try {
  await main()
} finally {
  print(lines)
}
const at = process.argv.indexOf('--json')
if (at > 0) writeFileSync(process.argv[at + 1] ?? 'bench.json', `${JSON.stringify(lines, null, 2)}\n`)
process.exit(lines.every((line) => line.holds) ? 0 : 1)
