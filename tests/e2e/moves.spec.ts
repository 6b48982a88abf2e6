import type { Page } from '@playwright/test'
import { cardsIn, column, expect, isAccessible, numberIn, test, useDemo } from '../kit/pages'

const demo = useDemo()
const factOf = (page: Page, status: string, at: number) =>
  page.getByRole('row').filter({ has: page.getByRole('gridcell', { name: status, exact: true }) }).locator('[role=gridcell]').nth(at) // prettier-ignore
async function tick(page: Page, status: string, at: number, choices: readonly string[]): Promise<void> {
  await factOf(page, status, at).focus()
  await page.keyboard.press('Enter')
  for (const choice of choices) {
    await page.getByRole('combobox').fill(choice)
    await page.keyboard.press('Enter')
  }
  await page.keyboard.press('Escape')
  await expect(factOf(page, status, at)).toBeFocused()
}

test('a lead says where items go and what entering a status asks for; a member fills it in on the spot', async ({
  browser,
}) => {
  const [lead, member] = [await demo.as(browser, 'Séverine'), await demo.as(browser, 'Imke', { at: 'The works' })]
  await lead.goto('/app/GLH/set-up/statuses')
  await expect(lead.getByRole('grid')).toBeVisible()
  await tick(lead, 'Being checked', 4, ['signed off', 'a note'])
  await expect(factOf(lead, 'Being checked', 4)).toHaveText('signed off and a note')
  await tick(lead, 'Noted', 3, ['Accepted'])
  await expect(factOf(lead, 'Noted', 3)).toHaveText('anywhere but Accepted')
  await expect(lead.getByRole('contentinfo')).toContainText('29 allowed moves')

  const card = cardsIn(member, 'Noted').first()
  const title = (await card.getAttribute('aria-label'))!
  await card.focus()
  await member.keyboard.press('m')
  await expect(member.getByRole('menuitem', { name: 'Accepted' })).toBeDisabled()
  await expect(member.getByRole('menuitem', { name: 'Accepted' })).toContainText('not from Noted')
  await member.getByRole('menuitem', { name: 'Being checked' }).click()
  const asked = member.getByRole('dialog', { name: 'Being checked asks for signed off and a note' })
  await expect(asked.getByRole('checkbox', { name: 'signed off' })).toBeFocused()
  await isAccessible(member, 'what a status asks for')
  await expect(asked.getByRole('button', { name: 'Go ahead' })).toBeDisabled()
  await member.keyboard.press('Space')
  await asked.getByRole('textbox', { name: 'Note for the history' }).fill('Sounded all twelve bolts')
  await member.keyboard.press('Control+Enter')
  await expect(column(member, 'Being checked').getByRole('article', { name: title })).toBeVisible()
  await member.getByRole('article', { name: title }).focus()
  await member.keyboard.press('Enter')
  await expect(member.getByText('noted: “Sounded all twelve bolts”')).toBeVisible()
  await member.keyboard.press('Escape')

  // One undo takes back all of it, and dragging back in asks again.
  await member.keyboard.press('Control+z')
  await expect(column(member, 'Noted').getByRole('article', { name: title })).toBeVisible()
  await member.getByRole('article', { name: title }).focus()
  await member.keyboard.press('Space')
  for (let i = 0; i < 3; i++) await member.keyboard.press('ArrowRight')
  await expect(member.getByText(/Being checked, place .*asks for signed off and a note/)).toBeAttached()
  await member.keyboard.press('ArrowRight')
  await expect(member.getByText(/Accepted, place .*not from Noted/)).toBeAttached()
  await member.keyboard.press('Space')
  await expect(member.getByText('From Noted an item doesn’t go to Accepted.')).toBeVisible()
  await expect(column(member, 'Noted').getByRole('article', { name: title })).toBeVisible()
})

test('an item typed where something is asked for is added with it, by one undo', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine')
  await page.goto('/app/GLH/set-up/statuses')
  await tick(page, 'In hand', 4, ['a note', 'effort'])
  await page.getByRole('link', { name: 'The works' }).click()
  await page.getByRole('button', { name: 'Add an item to In hand' }).click()
  await page.keyboard.type('Strip the old vine')
  await page.keyboard.press('Enter')
  const asked = page.getByRole('dialog', { name: /^In hand asks for/ })
  await asked.getByRole('textbox', { name: 'effort' }).fill('two')
  await expect(asked.getByText('“two” isn’t a number')).toBeVisible()
  await asked.getByRole('textbox', { name: 'effort' }).fill('2')
  await asked.getByRole('textbox', { name: 'Note for the history' }).fill('Before the frost')
  await asked.getByRole('button', { name: 'Go ahead' }).click()
  await expect(column(page, 'In hand').getByRole('article', { name: 'Strip the old vine' })).toBeVisible()
  await page.getByRole('button', { name: /^Undo adding/ }).click()
  await expect(page.getByRole('article', { name: 'Strip the old vine' })).toBeHidden()
})

