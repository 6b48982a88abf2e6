import { cardsIn, column, expect, stepIn, test, useDemo, watch } from '../kit/pages'

const demo = useDemo()

test('a lead drags a card into a full column, sees the limit exceeded, and finds it there after a reload; a member sees it live', async ({
  browser,
}) => {
  const lead = await demo.as(browser, 'Séverine', { at: 'The works' })
  const member = await demo.as(browser, 'Hamid', { at: 'The works' })
  await expect(column(lead, 'In hand')).toBeVisible()
  const head = lead.locator('.heads')
  await expect(head.getByText('2 over')).toBeVisible()

  const card = cardsIn(lead, 'Noted').first()
  const title = await card.getAttribute('aria-label')
  const target = cardsIn(lead, 'In hand').nth(1)
  await card.hover()
  await lead.mouse.down()
  const box = (await target.boundingBox())!
  await lead.mouse.move(box.x + 20, box.y + 20, { steps: 8 })
  await lead.mouse.move(box.x + 40, box.y + 12, { steps: 4 })
  await expect(lead.getByText('1 more would make it 3 over').first()).toBeVisible()
  await lead.mouse.up()

  await expect(head.getByText('3 over')).toBeVisible()
  await expect(lead.getByRole('contentinfo').getByText('In hand is 3 over its limit')).toBeVisible()
  await expect(column(lead, 'In hand').getByRole('article', { name: title! })).toBeVisible()
  await expect(column(member, 'In hand').getByRole('article', { name: title! })).toBeVisible({ timeout: 1500 })
  await expect(member.locator('.heads').getByText('3 over')).toBeVisible()

  const order = (page: typeof lead) =>
    cardsIn(page, 'In hand').evaluateAll((cards) => cards.map((one) => one.getAttribute('aria-label')))
  await expect(async () => expect(await order(member)).toEqual(await order(lead))).toPass()
  await lead.reload()
  await expect(column(lead, 'In hand').getByRole('article', { name: title! })).toBeVisible()
  await expect(lead.locator('.heads').getByText('3 over')).toBeVisible()
})

test('a card is moved by keyboard alone, announced, and undone by keyboard', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke', { at: 'The works' })
  // Whatever stands in a column, its head and its cards lie in one line.
  const lefts = (of: string) =>
    page.locator(of).evaluateAll((all) => all.map((one) => Math.round(one.getBoundingClientRect().left)))
  await page.getByRole('button', { name: 'Add an item to Ready' }).click()
  expect(await lefts('.cells > *')).toEqual(await lefts('.heads > *'))
  await page.keyboard.press('Escape')
  const card = cardsIn(page, 'Being checked').first()
  const title = (await card.getAttribute('aria-label'))!
  await card.focus()
  await page.keyboard.press('Space')
  await expect(page.getByText(/Picked up .* It’s in Being checked/)).toBeAttached()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByText(/^Accepted, place 1/)).toBeAttached()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Space')
  await expect(page.getByText(/Put .* down in Accepted/)).toBeAttached()
  await expect(cardsIn(page, 'Accepted').nth(1)).toHaveAttribute('aria-label', title)
  await expect(page.getByRole('article', { name: title })).toBeFocused()

  await expect(page.getByRole('button', { name: /Undo moving GLH-\d+ to Accepted/ })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(column(page, 'Being checked').getByRole('article', { name: title })).toBeVisible()
  await page.keyboard.press('Control+Shift+Z')
  await expect(column(page, 'Accepted').getByRole('article', { name: title })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(column(page, 'Being checked').getByRole('article', { name: title })).toBeVisible()
})

test('Escape puts a lifted card back', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke', { at: 'The works' })
  const card = cardsIn(page, 'Ready').first()
  const title = (await card.getAttribute('aria-label'))!
  await card.focus()
  await page.keyboard.press('Space')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Escape')
  await expect(page.getByText(/stays where it was/)).toBeAttached()
  await expect(column(page, 'Ready').getByRole('article', { name: title })).toBeVisible()
})

