import type { Page } from '@playwright/test'
import { cardsIn, column, expect, isAccessible, test, useDemo } from '../kit/pages'

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