test('a column of several statuses asks which one, until one has said the first', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine')
  await page.goto('/app/GLH/set-up/board')
  await factOf(page, 'Ready', 1).focus()
  await page.keyboard.press('Enter')
  await page.getByRole('combobox').fill('Set aside')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'The works' }).click()
  const drop = async () => {
    const card = cardsIn(page, 'Noted').first()
    const title = (await card.getAttribute('aria-label'))!
    await card.focus()
    await page.keyboard.press('Space')
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('Space')
    return title
  }
  const title = await drop()
  const menu = page.getByRole('menu', { name: 'Where in Ready?' })
  await expect(menu.getByRole('menuitem')).toHaveText(['Ready', 'Set aside', 'Always Ready, don’t ask again'])
  await menu.getByRole('menuitem', { name: 'Set aside' }).click()
  await expect(column(page, 'Ready').getByRole('article', { name: title })).toBeVisible()
  await expect(page.getByRole('button', { name: /Undo moving GLH-\d+ to Set aside/ })).toBeVisible()
  await drop()
  await menu.getByRole('menuitem', { name: 'Always Ready' }).click()
  await expect(page.getByRole('button', { name: /Undo moving GLH-\d+ to Ready/ })).toBeVisible()
  const last = await drop()
  await expect(column(page, 'Ready').getByRole('article', { name: last })).toBeVisible()
  await expect(menu).toBeHidden()
})

test('changes of set-up are gathered over its parts, seen in sum, and done and undone as one', async ({ browser }) => {
  const [lead, other] = [await demo.as(browser, 'Séverine'), await demo.as(browser, 'Imke')]
  for (const page of [lead, other]) {
    await page.goto('/app/VIS/set-up/statuses')
    await expect(page.getByRole('grid')).toBeVisible()
  }
  const names = (page: Page) => page.getByRole('row').locator('[role=gridcell]:nth-child(2)').allInnerTexts()
  const before = await names(other)
  await lead.getByRole('button', { name: 'Gather changes' }).click()
  const panel = lead.getByRole('complementary', { name: 'Gathered changes' })
  await expect(panel).toContainText('waits here')
  const rename = async (at: number, to: string) => {
    await factOf(lead, before[at]!, 0).focus()
    await lead.keyboard.press('Enter')
    await lead.getByRole('textbox', { name: 'Status' }).fill(to)
    await lead.keyboard.press('Enter')
  }
  await rename(0, 'Asked')
  await expect(panel).toContainText('1 change, not done yet')
  await rename(0, 'Heard')
  await expect(panel).toContainText('1 change, not done yet')
  await factOf(lead, before[1]!, 0).focus()
  await lead.keyboard.press('Delete')
  await lead.getByRole('button', { name: 'Add it to the others' }).click()
  await expect(panel).toContainText('2 changes, not done yet')
  await lead.getByRole('link', { name: 'Board' }).first().click()
  await expect(panel).toContainText(`removing the status ${before[1]}`)
  await isAccessible(lead, 'gathered changes')
  expect(await names(other)).toEqual(before)
  await panel.getByRole('button', { name: 'Do all of it' }).click()
  await expect(panel).toBeHidden()
  await expect.poll(() => names(other)).toEqual(['Heard', ...before.slice(2)])
  await lead.keyboard.press('Control+z')
  await expect.poll(() => names(other)).toEqual(before)
})

test('columns are dragged, hidden and made wider where they stand; a status is dragged into one', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'Requests' })
  const heads = () => page.locator('.heads h2 .name').allInnerTexts()
  const drag = async (from: { x: number; y: number }, to: { x: number; y: number }) => {
    await page.mouse.move(from.x, from.y)
    await page.mouse.down()
    await page.mouse.move(to.x, to.y, { steps: 6 })
    await page.mouse.up()
  }
  const boxOf = async (at: number) => (await page.locator('[data-board-head]').nth(at).boundingBox())!
  const before = await heads()
  const [first, second] = [await boxOf(0), await boxOf(1)]
  await drag({ x: first.x + 40, y: first.y + 18 }, { x: second.x + second.width - 20, y: second.y + 18 })
  await expect.poll(heads).toEqual([before[1], before[0], ...before.slice(2)])
  await page.keyboard.press('Control+z')
  await expect.poll(heads).toEqual(before)
  await drag({ x: first.x + first.width, y: first.y + 20 }, { x: first.x + first.width + 80, y: first.y + 20 })
  expect(Math.round((await boxOf(0)).width - first.width)).toBeGreaterThan(60)
  const menuOf = async (name: string, act: string) => {
    await page.getByRole('button', { name: `What you can do with ${name}` }).click()
    await page.getByRole('menuitem', { name: act }).click()
  }
  await menuOf(before[0]!, 'As wide as usual')
  await expect.poll(async () => Math.round((await boxOf(0)).width)).toBe(Math.round(first.width))
  await menuOf(before[1]!, 'Hide it from me')
  await expect.poll(heads).toEqual([before[0], ...before.slice(2)])
  await page.reload()
  await page.getByRole('button', { name: `Show ${before[1]}` }).click()
  await expect.poll(heads).toEqual(before)
  await menuOf(before[0]!, 'Add a column after it')
  await page.getByRole('textbox', { name: 'Name of the new column' }).fill('Asked again')
  await page.keyboard.press('Enter')
  await expect.poll(heads).toEqual([before[0], 'Asked again', ...before.slice(1)])

  await page.goto('/app/VIS/set-up/board')
  const row = (name: string) => page.getByRole('row').filter({ has: page.getByRole('gridcell', { name, exact: true }).first() }).first() // prettier-ignore
  const status = (await row(before[1]!).locator('.held').first().boundingBox())!
  const to = (await row('Asked again').boundingBox())!
  await drag({ x: status.x + 10, y: status.y + 8 }, { x: to.x + 200, y: to.y + 14 })
  await expect(row('Asked again').locator('.held')).toHaveText([before[1]!])
  await expect(page.getByRole('button', { name: /^Undo changing what/ })).toBeVisible()
})

