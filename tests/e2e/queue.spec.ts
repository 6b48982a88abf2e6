import { expect, test, useDemo } from '../kit/pages'

const demo = useDemo()

test('different people see different queues, in which the late come first', async ({ browser }) => {
  const hamid = await demo.as(browser, 'Hamid')
  const tobias = await demo.as(browser, 'Tobias')
  const keys = (page: typeof hamid) => page.getByRole('region', { name: 'Next' }).locator('.path').allTextContents()
  const [one, other] = [await keys(hamid), await keys(tobias)]
  expect(one.length).toBeGreaterThan(2)
  expect(other.length).toBeGreaterThan(2)
  expect(one.filter((key) => other.includes(key))).toEqual([])
  const late = (await tobias.getByRole('region', { name: 'Next' }).locator('.it').allTextContents()).map((text) =>
    /days? late/.test(text),
  )
  expect(late.lastIndexOf(true)).toBeLessThan(late.includes(false) ? late.indexOf(false) : late.length)
})

test('an item that is moved to be checked leaves the assignee’s queue and comes to the reviewer’s, live', async ({
  browser,
}) => {
  const lead = await demo.as(browser, 'Imke', { at: 'The works' })
  // An item of one's own, so that who does it and who checks it is known.
  await lead.getByRole('button', { name: 'Add an item to In hand' }).click()
  await lead.getByLabel('Add an item to In hand').fill('Turn the compost')
  await lead.keyboard.press('Enter')
  await lead.getByRole('article', { name: /Turn the compost/ }).click()
  const panel = lead.getByRole('complementary', { name: 'Item' })
  await panel.getByRole('button', { name: 'Change assignees' }).click()
  await lead.getByRole('option', { name: 'Adaeze Marlow' }).click()
  await lead.keyboard.press('Escape')
  await panel.getByRole('button', { name: 'Change reviewer' }).click()
  await lead.getByRole('option', { name: 'Noor Castellane' }).click()
  await lead.keyboard.press('Escape')

  const adaeze = await demo.as(browser, 'Adaeze')
  const noor = await demo.as(browser, 'Noor')
  await expect(adaeze.getByRole('region', { name: 'Now' }).getByText('Turn the compost')).toBeVisible()
  await expect(noor.getByRole('region', { name: 'Now' }).getByText('Turn the compost')).toHaveCount(0)
  await expect(
    noor.getByRole('region', { name: 'Waiting for others' }).getByText('Adaeze Marlow’s turn').first(),
  ).toBeVisible()

  // Adaeze moves it on by keyboard.
  await adaeze.getByRole('button', { name: 'Turn the compost' }).focus()
  await adaeze.keyboard.press('ArrowRight')
  await expect(noor.getByRole('region', { name: 'Now' }).getByText('Turn the compost')).toBeVisible({ timeout: 1500 })
  await expect(adaeze.getByRole('region', { name: 'Now' }).getByText('Turn the compost')).toHaveCount(0)
  await expect(adaeze.getByRole('region', { name: 'Waiting for others' }).getByText('Turn the compost')).toBeVisible()
})

test('leads see what is nobody’s turn; others do not', async ({ browser }) => {
  const lead = await demo.as(browser, 'Séverine')
  await expect(lead.getByRole('region', { name: 'Nobody’s turn' }).locator('.it').first()).toBeVisible()
  const member = await demo.as(browser, 'Hamid')
  await expect(member.getByRole('region', { name: 'Nobody’s turn' })).toHaveCount(0)
})

test('the queue is walked by arrows, and Enter opens an item beside it', async ({ browser }) => {
  const page = await demo.as(browser, 'Piotr')
  const titles = page.locator('.it .title')
  const nameOf = async (at: number) => (await titles.nth(at).locator('.name').textContent())!
  await titles.first().focus()
  await page.keyboard.press('ArrowDown')
  await expect(titles.nth(1)).toBeFocused()
  await page.keyboard.press('Enter')
  const panel = page.getByRole('complementary', { name: 'Item' })
  await expect(panel.getByRole('heading', { level: 2 })).toHaveText(await nameOf(1))
  await expect(page).toHaveURL(/item=[A-Z]+-\d+/)
  await page.keyboard.press('ArrowDown')
  await expect(panel.getByRole('heading', { level: 2 })).toHaveText(await nameOf(2))
})

test('on a phone each row has its leaf, its title and its due in their places', async ({ browser }) => {
  const page = await demo.as(browser, 'Piotr', { phone: true })
  await expect(page.locator('.it').nth(3)).toBeVisible()
  const edges = (part: string, edge: 'left' | 'right') =>
    page
      .locator(`.it ${part}`)
      .evaluateAll((all, side) => [...new Set(all.map((one) => Math.round(one.getBoundingClientRect()[side])))], edge)
  const [leaves, titles, dues] = [
    await edges('.leaf', 'left'),
    await edges('.title', 'left'),
    await edges('.due', 'right'),
  ]
  expect([leaves, titles, dues].map((one) => one.length)).toEqual([1, 1, 1])
  expect(leaves[0]).toBeLessThan(titles[0]!)
  // Only the button of what can be done with the item comes after it.
  expect(await edges('.acts', 'left')).toEqual([dues[0]! + 10])
  expect((await edges('.acts', 'right'))[0]).toBeGreaterThan(360)
})
