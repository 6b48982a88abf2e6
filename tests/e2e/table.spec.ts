import { expect, test, useDemo, choose, saveForAll } from '../kit/pages'

const demo = useDemo()

test('the table is filled and edited by keyboard alone', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke', { at: 'All items' })
  const grid = page.getByRole('grid')
  const total = Number(await grid.getAttribute('aria-rowcount')) - 1
  await page.getByLabel('Add an item').focus()
  for (const title of ['Water the seedlings', 'Air the north bay']) {
    await page.keyboard.type(title)
    await page.keyboard.press('Enter')
  }
  await expect(grid).toHaveAttribute('aria-rowcount', String(total + 3))
  await page.keyboard.press('Escape')
  const cell = page.locator('[role=gridcell]:focus')
  await expect(cell).toBeVisible()
  await page.keyboard.press('Control+End')
  await expect(cell).toHaveAttribute('data-row', String(total + 1))
  await page.keyboard.press('Home')
  await page.keyboard.press('ArrowRight')
  await expect(cell).toHaveAttribute('data-column', '1')
  await expect(cell).toContainText('Air the north bay')
  await page.keyboard.press('F2')
  await page.keyboard.press('End')
  await page.keyboard.type(' at noon')
  await page.keyboard.press('Enter')
  await expect(grid.getByText('Air the north bay at noon')).toBeVisible()
  // The status, chosen by typing.
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.type('hand')
  await page.keyboard.press('Enter')
  await expect(cell).toContainText('In hand')
  await page.keyboard.press('Control+z')
  await expect(cell).toContainText('Noted')
  // A number: what cannot be read stays in the editor, with the reason.
  const effort = 3
  for (let i = 0; i < effort; i++) await page.keyboard.press('ArrowRight')
  await page.keyboard.type('about three')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/isn’t a number \(at most 2 decimals/)).toBeVisible()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('2.5')
  await page.keyboard.press('Enter')
  await expect(grid.getByText('2.5 h')).toBeVisible()
})

test('keys that come faster than the page draws are not lost', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke', { at: 'All items' })
  // A page that draws a frame only now and then.
  await page.evaluate(() => {
    const draw = window.requestAnimationFrame.bind(window)
    window.requestAnimationFrame = (then) => window.setTimeout(() => draw(then), 300)
  })
  const grid = page.getByRole('grid')
  const cell = page.locator('[role=gridcell]:focus')
  await page.getByLabel('Add an item').focus()
  await page.keyboard.press('Escape')
  await expect(cell).toBeVisible()
  await page.keyboard.press('Control+End')
  await page.keyboard.press('Home')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('F2')
  await page.keyboard.press('Control+a')
  await page.keyboard.type('Count the trays')
  await page.keyboard.press('Enter')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await page.keyboard.type('hand')
  await page.keyboard.press('Enter')
  await expect(cell).toContainText('In hand')
  await expect(grid.getByRole('row').filter({ hasText: 'Count the trays' })).toContainText('In hand')
})

test('phrases narrow the view for oneself, until it is kept for all or put back', async ({ browser }) => {
  const lead = await demo.as(browser, 'Séverine', { at: 'All items' })
  const member = await demo.as(browser, 'Hamid', { at: 'All items' })
  const count = (page: typeof lead) => page.locator('.count b')
  const all = (await count(lead).textContent())!
  await lead.getByRole('button', { name: 'and …' }).click()
  await lead.getByRole('option', { name: 'where status …' }).click()
  await lead.getByRole('option', { name: /Noted/ }).click()
  await lead.keyboard.press('Escape')
  await expect(lead.getByRole('button', { name: /the status is Ready, In hand or Being checked/ })).toBeVisible()
  const narrowed = (await count(lead).textContent())!
  expect(Number(narrowed)).toBeLessThan(Number(all))
  await expect(count(member)).toHaveText(all)
  await lead.reload()
  await expect(count(lead)).toHaveText(narrowed)
  await lead.getByRole('button', { name: 'Undo changes' }).click()
  await expect(count(lead)).toHaveText(all)

  await lead.getByRole('button', { name: 'and …' }).click()
  await lead.getByRole('combobox', { name: 'And …' }).fill('mine')
  await expect(lead.getByRole('option', { name: /it’s your turn/ })).toBeVisible()
  await lead.keyboard.press('Enter')
  await saveForAll(lead)
  // Each sees their own turn in the view that they share.
  await expect(member.getByRole('button', { name: 'it’s your turn' })).toBeVisible()
  await expect(count(member)).not.toHaveText(all)
  await expect(count(member)).not.toHaveText((await count(lead).textContent())!)
  await lead.keyboard.press('Control+z')
  await expect(count(member)).toHaveText(all)

  await member.getByRole('button', { name: 'in the team’s order' }).click()
  await choose(member.getByRole('combobox', { name: 'Sort by' }), 'due')
  await expect(member.getByRole('button', { name: 'soonest due first' })).toBeVisible()
  await member.keyboard.press('Escape')
  await expect(member.getByRole('button', { name: 'Save for everyone' })).toHaveCount(0)
  await member.getByRole('button', { name: 'Save as another …' }).click()
  await member.getByRole('textbox', { name: 'Name', exact: true }).fill('My All items')
  await member.keyboard.press('Enter')
  await expect(member.getByRole('link', { name: 'My All items' })).toBeVisible()
  await expect(lead.getByRole('link', { name: 'My All items' })).toHaveCount(0)
})