test('projects are folded for oneself and dragged in the index; settings are kept for the person', async ({
  browser,
}) => {
  const [page, again] = [await demo.as(browser, 'Séverine'), await demo.as(browser, 'Séverine')]
  const name = (of: Page, project: string) => of.getByRole('button', { name: new RegExp(`^${project} `) })
  await name(page, 'Visitors ask').click()
  await expect(page.getByRole('link', { name: 'Requests' })).toBeHidden()
  await expect(again.getByRole('link', { name: 'Requests' })).toBeHidden()
  await name(page, 'Visitors ask').press('Enter')
  await expect(again.getByRole('link', { name: 'Requests' })).toBeVisible()
  const order = () =>
    page.locator('[data-project]').evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')))
  expect(await order()).toEqual(['Glasshouse', 'Visitors ask', 'Seed bank'])
  const [from, to] = [(await name(page, 'Seed bank').boundingBox())!, (await name(page, 'Glasshouse').boundingBox())!]
  await page.mouse.move(from.x + 10, from.y + 10)
  await page.mouse.down()
  await page.mouse.move(to.x + 12, to.y + 2, { steps: 6 })
  await page.mouse.up()
  await expect.poll(order).toEqual(['Seed bank', 'Glasshouse', 'Visitors ask'])
  await expect(page.getByRole('link', { name: 'Packets' })).toBeVisible()
  await name(page, 'Seed bank').press('Alt+ArrowDown')
  await expect.poll(order).toEqual(['Glasshouse', 'Seed bank', 'Visitors ask'])

  await page.goto('/app/settings')
  const choose = async (label: string, option: string) => {
    await page.getByRole('combobox', { name: label }).click({ force: true })
    await page.getByRole('option', { name: option, exact: true }).click()
  }
  await choose('Theme', 'night')
  await choose('Rows', 'close together')
  await choose('The week begins on', 'Sunday')
  await expect(again.locator('html')).toHaveAttribute('data-theme', 'night')
  await again.getByRole('link', { name: 'All items' }).first().click()
  const row = again.getByRole('row').nth(3)
  await expect.poll(async () => Math.round((await row.boundingBox())?.height ?? 0)).toBe(29)
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('combobox', { name: 'The week begins on' })).toHaveValue('Monday')
  await page.keyboard.press('Control+z')
  await expect.poll(async () => Math.round((await row.boundingBox())?.height ?? 0)).toBe(33)
})

test('an owner deletes a project for good, also while somebody drags in it', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine')
  const member = await demo.as(browser, 'Imke', { at: 'Requests' })
  await cardsIn(member, (await member.locator('.heads h2 .name').first().innerText()).trim())
    .first()
    .focus()
  await member.keyboard.press('Space')
  await page.getByRole('button', { name: 'What you can do with Visitors ask' }).click()
  await page.getByRole('menuitem', { name: 'Delete Visitors ask for good' }).click()
  const asked = page.getByRole('dialog', { name: 'Delete Visitors ask for good?' })
  const held = await numberIn(asked, /It holds ([\d,]+) items?/)
  await expect(asked.getByRole('textbox')).toBeFocused()
  await isAccessible(page, 'deleting a project for good')
  await asked.getByRole('textbox').fill('1')
  await expect(asked.getByRole('button', { name: 'Delete it for good' })).toBeDisabled()
  await asked.getByRole('textbox').fill(String(held))
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Visitors ask' })).toBeHidden()
  await expect(member.getByRole('region', { name: 'Visitors ask' })).toBeHidden({ timeout: 5000 })
  await member.keyboard.press('ArrowRight')
  await member.keyboard.press('Space')
  await expect(member.getByText('There’s no such project')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeHidden()
})
