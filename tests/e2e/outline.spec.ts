import type { Page } from '@playwright/test'
import { expect, isAccessible, numberIn, test, useDemo } from '../kit/pages'

const demo = useDemo()
/** The same view as an outline, in its own order, open to its second level. */
async function asOutline(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'table', exact: true }).click()
  await page.getByRole('menuitemradio', { name: 'as an outline' }).click()
  await expect(page.getByRole('treegrid')).toBeVisible()
}
const rowOf = (page: Page, title: string) =>
  page.getByRole('row').filter({ has: page.getByRole('gridcell', { name: title }) })
const cell = (page: Page, title: string, column: number) =>
  rowOf(page, title).first().locator(`[data-column="${column}"]`)
const number = (page: Page, title: string) => cell(page, title, 0)

test('a branch is moved in an outline by keyboard alone, and folded, and put back by undo', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await asOutline(page)
  await expect(page.getByRole('button', { name: 'in its own order' })).toBeVisible()
  const [heating, ironwork] = ['Heating of the palm court', 'Ironwork and glass of the palm court']
  await expect(number(page, ironwork)).toHaveText('1.2')
  await expect(rowOf(page, heating)).toHaveAttribute('aria-level', '2')
  await expect(rowOf(page, heating)).toHaveAttribute('aria-expanded', 'false')
  // Into the one above, which opens: what was inside it comes along.
  await cell(page, ironwork, 1).focus()
  await page.keyboard.press('Alt+ArrowRight')
  await expect(rowOf(page, heating)).toHaveAttribute('aria-expanded', 'true')
  await expect(rowOf(page, ironwork)).toHaveAttribute('aria-level', '3')
  await expect(number(page, ironwork)).toHaveText(/^1\.1\.\d+$/)
  await expect(cell(page, ironwork, 1)).toBeFocused()
  // Out of it again: it stands after what it was inside of.
  await page.keyboard.press('Alt+ArrowLeft')
  await expect(number(page, ironwork)).toHaveText('1.2')
  await page.keyboard.press('Alt+ArrowUp')
  await expect(number(page, ironwork)).toHaveText('1.1')
  await page.keyboard.press('Alt+ArrowUp')
  await expect(page.getByText('It’s the first already.')).toBeVisible()
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z')
  await expect(number(page, ironwork)).toHaveText('1.2')
  // Levels and folds, from the number.
  await number(page, ironwork).focus()
  await page.keyboard.press('1')
  await expect(page.getByRole('button', { name: 'open to level 1' })).toBeVisible()
  await expect(rowOf(page, heating)).toBeHidden()
  const bays = await page.getByRole('row').count()
  await number(page, 'Palm court, ready to reopen').focus()
  await page.keyboard.press('Space')
  await expect(rowOf(page, heating)).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByRole('row')).toHaveCount(bays)
  await isAccessible(page, 'an outline')
})

test('a branch is dragged into another, as deep as it is shown before it is let go of', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await asOutline(page)
  const [heating, joinery] = ['Heating of the palm court', 'Joinery and paint of the palm court']
  const [from, to] = [await cell(page, joinery, 1).boundingBox(), await cell(page, heating, 1).boundingBox()]
  await page.mouse.move(from!.x + 120, from!.y + 14)
  await page.mouse.down()
  // Below the folded one, one level deeper than that.
  await page.mouse.move(to!.x + 70, to!.y + to!.height, { steps: 8 })
  await expect(page.getByText(`inside ${heating}`)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByText(`inside ${heating}`)).toBeHidden()
  await page.mouse.up()
  await expect(number(page, joinery)).toHaveText('1.3')
  await page.mouse.move(from!.x + 120, from!.y + 14)
  await page.mouse.down()
  await page.mouse.move(to!.x + 70, to!.y + to!.height, { steps: 8 })
  await page.mouse.up()
  await expect(rowOf(page, joinery)).toBeHidden()
  await page.getByRole('button', { name: /^Undo moving GLH-\d+ into GLH-2/ }).click()
  await expect(number(page, joinery)).toHaveText('1.3')
})

test('items are typed between two others, one after another, and have what their group asks for', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await page.getByRole('button', { name: 'and …' }).click()
  await page.getByRole('combobox', { name: 'And …' }).fill('by need')
  await expect(page.getByRole('option', { name: /by need/ }).first()).toBeVisible()
  await page.keyboard.press('Enter')
  const rows = page.locator('.item-row')
  await page.locator('[data-row="2"][data-column="1"]').focus()
  const need = (await page.locator('.head-row .name').first().innerText()).replace(/[^a-z ]/gi, '').trim()
  await page.keyboard.press('Control+Enter')
  await expect(page.getByRole('textbox', { name: 'Add an item here' })).toBeFocused()
  for (const title of ['Mark the first pane', 'Mark the second pane']) {
    await page.keyboard.type(title)
    await page.keyboard.press('Enter')
    await expect(rows.filter({ hasText: title })).toContainText(need)
  }
  await page.keyboard.press('Escape')
  await expect(page.locator('[data-row="4"][data-column="1"]')).toHaveText('Mark the second pane')
  await expect(page.locator('[data-row="4"][data-column="1"]')).toBeFocused()
  // And once more, by the menu.
  await page.keyboard.press('Shift+F10')
  await page.getByRole('menuitem', { name: 'Duplicate', exact: true }).click()
  await expect(page.locator('[data-row="5"][data-column="1"]')).toHaveText('Mark the second pane (copy)')
})

