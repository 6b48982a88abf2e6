import type { Page } from '@playwright/test'
import { expect, isAccessible, test, useDemo } from '../kit/pages'

const demo = useDemo()
const list = (page: Page, name: string) => page.getByRole('list', { name, exact: true })
const part = (page: Page, name: string) =>
  page.locator('section').filter({ has: page.getByRole('heading', { name, exact: true }) })
async function workingTime(page: Page): Promise<Page> {
  if (page.viewportSize()!.width < 700) await page.goto('/app/working-time')
  else {
    await page.getByRole('link', { name: 'People' }).click()
    await page.getByRole('link', { name: 'Working time' }).click()
  }
  await expect(list(page, 'Holidays').getByRole('listitem')).not.toHaveCount(0)
  return page
}

test('holidays are typed by keyboard, shown at once to everyone, changed and taken back', async ({ browser }) => {
  const [lead, other] = [
    await workingTime(await demo.as(browser, 'Imke')),
    await workingTime(await demo.as(browser, 'Noor', { phone: true })),
  ]
  await isAccessible(lead, 'working time')
  const holidays = part(lead, 'Holidays')
  await holidays.getByRole('textbox', { name: 'Days' }).fill('27 Dec')
  await lead.keyboard.press('End')
  await lead.keyboard.type(' – soon')
  await lead.keyboard.press('Enter')
  await expect(holidays.getByText('A day, or two with a dash')).toBeVisible()
  await holidays.getByRole('textbox', { name: 'Days' }).fill('28 Dec – 24 Dec 2026')
  await holidays.getByRole('textbox', { name: 'What for' }).fill('Between the years')
  await lead.keyboard.press('Enter')
  await expect(lead.getByText('before it starts')).toBeVisible()
  await holidays.getByRole('textbox', { name: 'Days' }).fill('28 Dec – 31 Dec')
  await lead.keyboard.press('Enter')
  const row = (page: Page) => list(page, 'Holidays').getByRole('listitem').filter({ hasText: 'Between the years' })
  await expect(row(lead)).toContainText('4 working days')
  // The next is typed at once.
  await expect(holidays.getByRole('textbox', { name: 'Days' })).toBeFocused()
  await expect(row(other)).toContainText('28 Dec – 31 Dec')
  await row(lead)
    .getByRole('button', { name: /Change the days/ })
    .click()
  await lead.keyboard.type('28 Dec – 3 Jan')
  await lead.keyboard.press('Enter')
  // New Year's Day is a holiday already; the weekend is none that is worked.
  await expect(row(other)).toContainText('4 working days')
  await expect(row(other)).toContainText('3 Jan 2027')
  await row(lead).getByRole('button', { name: 'Remove Between the years' }).click()
  await expect(row(other)).toHaveCount(0)
  await lead.keyboard.press('Control+z')
  await expect(row(other)).toHaveCount(1)
})

test('whoever works says when they are away; who leads says which days are worked', async ({ browser }) => {
  const [noor, lead] = [
    await workingTime(await demo.as(browser, 'Noor')),
    await workingTime(await demo.as(browser, 'Imke')),
  ]
  // Of everyone, a contributor changes nothing.
  await expect(part(noor, 'Holidays').getByRole('textbox')).toHaveCount(0)
  await expect(noor.getByRole('button', { name: 'Monday' })).toBeDisabled()
  const away = part(noor, 'Days off')
  await away.getByRole('textbox', { name: 'Days' }).fill('tomorrow')
  await away.getByRole('textbox', { name: 'What for' }).fill('Moving house')
  await noor.keyboard.press('Enter')
  const row = (page: Page) => list(page, 'Days off').getByRole('listitem').filter({ hasText: 'Moving house' })
  await expect(row(lead)).toContainText('Noor Castellane')
  await expect(row(lead)).toContainText('1 working day')
  const hamid = list(noor, 'Days off').getByRole('listitem').filter({ hasText: 'Hamid' })
  await expect(hamid.getByRole('button', { name: /^Remove/ })).toHaveCount(0)

  const tuesday = lead.getByRole('button', { name: 'Tuesday' })
  await expect(tuesday).toHaveAttribute('aria-pressed', 'true')
  await tuesday.click()
  await expect(noor.getByRole('button', { name: 'Tuesday' })).toHaveAttribute('aria-pressed', 'false')
  await expect(noor.getByText('4 working days a week')).toBeVisible()
  for (const day of ['Monday', 'Wednesday', 'Thursday', 'Friday']) {
    const button = lead.getByRole('button', { name: day })
    await button.click()
    if (day === 'Friday') await expect(lead.getByText('At least one day of the week has to be worked.')).toBeVisible()
    else await expect(button).toHaveAttribute('aria-pressed', 'false')
  }
  await expect(lead.getByRole('button', { name: 'Friday' })).toHaveAttribute('aria-pressed', 'true')
})
