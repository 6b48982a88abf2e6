/** What is measured in Chromium, and the bare pages that set the limits there. */
import { readdirSync, readFileSync } from 'node:fs'
import { chromium, type Browser, type BrowserContext, type Locator, type Page } from '@playwright/test'
import type { Client } from '../tests/kit/client'
import { median } from './line'

export const launch = (): Promise<Browser> =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  })

export async function contextFor(browser: Browser, client: Client): Promise<BrowserContext> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: client.url })
  const [name = '', value = ''] = client.cookie.split('=')
  await context.addCookies([{ name, value, url: client.url }])
  return context
}

/** CPU time of every browser process so far, in ms (ticks of 10 ms). */
function browserCpu(): number {
  let ticks = 0
  for (const pid of readdirSync('/proc'))
    if (/^\d+$/.test(pid))
      try {
        const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
        if (!stat.includes('(chrom')) continue
        const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
        ticks += Number(fields[11]) + Number(fields[12])
      } catch {
        // It ended while we looked.
      }
  return ticks * 10
}

/**
 * Says on the console when at least `rows` matches of `selector` have been painted, and when nothing of the page is inert
 * any more: nothing else runs in it.
 */
const watchPaint = ({ selector, rows }: { selector: string; rows: number }) => {
  const look = () => {
    if (document.querySelectorAll(selector).length < rows) return requestAnimationFrame(look)
    requestAnimationFrame(() => {
      const painted = performance.now()
      const lookOn = () =>
        document.querySelector('[inert]')
          ? void requestAnimationFrame(lookOn)
          : console.info(`painted after ${painted} ${performance.now()}`)
      lookOn()
    })
  }
  requestAnimationFrame(look)
}

/** In ms from navigation, and of all browser processes together. */
interface Painted {
  readonly ms: number
  /** From painted rows until they can be worked with. */
  readonly untilLive: number
  readonly cpuMs: number
}

async function untilPainted(context: BrowserContext, path: string, selector: string, rows: number): Promise<Painted> {
  const page = await context.newPage()
  await page.addInitScript(watchPaint, { selector, rows })
  // The new tab's process goes on starting up for a while, which is not what is measured.
  await page.waitForTimeout(1500)
  const before = browserCpu()
  const painted = page.waitForEvent('console', {
    predicate: (message) => message.text().startsWith('painted after '),
    timeout: 120_000,
  })
  await page.goto(path, { waitUntil: 'commit' })
  const [ms = NaN, live = NaN] = (await painted).text().slice('painted after '.length).split(' ').map(Number)
  const cpuMs = browserCpu() - before
  await page.close()
  return { ms, untilLive: live - ms, cpuMs }
}

const bareWorker = `onmessage = async ({ data }) => { const answer = await fetch(data); const payload = JSON.parse(await answer.text()); postMessage(payload.ids.slice(0, 40).map((id, i) => payload.columns.title[i])) }`
const barePage = (path: string) => `<!doctype html><meta charset="utf-8"><title>bare</title><body><script>
const worker = new Worker('/bare-worker.js'); worker.onmessage = ({ data }) => { for (const title of data) { const row = document.createElement('div'); row.className = 'bare'; row.textContent = title; document.body.append(row) } }; worker.postMessage(${JSON.stringify(path)})</script>`

/** From navigation to painted rows, in a browser that has never seen the page: ours, and the bare page's. */
export async function opening(
  browser: Browser,
  client: Client,
  view: string,
  project: string,
  runs: number,
): Promise<{ ours: Painted; bare: Painted }> {
  const [ours, bare]: [Painted[], Painted[]] = [[], []]
  for (let i = 0; i < runs; i++) {
    const context = await contextFor(browser, client)
    await context.route('**/bare', (route) =>
      route.fulfill({ contentType: 'text/html', body: barePage(`/api/projects/${project}/items`) }),
    )
    await context.route('**/bare-worker.js', (route) =>
      route.fulfill({ contentType: 'text/javascript', body: bareWorker }),
    )
    bare.push(await untilPainted(context, '/bare', '.bare', 40))
    await context.close()
    const fresh = await contextFor(browser, client)
    ours.push(await untilPainted(fresh, view, '[role=gridcell].title', 15))
    await fresh.close()
  }
  const middle = (all: Painted[]): Painted => ({
    ms: median(all.map((painted) => painted.ms)),
    untilLive: median(all.map((painted) => painted.untilLive)),
    cpuMs: median(all.map((painted) => painted.cpuMs)),
  })
  return { ours: middle(ours), bare: middle(bare) }
}

/** Frames of an empty page, in ms. */
export async function emptyFrames(browser: Browser): Promise<number[]> {
  const page = await browser.newPage()
  const frames = await page.evaluate(() => new Promise<number[]>((resolve) => {
    const times: number[] = []
    const next = (at: number) => (times.push(at) < 180 ? requestAnimationFrame(next) : resolve(times.slice(1).map((time, i) => time - times[i]!)))
    requestAnimationFrame(next)
  })) // prettier-ignore
  await page.close()
  return frames
}

