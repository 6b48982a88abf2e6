import type { Page } from '@playwright/test'
import { bringInto, choose, expect, test, useDemo, saveForAll } from '../kit/pages'

const demo = useDemo()

/** A field of every sort that somebody fills in: how it is chosen, what is typed into it, and what then stands there. */
const fields = [
  { name: 'Motto', type: 'short text', typed: 'Bring a spade', shown: 'Bring a spade', inFile: 'Dig in' },
  { name: 'Tables', type: 'number', typed: '1 200', shown: '1200', inFile: '12' },
  { name: 'Pitch fee', type: 'money', typed: '1.2k', shown: '€', inFile: '45.50' },
  { name: 'Setting up', type: 'duration', typed: '1d 4h', shown: '1 d 4 h', inFile: '90 min' },
  { name: 'Light', type: 'one option', options: 'sun\nhalf shade\nshade', typed: 'half', shown: 'half shade', inFile: 'shade' }, // prettier-ignore
  { name: 'Plants', type: 'several options', options: 'herbs\nferns\nroses', typed: 'ferns', shown: 'ferns', inFile: 'herbs; roses' }, // prettier-ignore
  { name: 'Opens', type: 'date and time', typed: 'tomorrow 14:00', shown: '14:00', inFile: '2027-05-01 09:30' },
  { name: 'Insured', type: 'checkbox', typed: '', shown: '✓', inFile: 'yes' },
  { name: 'Hard', type: 'rating', typed: '3', shown: '3 of 5', inFile: '4' },
  { name: 'Fares', type: 'health', typed: 'watch', shown: 'needs watching', inFile: 'going well' },
  { name: 'Page', type: 'web link', typed: 'www.fair.example/beds', shown: 'fair.example/beds', inFile: 'https://fair.example/a' }, // prettier-ignore
  {
    name: 'Letters',
    type: 'e-mail',
    typed: 'stall@fair.example',
    shown: 'stall@fair.example',
    inFile: 'b@fair.example',
  },
  { name: 'Call', type: 'phone', typed: '+49 351 1234567', shown: '+49 351 1234567', inFile: '112' },
] as const

async function add(page: Page, title: string): Promise<void> {
  await page.getByLabel('Add an item').fill(title)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('gridcell', { name: title, exact: true })).toBeVisible()
}

