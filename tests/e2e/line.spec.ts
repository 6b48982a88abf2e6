import { allFetched, atRest, cardsIn, column, expect, line, stepIn, test, useDemo, watch } from '../kit/pages'
import { CuttableLine } from '../kit/proxy'
import { Client } from '../kit/client'

const demo = useDemo()
/** What Chromium logs when a request cannot be made at all: provoked here on purpose. */
const cutMessages = [
  /ERR_(EMPTY_RESPONSE|CONNECTION_\w+|SOCKET_NOT_CONNECTED|INCOMPLETE_CHUNKED_ENCODING|NETWORK_CHANGED)/,
]

test('what is typed while the line is cut is kept, said, and sent when it is back', async ({ browser }) => {
  const proxy = await CuttableLine.open(demo.server().port)
  const page = await demo.as(browser, 'Imke', { at: 'All items', url: proxy.url, expected: cutMessages })
  const other = await demo.as(browser, 'Hamid', { at: 'All items' })
  await expect(line(page)).toHaveText('up to date')

  proxy.cut()
  // First: the cut holds. The server hears nothing, and the tally says so.
  await expect(line(page)).toHaveText(/Offline/)
  await page.getByLabel('Add an item').fill('Written in the dark')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('contentinfo').getByText(/1 change is waiting/)).toBeVisible()
  await page.waitForTimeout(1200)
  expect(proxy.passedSinceCut).toBe(0)
  expect(proxy.refused).toBeGreaterThan(0)
  await expect(other.getByText('Written in the dark')).toHaveCount(0)

  // Meanwhile someone else goes on.
  await other.locator('[data-row="4"][data-column="1"]').dblclick()
  await other.getByRole('textbox', { name: 'Title' }).fill('Changed meanwhile')
  await other.keyboard.press('Enter')
  await expect(page.getByText('Changed meanwhile')).toHaveCount(0)

  proxy.mend()
  await expect(line(page)).toHaveText('up to date', { timeout: 15_000 })
  await expect(page.locator('[data-row="4"][data-column="1"]')).toContainText('Changed meanwhile')
  await other.getByRole('button', { name: 'and …' }).focus()
  const total = await page.getByRole('grid').getAttribute('aria-rowcount')
  await expect(other.getByRole('grid')).toHaveAttribute('aria-rowcount', total!)
  proxy.close()
})

test('a tab that is closed while the line is cut loses nothing', async ({ browser }) => {
  const proxy = await CuttableLine.open(demo.server().port)
  const context = await browser.newContext({ baseURL: proxy.url })
  const page = watch(await context.newPage(), cutMessages)
  await stepIn(page, 'Mirela')
  await page.getByRole('link', { name: 'Packets' }).click()
  await expect(column(page, 'Noted')).toBeVisible()
  await allFetched(page)
  proxy.cut()
  await expect(line(page)).toHaveText(/Offline/)
  await page.getByRole('button', { name: 'Add an item to Noted' }).click()
  await page.getByLabel('Add an item to Noted').fill('Kept over a closed tab')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('article', { name: /Kept over a closed tab/ })).toBeVisible()
  await expect(page.getByRole('contentinfo').getByText(/1 change is waiting/)).toBeVisible()
  await page.close()
  expect(proxy.passedSinceCut).toBe(0)

  proxy.mend()
  const again = watch(await context.newPage(), cutMessages)
  await again.goto('/app')
  await again.getByRole('link', { name: 'Packets' }).click()
  await expect(again.getByRole('article', { name: /SED-\d+ Kept over a closed tab/ })).toBeVisible()
  await expect(line(again)).toHaveText('up to date')
  const other = await demo.as(browser, 'Imke', { at: 'Packets' })
  await expect(other.getByRole('article', { name: /SED-\d+ Kept over a closed tab/ })).toHaveCount(1)
  await again.close()
  proxy.close()
})

