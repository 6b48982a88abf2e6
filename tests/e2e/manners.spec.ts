import { bringInto, cardsIn, expect, test, useDemo } from '../kit/pages'

const demo = useDemo()

test('rows, cards, the queue and views have a menu: by button, right press and keyboard', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine')
  const menu = page.getByRole('menu')
  await page
    .locator('.it')
    .first()
    .click({ button: 'right', position: { x: 300, y: 20 } })
  await expect(menu.getByRole('menuitem', { name: 'Copy the link' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'All items' }).first().click({ button: 'right' })
  await menu.getByRole('menuitem', { name: 'Open' }).click()
  await expect(page.getByRole('grid')).toBeVisible()
  const cell = page.getByRole('gridcell', { name: 'GLH-9', exact: true })
  await cell.click({ button: 'right' })
  await expect(menu.getByRole('menuitem', { name: 'Archive' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.locator('[data-row="2"][data-column="1"]').focus()
  await page.keyboard.press('Shift+F10')
  await menu.getByRole('menuitem', { name: 'Open', exact: true }).click()
  await expect(page).toHaveURL(/item=GLH-3/)
  await page.getByRole('link', { name: 'The works' }).click()
  await cardsIn(page, 'Noted').first().focus()
  await page.keyboard.press('Shift+F10')
  await menu.getByRole('menuitem', { name: /Move to/ }).click()
  await expect(menu.getByRole('menuitem', { name: /Being checked/ })).toBeVisible()
})

test('the question mark shows the keys of where one is', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke')
  const list = page.getByRole('dialog', { name: 'Keyboard shortcuts' })
  await page.locator('.it').first().focus()
  await page.keyboard.press('?')
  await expect(list.getByText('In your queue')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(list).toBeHidden()
  await page.getByRole('link', { name: 'The works' }).click()
  await cardsIn(page, 'Noted').first().focus()
  await page.keyboard.press('?')
  await expect(list.getByText('On this board')).toBeVisible()
})

test('in a table Escape closes the item beside, Ctrl+Enter goes to a new one, key and title stay in sight', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await page.locator('[data-row="3"][data-column="0"]').click()
  await expect(page).toHaveURL(/item=GLH-4/)
  await page.locator('[data-row="3"][data-column="1"]').focus()
  const title = page.locator('[data-row="3"][data-column="1"]')
  const before = (await title.boundingBox())!.x
  await page.getByRole('button', { name: 'More fields to the right' }).click()
  await expect.poll(() => page.locator('.scroller').evaluate((one) => one.scrollLeft)).toBeGreaterThan(100)
  expect((await title.boundingBox())!.x).toBeCloseTo(before, 0)
  await page.keyboard.press('Escape')
  await expect(page).not.toHaveURL(/item=/)
  await page.keyboard.press('Control+Enter')
  await expect(page.getByLabel('Add an item')).toBeFocused()
})

test('a phrase leaves the keyboard with its item', async ({ browser }) => {
  const page = await demo.as(browser, 'Noor', { at: 'All items' })
  await page.getByRole('gridcell', { name: 'GLH-11', exact: true }).focus()
  await page.getByRole('button', { name: 'and …' }).click()
  await page.getByRole('combobox', { name: 'And …' }).fill('not finished')
  await page.getByRole('option', { name: /it isn’t finished/ }).waitFor()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'it isn’t finished' })).toBeVisible()
  await expect(page.locator('.item-row.at').getByRole('gridcell').first()).toHaveText('GLH-11')
})

test('an empty project offers its first steps; a bring-in that was undone says so', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine')
  await page.getByRole('button', { name: 'Start a project' }).click()
  await page.getByLabel('Name').fill('Bulbs')
  await page.getByRole('button', { name: 'Start the project' }).click()
  await page.getByRole('button', { name: 'Add an item' }).click()
  await expect(page.getByRole('textbox', { name: 'Add an item' })).toBeFocused()
  await page.getByRole('link', { name: 'Set limits' }).click()
  await expect(page.getByText('Press the count under a column’s name')).toBeVisible()
  await bringInto(page, 'Bulbs')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'bulbs.csv', mimeType: 'text/csv', buffer: Buffer.from('Title\nTulips\nCrocus\n') })
  await page.getByRole('button', { name: 'Bring in 2 items' }).click()
  await expect(page.getByRole('heading', { name: '2 items are in' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('heading', { name: /bring-in was undone/ })).toBeVisible()
})

test('the licences of what ships stand at one address', async ({ request }) => {
  const answer = await request.get(`${demo.server().url}/licences`)
  const text = await answer.text()
  for (const name of ['vuetify', 'vue', '@fontsource-variable/bitter', 'drizzle-orm'])
    expect(text).toMatch(new RegExp(`^${name} [\\d.]+: `, 'm'))
})
