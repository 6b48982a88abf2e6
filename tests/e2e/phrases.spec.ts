import type { Page } from '@playwright/test'
import { choose, expect, isAccessible, numberIn, test, useDemo } from '../kit/pages'

const demo = useDemo()
const count = (page: Page) => page.locator('.count b')
const shown = (page: Page) => numberIn(count(page))
const column = (page: Page, at: number) => page.locator(`.item-row [data-column="${at}"]`).allTextContents()
/** Opens the editor of a phrase by the keyboard. */
async function open(page: Page, phrase: string | RegExp): Promise<void> {
  await page.getByRole('button', { name: phrase }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog', { name: 'And …' })).toBeVisible()
}
async function begin(page: Page, suggestion: string): Promise<void> {
  await open(page, 'and …')
  await page.getByRole('combobox', { name: 'And …' }).fill(suggestion)
  await page.keyboard.press('Enter')
}

test('order: by several keys, backwards, blanks first; Escape gives the keyboard back to the phrase', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await open(page, 'in the team’s order')
  await choose(page.getByRole('combobox', { name: 'Sort by' }), 'effort')
  await expect(page.getByRole('button', { name: 'least effort first' })).toBeVisible()
  await choose(page.getByRole('combobox', { name: 'Direction' }), 'most effort first')
  await page.getByRole('checkbox', { name: 'blanks first' }).check()
  await page.getByRole('button', { name: 'then by …' }).click()
  await expect(page.getByRole('button', { name: 'most effort first with blanks first, then sorted by title' })).toBeVisible() // prettier-ignore
  const titles = await column(page, 1)
  expect([...titles.slice(0, 8)]).toEqual([...titles.slice(0, 8)].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }))) // prettier-ignore
  await page.getByRole('checkbox', { name: 'blanks first' }).first().uncheck()
  await expect(page.locator('.item-row .key').first()).not.toHaveText('GLH-1')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'most effort first, then sorted by title' })).toBeFocused()
  await page.getByRole('button', { name: 'Undo changes' }).click()
  await expect(page.getByRole('button', { name: 'in the team’s order' })).toBeVisible()
})

test('numbers: from and to, what is no number is said, and nothing is lost', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const all = await shown(page)
  await begin(page, 'effort')
  await choose(page.getByRole('combobox', { name: 'What about effort' }), 'is')
  await page.getByRole('textbox', { name: 'at least' }).fill('5')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'effort is at least 5' })).toBeVisible()
  await expect.poll(() => shown(page)).toBeLessThan(all)
  const least = await shown(page)
  await page.getByRole('textbox', { name: 'at most' }).fill('8,5')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: 'effort is 5 to 8.5' })).toBeVisible()
  await expect.poll(() => shown(page)).toBeLessThan(least)
  await page.getByRole('textbox', { name: 'at most' }).fill('many')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('alert').filter({ hasText: 'many' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'effort is 5 to 8.5' })).toBeVisible()
  await page.keyboard.press('Escape')
  await open(page, 'effort is 5 to 8.5')
  await page.getByRole('button', { name: 'Remove this phrase' }).click()
  await expect.poll(() => shown(page)).toBe(all)
})

test('days: the counts that spans would give are those that they give', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke', { at: 'All items' })
  await begin(page, 'where due')
  for (const span of ['this week', 'before today', 'in the next 10 working days', 'any day']) {
    const line = page.getByRole('menuitemradio', { name: new RegExp(`^${span}`) })
    await expect(line).toHaveText(/\d+$/)
    const told = Number(/\d+$/.exec((await line.textContent())!)![0])
    await line.click()
    await expect(page.getByRole('button', { name: `due is ${span}` })).toBeVisible()
    await expect.poll(() => shown(page)).toBe(told)
  }
  await choose(page.getByRole('combobox', { name: 'Before or after today' }), 'in the last')
  await page.getByRole('textbox', { name: 'How many' }).fill('3')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: /^due is in the last 3/ })).toBeVisible()
})

test('groups and totals: heads say what theirs add up to, in the order that is asked for', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await begin(page, 'add totals')
  await expect(page.getByRole('button', { name: 'sum of effort', exact: true })).toBeVisible()
  await page.keyboard.press('Escape')
  await begin(page, 'group by')
  const by = page.getByRole('combobox', { name: 'group by …' })
  await expect(by).toBeVisible()
  await choose(by, 'need')
  await choose(page.getByRole('combobox', { name: 'Order of the groups' }), 'most sum of effort first')
  await expect(page.getByRole('button', { name: 'by need in reverse in order of sum of effort' })).toBeVisible()
  await page.keyboard.press('Escape')
  const heads = page.getByRole('gridcell', { name: /^Fold / })
  await expect(page.getByRole('row').filter({ has: heads.first() })).toContainText(/sum of effort [\d.]+ h/)
  // All folded: the heads alone, their sums from the most to the least.
  const folded = page.getByRole('gridcell', { name: /^Unfold / })
  for (let n = 0; n < 5; n++) {
    await heads.first().click()
    await expect(folded).toHaveCount(n + 1)
  }
  await expect(heads).toHaveCount(0)
  const sums = (await folded.evaluateAll((all) => all.map((one) => one.closest('[role=row]')!.textContent))).map((text) => Number(/sum of effort ([\d.]+)/.exec(text)?.[1] ?? 0)) // prettier-ignore
  expect(sums).toEqual([...sums].sort((a, b) => b - a))
  const whole = Number(/sum of effort ([\d.]+)/.exec((await page.getByRole('contentinfo').textContent())!)![1])
  expect(sums.reduce((a, b) => a + b, 0)).toBeCloseTo(whole)
})