test('a worker that never comes up is followed by another; a browser without shared ones has its own', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Imke', { at: 'All items' })
  const title = page.locator('[data-row="6"][data-column="1"]')
  const rename = async (name: string): Promise<void> => {
    await title.dblclick()
    await page.getByRole('textbox', { name: 'Title' }).fill(name)
    await page.keyboard.press('Enter')
    await expect(line(page)).toHaveText('up to date', { timeout: 15_000 })
    await page.reload()
    await expect(title).toContainText(name)
  }
  await page.addInitScript(() => {
    const Real = SharedWorker
    const names: string[] = []
    Object.assign(window, {
      names,
      SharedWorker: function (url: URL, options: WorkerOptions) {
        names.push(options.name!)
        // As Chromium leaves one behind whose page went while it loaded: its line is there, and nobody at its other end.
        return names.length > 1 ? new Real(url, options) : { port: new MessageChannel().port1 }
      },
    })
  })
  await page.reload()
  await expect(line(page)).toHaveText('up to date', { timeout: 15_000 })
  expect(await page.evaluate('names')).toEqual([expect.stringMatching(/\|0$/), expect.stringMatching(/\|1$/)])
  await rename('Sent by the second worker')

  await page.addInitScript(() => Reflect.deleteProperty(window, 'SharedWorker'))
  await page.reload()
  await expect(line(page)).toHaveText('up to date', { timeout: 15_000 })
  await rename('Sent by a worker of its own')
})

test('eight tabs share one line; a command shows in all of them', async ({ browser }) => {
  // Eight pages on two processors.
  test.setTimeout(150_000)
  const first = await demo.as(browser, 'Noor', { at: 'The works' })
  await first.waitForURL('**/app/GLH/*')
  const tabs = [first]
  for (let i = 1; i < 8; i++) {
    const tab = watch(await first.context().newPage())
    await tab.goto(first.url())
    tabs.push(tab)
  }
  for (const tab of tabs) await expect(cardsIn(tab, 'Ready').first()).toBeVisible()
  const card = cardsIn(first, 'Ready').first()
  const title = (await card.getAttribute('aria-label'))!
  await card.focus()
  await first.keyboard.press('m')
  await first.getByRole('menuitem', { name: /Being checked/ }).click()
  for (const tab of tabs) {
    await expect(column(tab, 'Being checked').getByRole('article', { name: title })).toBeVisible()
    await expect(line(tab)).toHaveText('up to date')
  }
  // Each tab in turn can do something, and is answered.
  for (const [i, tab] of tabs.entries()) {
    const add = tab.getByRole('button', { name: 'Add an item to Noted' })
    await atRest(add)
    await add.click()
    await tab.getByLabel('Add an item to Noted').fill(`From tab ${i}`)
    await tab.keyboard.press('Enter')
    // Only the server gives a number.
    await expect(tab.getByRole('article', { name: new RegExp(`GLH-\\d+ From tab ${i}`) })).toBeVisible()
  }
  const client = await new Client(demo.server().url).stepInAs('Noor')
  const { records } = await client.directory()
  const items = await client.items(records.project.find((project) => project.prefix === 'GLH')!.id)
  expect(items.filter((item) => /^From tab \d$/.test(item.title))).toHaveLength(8)
})

test('signing out ends the session in every tab within a second', async ({ browser }) => {
  const page = await demo.as(browser, 'Jónas', { expected: [/401/] })
  const other = watch(await page.context().newPage(), [/401/])
  await other.goto('/app')
  await expect(other.getByRole('heading', { name: /Jónas/ })).toBeVisible()
  await page.getByRole('button', { name: /Jónas Whitlow: theme/ }).click()
  await page.getByRole('menuitem', { name: 'Sign out' }).click()
  await page.waitForURL('**/sign-in')
  await other.waitForURL('**/sign-in', { timeout: 2000 })
})

test('trouble in the worker is told to its pages', async ({ browser }) => {
  const page = await demo.as(browser, 'Yuki', { expected: [/thrown on purpose/] })
  const told = page.waitForEvent(
    'console',
    (message) => message.type() === 'error' && message.text().includes('thrown on purpose'),
  )
  await page.evaluate(() => {
    const app = (
      document.querySelector('#__nuxt') as unknown as {
        __vue_app__: {
          config: { globalProperties: { $pinia: { _s: Map<string, { api: { provoke(text: string): void } }> } } }
        }
      }
    ).__vue_app__
    app.config.globalProperties.$pinia._s.get('session')!.api.provoke('thrown on purpose')
  })
  expect((await told).text()).toContain('worker:')
})
