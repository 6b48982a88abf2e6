import { choose, expect, numberIn, test, useDemo, saveForAll } from '../kit/pages'
import type { Page } from '@playwright/test'

const demo = useDemo()

const count = (page: Page) => page.locator('.count b')
const keys = (page: Page) => page.locator('.item-row .key').allTextContents()
async function type(page: Page, text: string, understood: RegExp): Promise<void> {
  await page.getByRole('button', { name: 'and …' }).click()
  await page.getByRole('combobox', { name: 'And …' }).fill(text)
  await expect(page.getByRole('option', { name: understood })).toBeVisible()
  await page.keyboard.press('Enter')
}

test('a view built by clicks and the same by typing give the same rows', async ({ browser }) => {
  const clicked = await demo.as(browser, 'Séverine', { at: 'All items' })
  const all = await numberIn(count(clicked))
  await clicked.getByRole('button', { name: 'and …' }).click()
  await clicked.getByRole('option', { name: 'where phase …' }).click()
  await clicked.getByRole('option', { name: 'active' }).click()
  await expect(clicked.getByRole('button', { name: 'it’s waiting', exact: true })).toBeVisible()
  await clicked.keyboard.press('Escape')
  await clicked.getByRole('button', { name: 'and …' }).click()
  await clicked.getByRole('option', { name: 'where need …' }).click()
  await choose(clicked.getByRole('combobox', { name: 'What about need' }), 'is')
  await clicked.getByRole('option', { name: /^must/ }).click()
  await clicked.getByRole('option', { name: /should/ }).click()
  await clicked.keyboard.press('Escape')
  await clicked.getByRole('button', { name: 'and …' }).click()
  await clicked.getByRole('combobox', { name: 'And …' }).fill('group')
  await clicked.getByRole('option', { name: 'group by …' }).click()
  await choose(clicked.getByRole('combobox', { name: 'group by …' }), 'bay')
  await clicked.keyboard.press('Escape')
  await clicked.getByRole('button', { name: 'in the team’s order' }).click()
  await choose(clicked.getByRole('combobox', { name: 'Sort by' }), 'due')
  await clicked.keyboard.press('Escape')

  const typed = await demo.as(browser, 'Séverine', { at: 'All items' })
  await type(typed, 'waiting, need is must or should, by bay, soonest due first', /need is must or should/)
  const sentence = (page: Page) => page.locator('.sentence-text').innerText()
  await expect(count(typed)).toHaveText((await count(clicked).textContent())!)
  expect(await sentence(typed)).toBe(await sentence(clicked))
  expect(await keys(typed)).toEqual(await keys(clicked))
  expect((await keys(typed)).length).toBeGreaterThan(5)
  expect(await numberIn(count(typed))).toBeLessThan(all)
  // Heads fold by keyboard, and say what they hold.
  const head = typed.getByRole('gridcell', { name: /^Fold Palm court/ })
  await head.focus()
  await typed.keyboard.press('ArrowLeft')
  await expect(typed.getByRole('gridcell', { name: /^Unfold Palm court/ })).toBeVisible()
})

test('words that are not understood are said, and the rest is taken', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke', { at: 'All items' })
  await type(page, 'late, flurbs, asignees has Hamid', /it’s late/)
  await expect(page.getByRole('button', { name: 'it’s late' })).toBeVisible()
  // A given name that no other has is enough, and a letter may be missing.
  await expect(page.getByRole('button', { name: 'assignees include Hamid Torvald' })).toBeVisible()
  await page.getByRole('button', { name: 'and …' }).click()
  await page.getByRole('combobox', { name: 'And …' }).fill('flurbs')
  await expect(page.getByText('This wasn’t understood: flurbs')).toBeVisible()
})

test('another person sees their own items in the view that they share', async ({ browser }) => {
  const lead = await demo.as(browser, 'Séverine', { at: 'All items' })
  const member = await demo.as(browser, 'Hamid', { at: 'All items' })
  await type(lead, 'mine or late', /any of/)
  await saveForAll(lead)
  await expect(member.getByRole('button', { name: 'any of (it’s your turn; it’s late)' })).toBeVisible()
  expect(await keys(member)).not.toEqual(await keys(lead))
  await lead.keyboard.press('Control+z')
  await expect(member.getByRole('button', { name: 'any of (it’s your turn; it’s late)' })).toBeHidden()
})

test('why an item is not here: phrases that leave it out, an empty view, the search, and the archive', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await type(page, 'finished', /it’s finished/)
  await expect(page.getByRole('button', { name: 'it’s finished' })).toBeVisible()
  // The search says which are not in the view; opened, the item says which phrase leaves it out, with its value.
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: 'Search' }).fill('Lag the return pipes')
  await expect(page.getByRole('option', { name: /GLH-7 .*not in this view/ })).toBeVisible()
  await page.keyboard.press('Enter')
  const panel = page.getByRole('complementary', { name: 'Item' })
  await expect(panel.getByText('Hidden here by one phrase.')).toBeVisible()
  await expect(panel.getByText('phase: waiting')).toBeVisible()
  await panel.getByRole('button', { name: 'Remove this phrase' }).click()
  await expect(panel.getByText('Shown here: this view leaves nothing out.')).toBeVisible()
  // What is archived is in no view.
  await panel.getByRole('button', { name: 'Archive', exact: true }).click()
  await expect(panel.getByText('Hidden here: it’s archived.')).toBeVisible()
  await page.keyboard.press('Escape')
  // An empty view says what each phrase leaves.
  await type(page, 'dropped, nobody’s turn', /it’s nobody’s turn/)
  await expect(page.getByText('No item matches every phrase')).toBeVisible()
  await expect(page.getByText('0 together with the phrases above')).toBeVisible()
})

test('nested phrases are edited where they stand, with the counts that each value would give', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const all = await numberIn(count(page))
  await type(page, 'late', /it’s late/)
  await expect.poll(() => numberIn(count(page))).toBeLessThan(all)
  const late = await numberIn(count(page))
  await page.getByRole('button', { name: 'it’s late' }).click()
  await page.getByRole('button', { name: 'or …' }).click()
  await page.getByRole('combobox', { name: 'Add a condition' }).fill('need is must')
  await expect(page.getByRole('option', { name: /need is must/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'any of (it’s late; need is must)' })).toBeVisible()
  await expect.poll(() => numberIn(count(page))).toBeGreaterThan(late)
  await page.getByRole('button', { name: 'need is must', exact: true }).click()
  const should = page.getByRole('option', { name: /should \d+/ })
  await expect(should).toBeVisible()
  const before = await numberIn(count(page))
  await should.click()
  await expect.poll(() => numberIn(count(page))).toBeGreaterThan(before)
})

test('where items stood some days ago comes from the server', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke', { at: 'All items' })
  const all = await numberIn(count(page))
  await type(page, '6 days ago the status was Ready or Noted', /6 days ago the status was/)
  await expect(page.getByRole('button', { name: '6 days ago the status was Ready or Noted' })).toBeVisible()
  const shown = () => numberIn(count(page))
  const isPart = (some: number) => some > 0 && some < all
  await expect.poll(async () => isPart(await shown())).toBe(true)
  const then = await shown()
  // Some of them have moved on since.
  await type(page, 'finished', /it’s finished/)
  await expect.poll(() => numberIn(count(page))).toBeLessThan(then)
})
