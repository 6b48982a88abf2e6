import { join } from 'node:path'
import { bringInto, choose, expect, test, useDemo } from '../kit/pages'
import { root } from '../kit/server'

const demo = useDemo()
const sample = join(root, 'tests/fixtures/restoration.csv')
const csv = (text: string | Buffer, name = 'list.csv') => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

test('the restoration file: counts, faults, confirmed, and undone whole', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine')
  const other = await demo.as(browser, 'Imke', { at: 'All items' })
  const before = (await other.locator('.count b').textContent())!
  await bringInto(page, 'Glasshouse')
  await page.locator('input[type=file]').setInputFiles(sample)
  await expect(page.getByRole('button', { name: 'Bring in 412 items' })).toBeEnabled()
  const side = page.locator('.sum')
  await expect(side).toContainText('412rows become items, in 5 levels')
  await expect(side).toContainText('8rows stay out until fixed')
  await expect(side).toContainText('4items move up a level')
  await expect(side).toContainText('12people, who all have accounts')
  for (const line of [56, 107, 143, 208, 218, 219, 271, 298])
    await expect(page.getByLabel(`Fix line ${line}`)).toBeAttached()
  await expect(other.locator('.count b')).toHaveText(before)

  await page.getByRole('button', { name: 'Bring in 412 items' }).click()
  await expect(page.getByText('412 items are in')).toBeVisible({ timeout: 20_000 })
  await expect(other.locator('.count b')).toHaveText(String(Number(before) + 412))
  await page.getByRole('button', { name: 'See them' }).click()
  await expect(page.locator('.count b')).toHaveText(String(Number(before) + 412))
  await page.getByRole('button', { name: /Undo bringing in 412 items/ }).click()
  await expect(page.locator('.count b')).toHaveText(before, { timeout: 20_000 })
  await expect(other.locator('.count b')).toHaveText(before)
})

test('a row is mended there, and an unknown status must be said', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke')
  await bringInto(page, 'Seed bank')
  await page
    .locator('input[type=file]')
    .setInputFiles(csv('Title;Status;Due\nSow leeks;sprouting;2026-02-30\nHoe;Ready;2026-03-01\n'))
  const go = page.getByRole('button', { name: 'Bring in 1 item', exact: true })
  await expect(go).toBeDisabled()
  await choose(page.getByLabel('Status: sprouting'), 'In hand')
  await expect(go).toBeEnabled()
  await page.getByLabel('Fix line 2').fill('2026-02-28')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Bring in 2 items' }).click()
  await expect(page.getByText('2 items are in')).toBeVisible()
})

test('files that cannot be brought in say why, and change nothing', async ({ browser }) => {
  const page = await demo.as(browser, 'Imke')
  await bringInto(page, 'Seed bank')
  const input = page.locator('input[type=file]')
  const alert = page.locator('.choose').getByRole('alert')
  await input.setInputFiles(csv(''))
  await expect(alert).toContainText('the file is empty')
  await input.setInputFiles(csv(Buffer.from([0x50, 0x4b, 3, 4, 0, 0, 1]), 'archive.csv'))
  await expect(alert).toContainText('not a text file')
  await input.setInputFiles(csv(Buffer.from([0x54, 0x69, 0x0a, 0xff, 0xfe, 0x41])))
  await expect(alert).toContainText('not UTF-8')
  await input.setInputFiles(csv(`Title\n${'x\n'.repeat(60_000)}`))
  await expect(alert).toContainText('60000 rows is too many; a file can hold 50000')
  await input.setInputFiles(csv('Title\nOnly one column\n'))
  await expect(page.getByRole('button', { name: 'Bring in 1 item', exact: true })).toBeEnabled()
  await page.keyboard.press('Escape')
  await expect(page).toHaveURL(/\/app\/SED\/[0-9a-f-]+$/)
})
