import { scrollThrough } from '../../bench/browser'
import { foundProject } from '../../bench/data'
import { Client } from '../kit/client'
import { expect, test, useDemo } from '../kit/pages'

const demo = useDemo()

test('ten thousand items are scrolled from end to end and back without a blank frame', async ({ browser }) => {
  // Over a thousand frames each way.
  test.setTimeout(180_000)
  const client = await new Client(demo.server().url).stepInAs('Séverine')
  const { table } = await foundProject(client, 'TEN', 10_000)
  const page = await demo.as(browser, 'Séverine')
  await page.goto(`/app/TEN/${table}`)
  await expect(page.getByRole('grid')).toHaveAttribute('aria-rowcount', '10001')
  await expect(page.getByRole('gridcell', { name: 'TEN-1', exact: true })).toBeVisible()
  await page.waitForTimeout(1000)
  const { frames, blank } = await scrollThrough(page, 300)
  expect(frames.length).toBeGreaterThan(2000)
  expect(blank).toBe(0)
  // What flew past is whole again once it is calm.
  await expect(page.locator('[data-row="3"][data-column="4"]')).toBeVisible()
})
