import type { Browser, Locator, Page } from '@playwright/test'
import { cardsIn, column, expect, test, watch } from '../kit/pages'
import { startEmpty } from '../kit/server'

/** What somebody does, counted: a click, a drag, a field filled, a file chosen and a key outside a field are one each. */
class Actions {
  count = 0
  async click(what: Locator): Promise<void> {
    this.count++
    await what.click()
  }
  async fill(what: Locator, text: string): Promise<void> {
    this.count++
    await what.fill(text)
  }
  async key(page: Page, key: string): Promise<void> {
    this.count++
    await page.keyboard.press(key)
  }
  async file(what: Locator, name: string, text: string): Promise<void> {
    this.count++
    await what.setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  }
  async drag(page: Page, what: Locator, to: Locator): Promise<void> {
    this.count++
    const [from, box] = [(await what.boundingBox())!, (await to.boundingBox())!]
    await page.mouse.move(from.x + 30, from.y + 20)
    await page.mouse.down()
    await page.mouse.move(box.x + 40, box.y + 60, { steps: 8 })
    await page.mouse.up()
  }
}
const most = 60
const list = `Title;Status;Assignees;Due
Dig over the long bed;Ready;Ana Flores;2026-12-04
Mend the water butt;In hand;Ruth Amsel;2026-11-27
Order seed potatoes;Noted;;2027-01-15
Lime the brassica bed;Ready;Ana Flores;
Prune the currants;In hand;Ana Flores;2026-12-10
`

test('on their first day somebody gets a team of three to a limited board of their own list, in at most 60 actions', async ({
  browser,
}) => {
  const server = await startEmpty()
  const does = new Actions()
  const enter = async (of: Browser) =>
    watch(await (await of.newContext({ baseURL: server.url })).newPage(), [/401|409/])
  const page = await enter(browser)
  await page.goto('/sign-in')
  await does.fill(page.getByLabel('Code'), /owner code: (\S+)/.exec(server.said())![1]!)
  await does.fill(page.getByLabel('Name of the workspace'), 'Allotments')
  await does.fill(page.getByLabel('Your name'), 'Otto Fern')
  await does.fill(page.getByLabel('E-mail'), 'otto@allotment.example')
  await does.fill(page.getByLabel('Password'), 'a long password')
  await does.click(page.getByRole('button', { name: 'Make the account' }))

  await does.click(page.getByRole('button', { name: 'Start a project' }))
  const start = page.getByRole('dialog', { name: 'Start a project' })
  await expect(start.getByLabel('Name', { exact: true })).toBeFocused()
  await does.fill(start.getByLabel('Name', { exact: true }), 'Long bed')
  await does.click(start.getByRole('button', { name: 'Start the project' }))
  await expect(page.getByRole('link', { name: 'All items' })).toBeVisible()

  await does.click(page.getByRole('link', { name: 'People' }))
  await does.click(page.getByRole('button', { name: 'Add people' }))
  const names = page.getByLabel('Names and addresses')
  await expect(names).toBeFocused()
  await does.fill(names, 'Ana Flores <ana@allotment.example>\nRuth Amsel <ruth@allotment.example>')
  await does.click(page.getByRole('button', { name: 'Add 2 people' }))
  const links = page.getByRole('dialog').locator('code')
  await expect(links).toHaveCount(2)
  const addresses = await links.allTextContents()
  await does.click(page.getByRole('button', { name: 'Done' }))
  const team = await Promise.all(
    addresses.map(async (address) => {
      const member = await enter(browser)
      // The link in the message is pressed.
      does.count++
      await member.goto(new URL(address).pathname)
      await does.fill(member.getByLabel('Password'), 'another long one')
      await does.click(member.getByRole('button', { name: 'Set the password' }))
      await member.waitForURL('**/app')
      return member
    }),
  )

  await does.click(page.getByRole('button', { name: 'What you can do with Long bed' }))
  await does.click(page.getByRole('menuitem', { name: 'Bring in a file' }))
  await does.file(page.locator('input[type=file]'), 'beds.csv', list)
  await does.click(page.getByRole('button', { name: 'Bring in 5 items' }))
  await does.click(page.getByRole('button', { name: 'See them' }))
  await expect(page.locator('.count b')).toHaveText('5')
  for (const member of team)
    await expect(member.getByRole('heading', { level: 1 })).toContainText(/[13] items? /, { timeout: 5000 })

  await does.click(page.getByRole('link', { name: 'Board' }))
  await does.click(page.getByRole('button', { name: 'Set the limit for In hand' }))
  await does.fill(page.getByRole('textbox', { name: 'Most' }), '2')
  does.count++
  await page.getByRole('combobox', { name: 'When it’s full' }).click({ force: true })
  await does.click(page.getByRole('option', { name: 'stop' }))
  await does.click(page.getByRole('button', { name: 'Set the limit', exact: true }))
  await expect(column(page, 'In hand')).toBeVisible()
  await does.drag(page, cardsIn(page, 'Ready').first(), cardsIn(page, 'In hand').first())
  await expect(page.getByText('In hand stops at 2')).toBeVisible()

  const [ana] = team
  await does.click(ana!.getByRole('link', { name: 'Board' }))
  await expect(cardsIn(ana!, 'In hand')).toHaveCount(2)
  await expect(ana!.locator('.heads')).toContainText('stops')
  await does.drag(ana!, cardsIn(ana!, 'In hand').first(), column(ana!, 'Ready'))
  await expect(cardsIn(page, 'In hand')).toHaveCount(1, { timeout: 2000 })
  test.info().annotations.push({ type: 'actions', description: String(does.count) })
  expect(does.count).toBeLessThanOrEqual(most)
  await server.stop()
})