test('every editor is accessible, and on a phone it lies within the screen', async ({ browser }) => {
  test.setTimeout(180_000)
  const typed = 'late or mine, due this week, effort at least 1, need is must, by bay then status, sum of effort'
  const phrases = [/^any of/, /^due is/, /^effort is/, /^need is/, /^by bay/, 'in the team’s order', 'sum of effort', /^6 fields/, 'table', 'and …'] // prettier-ignore
  for (const phone of [false, true]) {
    const page = await demo.as(browser, 'Séverine', phone ? { phone } : { at: 'All items' })
    if (phone) {
      await page.getByRole('button', { name: 'Views' }).click()
      await page.getByRole('link', { name: 'All items', exact: true }).first().click()
      await page.getByRole('button', { name: 'all phrases' }).click()
    }
    await page.getByRole('button', { name: 'and …' }).click()
    await page.getByRole('combobox', { name: 'And …' }).fill(typed)
    await expect(page.getByRole('option', { name: /any of/ })).toBeVisible()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: /^any of/ })).toBeVisible()
    for (const phrase of phrases) {
      await page.getByRole('button', { name: phrase, ...(typeof phrase === 'string' && { exact: true }) }).click()
      const editor = page.getByRole('dialog', { name: 'And …' })
      await expect(editor).toBeVisible()
      const box = (await editor.boundingBox())!
      const { width, height } = page.viewportSize()!
      expect(box.x, String(phrase)).toBeGreaterThanOrEqual(0)
      expect(box.x + box.width, String(phrase)).toBeLessThanOrEqual(width)
      expect(box.y + box.height, String(phrase)).toBeLessThanOrEqual(height)
      if (!phone) await isAccessible(page, String(phrase), { within: '.v-overlay__content' })
      await page.keyboard.press('Escape')
      await expect(editor).toHaveCount(0)
    }
  }
})

test('what is typed into a view belongs there, also where there is nothing yet', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await page.getByRole('button', { name: 'Start a project' }).click()
  await page.getByLabel('Name').fill('Herb spiral')
  await page.getByRole('button', { name: 'Start the project' }).click()
  await expect(page.getByRole('heading', { name: 'Nothing here yet' })).toBeVisible()
  await page.getByRole('link', { name: 'All items', exact: true }).last().click()
  await page.getByRole('button', { name: 'and …' }).click()
  const typed = page.getByRole('combobox', { name: 'And …' })
  await typed.fill('need is must, assignees include Hamid, in hand, effort at least 2, due today, by need then status')
  await expect(page.getByRole('option', { name: /by need then status/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'No item matches every phrase' })).toBeVisible()
  for (const title of ['Order the stones', 'Dig the footing']) {
    await page.getByRole('textbox', { name: 'Add an item' }).fill(title)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('gridcell', { name: title })).toBeVisible()
  }
  await expect(page.getByRole('gridcell', { name: 'Fold must, 2 items' })).toBeVisible()
  await expect(page.getByRole('gridcell', { name: 'Fold In hand, 2 items' })).toBeVisible()
  // One that is changed so that it does not belong any more goes once the keyboard leaves it.
  await page.getByRole('gridcell', { name: 'HER-1', exact: true }).click()
  const panel = page.getByRole('complementary', { name: 'Item' })
  await expect(panel.getByText('Shown here: it matches every phrase.')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'need is must' }).click()
  await page.getByRole('option', { name: /^could/ }).click()
  await page.getByRole('option', { name: /^must/ }).click()
  await expect(count(page)).toHaveText('0')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo changes' }).click()
  await expect(count(page)).toHaveText('2')
})

test('the list under what is typed: arrows, Home, End, Enter; nothing found is said; the search has the same', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Imke', { at: 'All items' })
  await open(page, 'and …')
  const typed = page.getByRole('combobox', { name: 'And …' })
  const at = async () => page.locator(`[id="${(await typed.getAttribute('aria-activedescendant'))!}"]`)
  await expect(await at()).toHaveText('where status …')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await expect(await at()).toHaveText('where people …')
  await page.keyboard.press('ArrowUp')
  await expect(await at()).toHaveText('where phase …')
  await page.keyboard.press('End')
  await expect(await at()).toHaveText('add totals …')
  await expect(await at()).toBeInViewport()
  await page.keyboard.press('ArrowDown')
  await expect(await at()).toHaveText('add totals …')
  await page.keyboard.press('Home')
  await expect(await at()).toHaveText('where status …')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^the status is/ })).toBeVisible()
  const values = page.getByRole('combobox', { name: 'status', exact: true })
  await values.fill('zzz')
  await expect(page.getByText('Nothing found')).toBeVisible()
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: /^the status is/ })).toBeFocused()
  // Enter at once takes what is found for what was typed last.
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: 'Search' }).fill('Lag the return pipes')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('complementary', { name: 'Item' }).getByText('GLH-7')).toBeVisible()
})