export interface Scrolled {
  readonly frames: number[]
  readonly blank: number
  readonly longTasks: number[]
}

/** Scrolls from the first row to the last, or for so many frames, and back; counts frames in which some row in sight has nothing in it. */
export function scrollThrough(page: Page, step: number, most = 1e9): Promise<Scrolled> {
  return page.evaluate(async ({ step, most }) => {
    const scroller = document.querySelector<HTMLElement>(':is([role=grid], [role=treegrid])')!
    const longTasks: number[] = []
    const observer = new PerformanceObserver((list) =>
      longTasks.push(...list.getEntries().map((entry) => entry.duration)),
    )
    observer.observe({ type: 'longtask' })
    const times: number[] = []
    let blank = 0
    const box = scroller.getBoundingClientRect()
    const isBlank = () => {
      // Three places in sight must lie on a row whose title can be read, unless they are beyond the last row.
      return [0.15, 0.5, 0.9].some((share) => {
        const y = box.top + 34 + (box.height - 36) * share
        const row = document.elementFromPoint(box.left + 160, y)?.closest('[role=row]')
        const isBeyond = scroller.scrollTop + (y - box.top) > scroller.scrollHeight - 2
        return !isBeyond && !row?.querySelector('[role=gridcell].title')?.textContent
      })
    }
    const scrollTo = (way: 1 | -1) =>
      new Promise<void>((resolve) => {
        let scrolled = 0
        const next = (at: number) => {
          times.push(at)
          if (isBlank()) blank++
          const end =
            way > 0 ? scroller.scrollTop + scroller.clientHeight >= scroller.scrollHeight - 2 : scroller.scrollTop <= 0
          if (end || ++scrolled > most) return resolve()
          scroller.scrollTop += way * step
          requestAnimationFrame(next)
        }
        requestAnimationFrame(next)
      })
    await scrollTo(1)
    await scrollTo(-1)
    observer.disconnect()
    return { frames: times.slice(1).map((time, i) => time - times[i]!), blank, longTasks }
  }, { step, most }) // prettier-ignore
}

/** From a press on another view in the index to its items painted: from the table to the board and back, both together. */
export async function changingView(
  page: Page,
  views: { table: string; board: string },
  runs: number,
): Promise<number[]> {
  const taken: number[] = []
  const change = (path: string, selector: string) =>
    page.evaluate(({ path, selector }) => new Promise<number>((resolve) => {
      const link = document.querySelector<HTMLElement>(`nav a[href="${path}"]`)!
      const from = performance.now()
      link.click()
      const look = () => {
        if (document.querySelectorAll(selector).length < 10) return requestAnimationFrame(look)
        const { port1, port2 } = new MessageChannel()
        port1.onmessage = () => resolve(performance.now() - from)
        port2.postMessage(0)
      }
      requestAnimationFrame(look)
    }), { path, selector }) // prettier-ignore
  for (let i = 0; i < runs; i++) {
    const there = await change(views.board, 'main article')
    await page.waitForTimeout(300)
    taken.push(there + (await change(views.table, '[role=gridcell].title')))
    await page.waitForTimeout(300)
  }
  return taken
}

/** The tasks of the page's own thread that took longer than 50 ms, in ms, while a view is filtered, grouped, ordered and scrolled. */
export async function longTasksOfEditing(
  page: Page,
): Promise<{ scrolling: number[]; blank: number; editing: number[]; sentence: string }> {
  const longTasks = () => page.evaluate(() => (globalThis as unknown as { longTasks: number[] }).longTasks.splice(0))
  // One that is too long on purpose must be seen.
  await page.evaluate(() => {
    const kept: number[] = []
    Object.assign(globalThis, { longTasks: kept })
    new PerformanceObserver((list) => kept.push(...list.getEntries().map((entry) => entry.duration))).observe({
      type: 'longtask',
    })
    setTimeout(() => {
      for (const until = performance.now() + 80; performance.now() < until;);
    })
  })
  await page.waitForTimeout(500)
  if (!(await longTasks()).length) throw new Error('a long task is not seen')
  const [count, sentence] = [page.locator('.count b'), page.locator('.sentence-text')]
  const another = async (text: Locator, work: () => Promise<void>) => {
    const before = await text.textContent()
    await work()
    for (let i = 0; (await text.textContent()) === before; i++) {
      if (i > 1000) throw new Error(`nothing changed after ${before}`)
      await page.waitForTimeout(20)
    }
    await page.waitForTimeout(500)
  }
  const typed = (text: string) =>
    another(sentence, async () => {
      await page.getByRole('button', { name: 'and …' }).click()
      await page.getByRole('combobox', { name: 'And …' }).pressSequentially(text, { delay: 30 })
      await page.keyboard.press('Enter')
    })
  // All of them, from the first to the last and back.
  const { blank } = await scrollThrough(page, 3000)
  const scrolling = await longTasks()
  await typed('not finished')
  await typed('need is must')
  await page.getByRole('button', { name: 'need is must' }).click()
  // Each press of a value asks anew, with the counts that each value would give.
  for (const value of [/^should/, /^could/, /^should/, /^must/])
    await another(count, () => page.getByRole('option', { name: value }).click())
  await page.keyboard.press('Escape')
  await typed('title has ridge')
  await typed('by status then need, sum of effort')
  await typed('soonest due first')
  await scrollThrough(page, 300)
  await typed('by assignees, most effort first')
  return { scrolling, blank, editing: await longTasks(), sentence: (await sentence.textContent()) ?? '' }
}

