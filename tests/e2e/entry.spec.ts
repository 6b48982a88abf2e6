import type { Page } from '@playwright/test'
import { Client } from '../kit/client'
import { expect, numberIn, test, useDemo } from '../kit/pages'

const demo = useDemo()
const count = (page: Page): Promise<number> => numberIn(page.locator('.count b'))
/** Pastes text where the keyboard is. */
const paste = (page: Page, text: string): Promise<void> =>
  page.evaluate((text) => {
    const clipboardData = new DataTransfer()
    clipboardData.setData('text/plain', text)
    document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true })) // prettier-ignore
  }, text)

test('twenty lines with indents become a branch, seen beforehand and undone as one; a few are added at once', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const all = await count(page)
  const line = page.getByRole('textbox', { name: 'Add an item' })
  await line.focus()
  const bays = ['North', 'South', 'East', 'West'].map(
    (bay) => `  - ${bay} bay\n    - Scrape\n    - Prime\n    - [x] Measure`,
  )
  await paste(
    page,
    ['- Paint the bays', ...bays, '- Tidy the loft', '- Burn the rags', '- Return the scaffold'].join('\n'),
  )
  const preview = page.getByRole('dialog', { name: 'Add 20 items?' })
  await expect(preview.getByText('On 3 levels')).toBeVisible()
  await expect(preview.getByRole('listitem').nth(4)).toHaveText(/^finished · Measure$/)
  await page.keyboard.press('Escape')
  await expect(preview).toBeHidden()
  await expect(line).toBeFocused()
  expect(await count(page)).toBe(all)
  await paste(
    page,
    ['- Paint the bays', ...bays, '- Tidy the loft', '- Burn the rags', '- Return the scaffold'].join('\n'),
  )
  await expect(preview.getByRole('button', { name: 'Add 20 items' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect.poll(() => count(page)).toBe(all + 20)
  await expect(line).toBeFocused()

  // What lies inside what: the branch has four, and each of them three.
  const client = await new Client(demo.server().url).stepInAs('Séverine')
  const { records } = await client.directory()
  const items = await client.items(records.project.find(({ prefix }) => prefix === 'GLH')!.id)
  const inside = (title: string) => {
    const above = items.find((one) => one.title === title)
    return items.filter(({ parent }) => parent === above?.id).map((one) => one.title)
  }
  expect(inside('Paint the bays').sort()).toEqual(['East bay', 'North bay', 'South bay', 'West bay'])
  expect(inside('West bay').sort()).toEqual(['Measure', 'Prime', 'Scrape'])
  // In the line itself Ctrl+Z is about what is typed.
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await expect.poll(() => count(page)).toBe(all)

  await page.goto(`${page.url()}?item=GLH-6`)
  const panel = page.getByRole('complementary')
  await panel.getByRole('textbox', { name: /inside/ }).focus()
  await paste(page, 'Roof\nDoors\n  Hinges\n')
  await expect(panel.getByRole('button', { name: /Roof|Doors/ })).toHaveCount(2)
  await expect.poll(() => count(page)).toBe(all + 3)
})

test('lines that are pasted between two rows are seen beforehand, too, and stand there', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const all = await count(page)
  await page.locator('[data-row="1"][data-column="1"]').click()
  await page.keyboard.press('Insert')
  const line = page.getByRole('textbox', { name: 'Add an item here' })
  await expect(line).toBeFocused()
  const text = Array.from({ length: 12 }, (_, i) => `Rack ${i + 1}`).join('\n')
  const preview = page.getByRole('dialog', { name: 'Add 12 items?' })
  await paste(page, text)
  await expect(preview.getByRole('button', { name: 'Add 12 items' })).toBeFocused()
  await page.keyboard.press('Escape')
  await expect(preview).toBeHidden()
  await expect(line).toBeFocused()
  await paste(page, text)
  await expect(preview.getByRole('button', { name: 'Add 12 items' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect.poll(() => count(page)).toBe(all + 12)
  await expect(page.locator('[data-row="2"][data-column="1"]')).toHaveText('Rack 1')
  await expect(page.locator('[data-row="13"][data-column="1"]')).toHaveText('Rack 12')
})

test('a table that is pasted is brought in as a file is', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await page.getByRole('textbox', { name: 'Add an item' }).focus()
  await paste(page, 'Title\tEffort\tBay\nOil the vents\t2\tPalm court\nOil the hinges\t1.5\tNorth bay\n')
  await page.waitForURL('**/bring-in')
  await expect(page.getByRole('button', { name: 'Bring in 2 items' })).toBeEnabled()
  await page.getByRole('button', { name: 'Bring in 2 items' }).click()
  await expect(page.getByText('2 items are in')).toBeVisible()
})

test('one line is typed text, whatever is pasted with it', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const line = page.getByRole('textbox', { name: 'Add an item' })
  await line.focus()
  // What the browser does with a paste that nobody prevents is its own.
  const isPrevented = (text: string) =>
    page.evaluate((text) => {
      const clipboardData = new DataTransfer()
      clipboardData.setData('text/plain', text)
      return !document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true })) // prettier-ignore
    }, text)
  expect(await isPrevented('- Oil the vents\n')).toBe(false)
  expect(await isPrevented(`${'a'.repeat(1 << 20)}`)).toBe(false)
  await page.keyboard.press('Escape')
})