test('the header sorts, and the sentence follows; the layout is a phrase', async ({ browser }) => {
  const page = await demo.as(browser, 'Tobias', { at: 'All items' })
  await page.getByRole('button', { name: 'Due' }).click()
  await expect(page.getByRole('button', { name: 'soonest due first' })).toBeVisible()
  await expect(page.getByRole('columnheader', { name: /due/i })).toHaveAttribute('aria-sort', 'ascending')
  await page.getByRole('button', { name: 'table', exact: true }).click()
  await page.getByRole('menuitemradio', { name: 'as a board by status' }).click()
  await expect(page.getByRole('region', { name: 'In hand' })).toBeVisible()
})

test('an item opens beside the table with its address; everything that happened stands as sentences', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Imke', { at: 'All items' })
  await page.getByRole('gridcell', { name: 'GLH-3', exact: true }).click()
  await expect(page).toHaveURL(/item=GLH-3/)
  const panel = page.getByRole('complementary', { name: 'Item' })
  await panel.getByRole('button', { name: 'Change due' }).click()
  await page.getByRole('textbox', { name: 'Change due' }).fill('2026-12-24')
  await page.keyboard.press('Enter')
  await expect(panel.getByText('24 Dec', { exact: true }).first()).toBeVisible()
  await expect(panel.getByText(/Imke Sorrel (changed due from .* to|set due to) 24 Dec/)).toBeVisible()
  await panel.getByLabel('Type a title to add an item inside').fill('Ask for the old drawings')
  await page.keyboard.press('Enter')
  await expect(panel.getByRole('button', { name: /GLH-\d+ Ask for the old drawings/ })).toBeVisible()
  await panel.getByRole('button', { name: 'Change notes' }).click()
  await panel.getByRole('textbox', { name: 'Change notes' }).fill('Open the lowest cock first.')
  await panel.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(panel.getByText(/Imke Sorrel wrote notes/)).toBeVisible()
  await page.reload()
  await expect(panel.getByText('Open the lowest cock first.')).toBeVisible()
})

test('an item is put inside another by keyboard; words that find nothing leave it where it is', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke', { at: 'All items' })
  await page.getByRole('gridcell', { name: 'GLH-9', exact: true }).click()
  const panel = page.getByRole('complementary', { name: 'Item' })
  const inside = panel.getByRole('button', { name: 'Change Inside' })
  const before = (await inside.textContent())!
  await inside.click()
  const finder = page.getByRole('combobox', { name: 'Inside' })
  await finder.fill('nothing is called so')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Nothing found')).toBeVisible()
  await expect(inside).toHaveText(before)
  await finder.fill('GLH-41 boiler')
  await page.keyboard.press('Enter')
  await expect(inside).toHaveText('Boiler house, ready to reopen')
  await page.getByRole('button', { name: /Undo moving GLH-9 into/ }).click()
  await expect(inside).toHaveText(before)
})

test('search finds an item by words or key', async ({ browser }) => {
  const page = await demo.as(browser, 'Noor')
  await page.keyboard.press('Control+k')
  await page.getByRole('combobox', { name: 'Search' }).fill('palm reopen')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('complementary', { name: 'Item' }).getByRole('heading', { level: 2 })).toHaveText(
    /Palm court, ready to reopen/,
  )
})

test('two people at one value: the later one sees both and may keep theirs', async ({ browser }) => {
  const imke = await demo.as(browser, 'Imke', { at: 'All items' })
  const gwilym = await demo.as(browser, 'Gwilym', { at: 'All items' })
  const start = async (page: typeof imke, text: string) => {
    await page.locator('[data-row="2"][data-column="1"]').dblclick()
    await page.getByRole('textbox', { name: 'Title' }).fill(text)
  }
  await start(imke, 'Imke’s words')
  await start(gwilym, 'Gwilym’s words')
  await imke.keyboard.press('Enter')
  await expect(gwilym.getByRole('textbox', { name: 'Title' })).toHaveValue('Gwilym’s words')
  await expect(imke.getByText('up to date')).toBeVisible()
  await gwilym.waitForTimeout(500)
  await gwilym.keyboard.press('Enter')
  const notice = gwilym
    .getByRole('alert')
    .getByText(
      /Imke Sorrel changed title of GLH-\d+ to “Imke’s words” just now, and that stays. You wanted “Gwilym’s words”./,
    )
  await expect(notice).toBeVisible()
  await gwilym.getByRole('button', { name: 'Use mine' }).click()
  await expect(imke.locator('[data-row="2"][data-column="1"]')).toContainText('Gwilym’s words')
})

test('a page is seen before its script has come, and a change that was not kept is not seen as it was', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const first = page.locator('[data-row="0"][data-column="0"]')
  await expect(first).toHaveText('GLH-1')
  const address = page.url()
  const total = (await page.locator('.count b').textContent())!
  // The line lets no script through until it is told to.
  let letThrough = () => {}
  const hold = async () => {
    const through = new Promise<void>((resolve) => (letThrough = resolve))
    await page.unroute('**/_nuxt/*.js')
    await page.route('**/_nuxt/*.js', async (route) => through.then(() => route.continue()))
  }
  await hold()
  await page.goto(address, { waitUntil: 'commit' })
  await expect(first).toHaveText('GLH-1')
  await expect(page.locator('.count b')).toHaveText(total)
  await expect(page.getByText('Start a project')).toHaveCount(0)
  letThrough()
  await expect(page.getByText('Start a project')).toBeVisible()
  // It works from then on, and what is changed without being kept stands after a reload.
  await page.getByRole('columnheader', { name: 'Title' }).getByRole('button').click()
  await expect(page.getByRole('columnheader', { name: 'Title' })).toHaveAttribute('aria-sort', 'ascending')
  await expect(first).not.toHaveText('GLH-1')
  const sorted = (await first.textContent())!
  await hold()
  await page.goto(address, { waitUntil: 'commit' })
  await expect(first).toHaveCount(1)
  await expect(first).toBeHidden()
  letThrough()
  await expect(first).toHaveText(sorted)
  await expect(first).toBeVisible()
})