test('the menu moves a card, and says beforehand what that would do', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke', { at: 'The works' })
  const card = cardsIn(page, 'Ready').nth(2)
  const title = (await card.getAttribute('aria-label'))!
  await card.focus()
  await page.keyboard.press('m')
  await expect(page.getByRole('menuitem', { name: /In hand.*over/ })).toBeVisible()
  await page.getByRole('menuitem', { name: /Being checked/ }).click()
  await expect(column(page, 'Being checked').getByRole('article', { name: title })).toBeVisible()
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(column(page, 'Ready').getByRole('article', { name: title })).toBeVisible()
})

test('a lead sets a limit where the column stands; below zero is refused; a reader cannot', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'Packets' })
  await page.getByRole('button', { name: /Set the limit for Ready/ }).click()
  await page.getByRole('textbox', { name: 'Most' }).fill('2')
  await page.getByRole('button', { name: 'Set the limit', exact: true }).click()
  await expect(page.locator('.heads').getByText('1 over')).toBeVisible()
  await page.getByRole('button', { name: /^Undo changing the limit of Ready/ }).click()
  await expect(page.locator('.heads').getByText('1 over')).toBeHidden()

  const reader = await demo.as(browser, 'Yuki', { at: 'The works' })
  await expect(cardsIn(reader, 'In hand').first()).toBeVisible()
  await expect(reader.getByRole('button', { name: /Set the limit/ })).toHaveCount(0)
  await expect(reader.getByRole('button', { name: /Add an item/ })).toHaveCount(0)
})

test('two people move the same card: one wins, the other is told who and where', async ({ browser }) => {
  const context = await browser.newContext({ baseURL: demo.server().url })
  const first = watch(await context.newPage())
  await stepIn(first, 'Adaeze')
  const second = await demo.as(browser, 'Gwilym', { at: 'The works' })
  await first.getByRole('link', { name: 'The works' }).click()
  const title = (await cardsIn(first, 'Ready').nth(3).getAttribute('aria-label'))!
  const key = title.split(' ')[0]!
  await expect(second.getByRole('article', { name: title })).toBeVisible()
  // Gwilym's command is held back on its way until Adaeze's has been done.
  const directory = await first.evaluate(
    async () =>
      (await (await fetch('/api/directory')).json()) as {
        records: {
          status: { id: string; name: string; project: string }[]
          project: { id: string; prefix: string }[]
        }
      },
  )
  const project = directory.records.project.find((one) => one.prefix === 'GLH')!
  const status = (name: string) =>
    directory.records.status.find((one) => one.project === project.id && one.name === name)!.id
  await cardsIn(first, 'Ready').nth(3).focus()
  await first.keyboard.press('m')
  await first.getByRole('menuitem', { name: /Being checked/ }).click()
  await expect(column(second, 'Being checked').getByRole('article', { name: title })).toBeVisible()
  const itemId = (await second.getByRole('article', { name: title }).getAttribute('id'))!.replace('card-', '')
  const answer = await second.evaluate(
    async ({ itemId, from, to }) => {
      const id = `01900000-0000-7000-8000-${Date.now().toString(16).padStart(12, '0')}`
      const body = JSON.stringify({ id, type: 'items.move', v: 1, items: [{ item: itemId, status: { from, to } }] })
      return (await (
        await fetch('/api/commands/items.move', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body,
        })
      ).json()) as { problem?: { code: string; at: { by: string; stored: string }[] } }
    },
    { itemId, from: status('Ready'), to: status('In hand') },
  )
  expect(answer.problem?.code).toBe('changed-meanwhile')
  expect(answer.problem?.at[0]?.stored).toBe(status('Being checked'))
  await expect(column(second, 'Being checked').getByRole('article', { name: title })).toBeVisible()
  expect(key).toMatch(/^GLH-\d+$/)
})