/** From the key that ends a title's edit to the frame in which the new title has been painted. */
export async function keyToPaint(page: Page, runs: number): Promise<number[]> {
  const taken: number[] = []
  for (let i = 0; i < runs; i++) {
    await page.locator(`[data-row="${2 + i}"][data-column="1"]`).dblclick()
    const text = `Written in run ${i} ${Date.now()}`
    await page.getByRole('textbox', { name: 'Title' }).fill(text)
    taken.push(await page.evaluate((text) => new Promise<number>((resolve) => {
      const input = document.activeElement as HTMLInputElement
      const afterFrame = (done: () => void) => {
        const { port1, port2 } = new MessageChannel()
        port1.onmessage = done
        port2.postMessage(0)
      }
      requestAnimationFrame(() => {
        const from = performance.now()
        input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }))
        const look = () => {
          const shown = [...document.querySelectorAll('[role=gridcell].title')].some((one) => one.textContent?.startsWith(text))
          // It stands before a frame is drawn; a message sent then is handled when that frame has been.
          if (shown) return afterFrame(() => resolve(performance.now() - from))
          requestAnimationFrame(look)
        }
        requestAnimationFrame(look)
      })
    }), text)) // prettier-ignore
    await page.keyboard.press('Escape')
  }
  return taken
}

/** From a command given to the worker to its last word, and an empty POST, both in the page. */
export async function acknowledged(
  page: Page,
  item: { id: string; title: string },
  runs: number,
): Promise<{ command: number[]; empty: number[] }> {
  return page.evaluate(async ({ item, runs }) => {
    const app = (document.querySelector('#__nuxt') as unknown as { __vue_app__: { config: { globalProperties: { $pinia: { _s: Map<string, { api: { send(id: string, command: object): Promise<unknown>; settled(id: string): Promise<unknown> } }> } } } } }).__vue_app__
    const { api } = app.config.globalProperties.$pinia._s.get('session')!
    const command: number[] = []
    const empty: number[] = []
    let from = item.title
    for (let i = 0; i < runs; i++) {
      const id = `019${Date.now().toString(16).padStart(8, '0').slice(-5)}-${i.toString(16).padStart(4, '0')}-7000-8000-${Math.floor(performance.now() * 1000).toString(16).padStart(12, '0')}`
      const to = `acknowledged ${i}`
      let at = performance.now()
      await api.send(id, { type: 'items.set', items: [{ item: item.id, set: { title: { from, to } } }] })
      await api.settled(id)
      command.push(performance.now() - at)
      from = to
      at = performance.now()
      await (await fetch('/api/welcome-nothing', { method: 'POST' })).text()
      empty.push(performance.now() - at)
    }
    return { command, empty }
  }, { item, runs }) // prettier-ignore
}

/** Heap in use of the page and of its shared worker, in MB, after a collection, by the browser's own protocol. */
export async function heapsOf(browser: Browser, page: Page): Promise<{ page: number; worker: number }> {
  const protocol = await browser.newBrowserCDPSession()
  const { targetInfos } = await protocol.send('Target.getTargets')
  const usedBy = async (targetId: string): Promise<number> => {
    const { sessionId } = await protocol.send('Target.attachToTarget', { targetId, flatten: false })
    let next = 1
    const ask = (method: string) =>
      new Promise<Record<string, number>>((resolve) => {
        const id = next++
        const hear = ({ sessionId: from, message }: { sessionId: string; message: string }) => {
          const told = JSON.parse(message) as { id?: number; result?: Record<string, number> }
          if (from !== sessionId || told.id !== id) return
          protocol.off('Target.receivedMessageFromTarget', hear)
          resolve(told.result ?? {})
        }
        protocol.on('Target.receivedMessageFromTarget', hear)
        void protocol.send('Target.sendMessageToTarget', { sessionId, message: JSON.stringify({ id, method }) })
      })
    await ask('HeapProfiler.enable')
    await ask('HeapProfiler.collectGarbage')
    const { usedSize = NaN, backingStorageSize = 0 } = await ask('Runtime.getHeapUsage')
    return (usedSize + backingStorageSize) / 1_048_576
  }
  const idOf = (type: string) => targetInfos.find((target) => target.type === type && target.url.startsWith(new URL(page.url()).origin))?.targetId // prettier-ignore
  const [ofPage, ofWorker] = [idOf('page'), idOf('shared_worker')]
  if (!ofPage || !ofWorker) throw new Error('the page or its worker was not found')
  const used = { page: await usedBy(ofPage), worker: await usedBy(ofWorker) }
  await protocol.detach()
  return used
}