test('a filter leaves matches with what they stand in; totals are added up over what is inside', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await asOutline(page)
  const say = async (words: string) => {
    await page.getByRole('button', { name: 'and …' }).click()
    await page.getByRole('combobox', { name: 'And …' }).fill(words)
    await expect(page.getByRole('option', { name: words })).toBeVisible()
    await page.keyboard.press('Enter')
  }
  await say('with sum of effort')
  const whole = await numberIn(page.getByRole('contentinfo'), /sum of effort ([\d.]+)/)
  const tops = page.locator('.item-row.tops')
  const sums = (await tops.locator('.sum').allInnerTexts()).map((text) => Number(/[\d.]+/.exec(text)?.[0]))
  expect(sums.length).toBeGreaterThan(3)
  expect(sums.reduce((a, b) => a + b, 0)).toBe(whole)
  await say('title contains “thermostat”')
  const found = await numberIn(page.locator('.count b'))
  await expect(page.locator('.item-row:not(.stands-back)')).toHaveCount(found)
  await expect(page.locator('.item-row.stands-back').first()).toContainText('ready to reopen')
})

test('rows are selected by range and one by one; all are changed by one step, and back by one undo', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const title = (row: number) => page.locator(`[data-row="${row}"][data-column="1"]`)
  await title(3).focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowDown')
  const bar = page.getByRole('group', { name: 'What you can do with the selected items' })
  await expect(bar).toContainText('4 selected')
  // Gone elsewhere, the keyboard begins another range.
  for (const key of ['ArrowDown', 'ArrowDown', 'Shift+ArrowDown']) await page.keyboard.press(key)
  await expect(bar).toContainText('2 selected')
  await title(9).click({ modifiers: ['ControlOrMeta'] })
  await title(12).click({ modifiers: ['Shift'] })
  await expect(bar).toContainText('4 selected')
  await expect(page.getByRole('row', { selected: true })).toHaveCount(4)
  await bar.getByRole('button', { name: 'Change …' }).click()
  const form = page.getByRole('form', { name: 'Change 4 items' })
  await form.getByRole('combobox', { name: 'What changes' }).click({ force: true })
  await page.getByRole('option', { name: 'need', exact: true }).click()
  await form.getByRole('combobox', { name: 'need' }).fill('could')
  await page.keyboard.press('Enter')
  await isAccessible(page, 'changing several items')
  await form.getByRole('button', { name: 'Change 4 items' }).click()
  for (const row of [9, 10, 11, 12]) await expect(page.getByRole('row').nth(row + 1)).toContainText('could')
  await expect(page.getByRole('button', { name: /^Undo changing need of 4 items/ })).toBeVisible()
  await page.keyboard.press('Control+z')
  // All that the view holds, also what has never been drawn.
  await title(0).focus()
  await page.keyboard.press('Control+a')
  const all = await numberIn(page.locator('.count b'))
  await expect(bar).toContainText(`${all} selected`)
  await bar.getByRole('button', { name: 'Archive' }).click()
  await expect(page.locator('.count b')).toHaveText('0')
  await page.keyboard.press('Control+z')
  await expect(page.locator('.count b')).toHaveText(String(all))
  await expect(bar).toBeHidden()
})

test('what is refused for some is listed, and done for the others', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const title = (row: number) => page.locator(`[data-row="${row}"][data-column="1"]`)
  await title(0).focus()
  await page.keyboard.press('Control+a')
  // All but the third go into the third, in which two of them stand around it.
  const all = (await numberIn(page.locator('.count b'))) - 1
  const bar = page.getByRole('group', { name: 'What you can do with the selected items' })
  await expect(bar).toContainText('selected')
  await title(2).click({ modifiers: ['ControlOrMeta'] })
  await expect(bar).toContainText(`${all} selected`)
  await bar.getByRole('button', { name: 'Change …' }).click()
  const form = page.getByRole('form', { name: /^Change \d+ items/ })
  await form.getByRole('combobox', { name: 'What changes' }).click({ force: true })
  await page.getByRole('option', { name: 'Inside', exact: true }).click()
  await form.getByRole('combobox', { name: 'Inside' }).fill('GLH-3')
  await page
    .getByRole('option', { name: /GLH-3 / })
    .first()
    .click()
  const list = page.getByRole('dialog', { name: /of \d+ items can’t be changed so/ })
  await expect(list).toBeVisible()
  const refused = await numberIn(list.getByRole('heading'), /^(\d+) of/)
  await list.getByRole('button', { name: `Change the other ${all - refused}` }).click()
  await expect(list).toBeHidden()
  await expect(page.getByRole('button', { name: /^Undo moving \d+ items into GLH-3/ })).toBeVisible()
})
