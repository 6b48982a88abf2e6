/** Browser tests: a server for each file, people who step in, and no error that nobody expected. */
import AxeBuilder from '@axe-core/playwright'
import { expect, test as base, type Browser, type Locator, type Page } from '@playwright/test'
import { startDemo, type Start, type TestServer } from './server'

export { expect }

interface Watched {
  readonly page: Page
  readonly said: string[]
}
const watched: Watched[] = []

export const test = base.extend<{ noTrouble: undefined }>({
  noTrouble: [
    // eslint-disable-next-line no-empty-pattern -- Playwright reads the fixtures it is to give from this pattern
    async ({}, use, test) => {
      watched.length = 0
      await use(undefined)
      if (test.status !== test.expectedStatus) for (const { page } of watched) await tell(page)
      expect(watched.flatMap((one) => one.said), 'what the browser logged as an error').toEqual([])
      for (const { page } of watched) await page.context().close()
    },
    { auto: true },
  ],
}) // prettier-ignore

/** Prints what a page shows, for whoever has no more of a failure than what was printed. */
async function tell(page: Page): Promise<void> {
  const text = await page.locator('body').innerText({ timeout: 1000 }).catch(String) // prettier-ignore
  console.log(`${page.url()}\n${text.slice(0, 1500)}`)
}

/** Every console error, page error and trouble in the worker fails the test, but for messages that it names. */
export function watch(page: Page, expected: readonly RegExp[] = []): Page {
  const said: string[] = []
  const add = (text: string) => expected.some((pattern) => pattern.test(text)) || said.push(text)
  page.on('console', (message) => message.type() === 'error' && add(`${message.text()} (${message.location().url})`))
  page.on('pageerror', (error) => add(`${error.name}: ${error.message}\n${error.stack}`))
  watched.push({ page, said })
  return page
}

export interface Demo {
  server(): TestServer
  /** A new browser context in which someone of the demo has stepped in. */
  as(
    browser: Browser,
    name: string,
    more?: { at?: string; url?: string; expected?: readonly RegExp[]; phone?: boolean },
  ): Promise<Page>
}

/** A demo of this file's own. */
export function useDemo(start: Start = {}): Demo {
  let server: TestServer
  base.beforeAll(async () => {
    server = await startDemo(start)
  })
  base.afterAll(async () => {
    await server.stop()
  })
  return {
    server: () => server,
    async as(browser, name, more = {}) {
      const context = await browser.newContext({
        baseURL: more.url ?? server.url,
        ...(more.phone && { viewport: { width: 390, height: 844 }, hasTouch: true }),
      })
      const page = watch(await context.newPage(), more.expected)
      await stepIn(page, name)
      if (more.at) {
        await page.getByRole('link', { name: more.at, exact: true }).first().click()
        await expect(page.getByRole('button', { name: 'and …' })).toBeVisible()
        await expect(page.locator('.count b')).toBeVisible()
      }
      return page
    },
  }
}

/** Scrolls it into sight and waits until it stays where it is: a list that is scrolled draws and measures more of itself. */
export async function atRest(place: Locator): Promise<void> {
  let before = ''
  await expect(async () => {
    await place.scrollIntoViewIfNeeded()
    const now = JSON.stringify(await place.boundingBox())
    const isStill = now === before
    before = now
    expect(isStill).toBe(true)
  }).toPass({ intervals: [150] })
}

export async function stepIn(page: Page, name: string): Promise<void> {
  await page.goto('/sign-in')
  await page.getByRole('button', { name: new RegExp(name) }).click()
  await page.waitForURL('**/app')
  await expect(page.getByRole('heading', { name: new RegExp(`, ${name}`) })).toBeVisible()
}

/** The cards of a column, by the column's name. */
export const column = (page: Page, name: string) => page.getByRole('region', { name, exact: true })
export const cardsIn = (page: Page, name: string) => column(page, name).getByRole('article')
/** The number in it, or the one in what has that form, once there is one: what is still being counted shows none. */
export async function numberIn(place: Locator, form = /(-?[\d,]*\d(?:\.\d+)?)/): Promise<number> {
  await expect(place).toContainText(form)
  return Number(form.exec(await place.innerText())![1]!.replaceAll(',', ''))
}
/** The tally's word on the line. */
export const line = (page: Page) => page.getByRole('contentinfo').getByRole('status')

/**
 * Nothing that the accessibility rules (WCAG 2.2, A and AA) find fault with. `rules`: only these of them; `within`: only
 * there, where the rest has been looked at.
 */
export async function isAccessible(
  page: Page,
  what: string,
  { rules, within }: { rules?: readonly string[]; within?: string } = {},
): Promise<void> {
  // What is as it should be is not written down for each of a view's thousand elements, nor is anything gathered from
  // frames: there are none.
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode()
  if (within) axe.include(within)
  const { violations } = await (
    rules?.length ? axe.withRules([...rules]) : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
  ).analyze()
  expect(
    violations.map(
      (result) =>
        `${what}: ${result.id}: ${result.nodes
          .map((node) => node.target.join(' '))
          .slice(0, 3)
          .join(', ')}`,
    ),
  ).toEqual([])
}

/** Chooses from a list that opens where it stands. */
export async function choose(list: Locator, option: string | RegExp): Promise<void> {
  const line = list.page().getByRole('option', { name: option, exact: true })
  // A list that is drawn again while it opens closes: one would press once more.
  await expect(async () => {
    if (!(await line.isVisible())) await list.press('ArrowDown')
    await line.click({ timeout: 1500 })
  }).toPass()
}

/** Goes where a file is brought into a project, by the project's menu. */
export async function bringInto(page: Page, project: string): Promise<void> {
  await page.getByRole('button', { name: `What you can do with ${project}` }).click()
  await page.getByRole('menuitem', { name: 'Bring in a file' }).click()
}

/** Waits until a page has fetched what it fetches once it stands. */
export async function allFetched(page: Page): Promise<void> {
  let before = -1
  await expect(async () => {
    const now = await page.evaluate(() => performance.getEntriesByType('resource').length)
    const isSame = now === before
    before = now
    expect(isSame).toBe(true)
  }).toPass({ intervals: [700] })
}

/** Saves a shared view as it was changed, once it has said what that changes. */
export async function saveForAll(page: Page): Promise<void> {
  const save = { name: 'Save for everyone' }
  await page.getByRole('button', save).click()
  await page.getByRole('dialog').getByRole('button', save).click()
}

/** Types phrases after *and …*. */
export async function say(page: Page, words: string): Promise<void> {
  await page.getByRole('button', { name: 'and …' }).click()
  await page.getByRole('combobox', { name: 'And …' }).fill(words)
  await expect(page.locator('.understood')).toBeVisible()
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
}

/** Lists what can be done with the view that is open. */
export const viewActs = (page: Page) => page.getByRole('button', { name: 'What you can do with this view' }).click()
/** Does something with the view that is open. */
export async function act(page: Page, name: string): Promise<void> {
  await viewActs(page)
  await page.getByRole('menuitem', { name, exact: true }).click()
}