test('a project for another craft from nothing: kinds, fields of all types, computed and rolled up, filled by typing, then a file of all of it', async ({
  browser,
}) => {
  test.setTimeout(150_000)
  const page = await demo.as(browser, 'Séverine')
  await page.getByRole('button', { name: 'Start a project' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Plant fair')
  await page.getByRole('button', { name: 'Start the project' }).click()
  await expect(page.getByText('Nothing here yet')).toBeVisible()
  const table = page.url()

  // Three kinds; what a new one of them has.
  await page.goto('/app/PLA/set-up/kinds')
  const kinds = page.getByRole('grid', { name: 'Kinds' })
  for (const name of ['stall', 'talk', 'errand']) {
    await page.getByRole('button', { name: 'A new kind' }).click()
    await page.getByRole('textbox', { name: 'What is it called?' }).fill(name)
    await page.keyboard.press('Enter')
    // The one just made takes the keyboard.
    await expect(kinds.getByRole('gridcell', { name, exact: true })).toBeFocused()
  }
  const stall = kinds.getByRole('row').filter({ has: page.getByRole('gridcell', { name: 'stall', exact: true }) })
  await stall.getByRole('gridcell').nth(3).press('Enter')
  await page.getByRole('combobox', { name: 'Say it of a field' }).pressSequentially('eff')
  await page.getByRole('textbox', { name: 'Value' }).fill('2')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(stall).toContainText('effort')

  await page.goto(table)
  const heads = page.getByRole('columnheader')
  const begin = async (name: string, type: string) => {
    await page.getByRole('button', { name: 'A new field' }).click()
    const dialog = page.getByRole('dialog', { name: 'A new field' })
    await dialog.getByLabel('What is it called?').fill(name)
    const holds = dialog.getByRole('combobox', { name: 'What does it hold?' })
    // A list that is closed is chosen from by typing how a choice begins; a blank would open it.
    if (type === 'date and time') await choose(holds, /^date and time/)
    else await holds.pressSequentially(type.split(' ')[0]!)
    await expect(dialog.locator('.v-select').first()).toContainText(type)
    return dialog
  }
  const end = async (dialog: Awaited<ReturnType<typeof begin>>, name: string) => {
    await dialog.getByRole('button', { name: 'Add the field' }).click()
    await expect(heads.filter({ hasText: name })).toBeVisible()
  }
  for (const field of fields) {
    const dialog = await begin(field.name, field.type)
    if ('options' in field) await dialog.getByLabel('Options, one a line').fill(field.options)
    await end(dialog, field.name)
  }
  const relation = await begin('Brings', 'relation')
  await relation.getByLabel('What is it called at the other end?').fill('Brought by')
  await relation.getByRole('checkbox', { name: 'One item at most at the other end' }).check()
  await end(relation, 'Brings')
  const computed = await begin('With a tenth more', 'computed')
  await computed.getByRole('textbox', { name: 'Formula' }).fill('`Pitch fee` * 1.1')
  await expect(computed.getByText('There are no items yet')).toBeVisible()
  await end(computed, 'With a tenth more')
  const rollUp = await begin('Tables brought', 'roll-up')
  await choose(rollUp.getByRole('combobox', { name: 'Of which items' }), 'those in Brings')
  await choose(rollUp.getByRole('combobox', { name: 'Which field' }), 'Tables')
  await end(rollUp, 'Tables brought')

  await saveForAll(page)
  // Filled by typing.
  for (const title of ['Herb stall', 'Fern stall', 'Rose talk']) await add(page, title)
  const cell = async (key: string, name: string) => {
    const at = (await heads.allInnerTexts()).findIndex((head) => head.trim() === name)
    const row = page.getByRole('row').filter({ has: page.getByRole('gridcell', { name: key, exact: true }) })
    return row.locator(`[role=gridcell][data-column="${at}"]`)
  }
  for (const { name, typed, shown } of fields) {
    const place = await cell('PLA-1', name)
    await place.scrollIntoViewIfNeeded()
    await place.click()
    if (typed) {
      await page.keyboard.press('Enter')
      await page.keyboard.press('Control+a')
      await page.keyboard.type(typed)
      await page.keyboard.press('Enter')
    } else await page.keyboard.press(' ')
    if (name === 'Plants') await page.keyboard.press('Escape')
    await expect(place).toContainText(shown)
  }
  await expect(await cell('PLA-1', 'With a tenth more')).toHaveText('1320.00 €')
  // A relation is filled from either end; the roll-up follows, also in another browser.
  const brings = await cell('PLA-3', 'Brings')
  await brings.click()
  await page.keyboard.press('Enter')
  await page.keyboard.type('herb')
  await page.keyboard.press('Enter')
  await expect(brings).toContainText('PLA-1')
  await page.keyboard.press('Escape')
  await expect(await cell('PLA-3', 'Tables brought')).toHaveText('1200')
  const other = await demo.as(browser, 'Imke')
  await other.goto('/app/items/PLA-1')
  const facts = other.getByRole('complementary').first()
  await facts.getByRole('button', { name: 'PLA-3 Rose talk' }).click()
  await expect(other).toHaveURL(/PLA-3/)
  await facts.getByRole('button', { name: 'Change Brings' }).click()
  await other.getByRole('button', { name: 'Take PLA-1 out' }).click()
  await other.keyboard.type('fern')
  await other.keyboard.press('Enter')
  await expect(brings).toHaveText(/PLA-2 ?Fern stall/)
  await expect(await cell('PLA-3', 'Tables brought')).toHaveText('')
  // What has been taken elsewhere is not taken twice.
  const first = await cell('PLA-1', 'Brings')
  await first.click()
  await page.keyboard.press('Enter')
  await page.keyboard.type('fern')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert').last()).toContainText('PLA-2 already has PLA-3 as its Brought by, which takes one item.') // prettier-ignore
  await page.keyboard.press('Escape')

  // A file with all of it.
  const lines = [
    ['Title', 'Kind', ...fields.map(({ name }) => name), 'Brings'],
    ['Seed swap', 'stall', ...fields.map(({ inFile }) => inFile), 'PLA-1'],
    ['Lost row', 'stall', ...fields.map(() => ''), 'PLA-99'],
  ].map((cells) => cells.join(',') + '\n')
  await bringInto(page, 'Plant fair')
  await page.locator('input[type=file]').setInputFiles({ name: 'fair.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('')) }) // prettier-ignore
  await expect(page.getByText('there’s no item “PLA-99”')).toBeVisible()
  await page.getByRole('button', { name: 'Bring in 1 item', exact: true }).click()
  await expect(page.getByText('1 item is in')).toBeVisible()
  await page.goto(table)
  const said: Readonly<Record<string, string>> = {
    Motto: 'Dig in', Tables: '12', 'Pitch fee': '45.50 €', 'Setting up': '1 h 30 min', Light: 'shade', Insured: '✓', Hard: '4 of 5',
    Fares: 'going well', Page: 'fair.example/a', Letters: 'b@fair.example', Call: '112', Brings: 'PLA-1', Effort: '2 h', 'With a tenth more': '50.05 €', 'Tables brought': '1200',
  } // prettier-ignore
  for (const [name, text] of Object.entries(said)) await expect(await cell('PLA-4', name)).toContainText(text)
  for (const plant of ['herbs', 'roses']) await expect(await cell('PLA-4', 'Plants')).toContainText(plant)
})
