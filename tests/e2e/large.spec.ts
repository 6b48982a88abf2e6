import { scrollThrough } from '../../bench/browser'
import { foundProject } from '../../bench/data'
import { Client } from '../kit/client'
import { choose, expect, numberIn, test, useDemo } from '../kit/pages'

const demo = useDemo()

test('ten thousand items are scrolled from end to end and back without a blank frame', async ({ browser }) => {
  // Over five hundred frames each way, at some two thousand rows a second.
  test.setTimeout(180_000)
  const client = await new Client(demo.server().url).stepInAs('Séverine')
  const { table } = await foundProject(client, 'TEN', 10_000)
  const page = await demo.as(browser, 'Séverine')
  await page.goto(`/app/TEN/${table}`)
  await expect(page.getByRole('grid')).toHaveAttribute('aria-rowcount', '10001')
  await expect(page.getByRole('gridcell', { name: 'TEN-1', exact: true })).toBeVisible()
  await page.waitForTimeout(1000)
  const { frames, blank } = await scrollThrough(page, 600)
  expect(frames.length).toBeGreaterThan(1000)
  expect(blank).toBe(0)
  // What flew past is whole again once it is calm.
  await expect(page.locator('[data-row="3"][data-column="4"]')).toBeVisible()
})

/** Made once for both tests: it takes as long as all else in them. */
let made: ReturnType<typeof foundProject> | undefined
const fiftyThousand = (client: Client) => (made ??= foundProject(client, 'FIF', 50_000))

test('fifty thousand items are filtered and grouped while another browser changes them', async ({ browser }) => {
  test.setTimeout(240_000)
  const client = await new Client(demo.server().url).stepInAs('Séverine')
  const { table } = await fiftyThousand(client)
  const [page, other] = [await demo.as(browser, 'Séverine'), await demo.as(browser, 'Imke')]
  for (const one of [page, other]) {
    await one.goto(`/app/FIF/${table}`)
    await expect(one.getByRole('grid')).toHaveAttribute('aria-rowcount', '50001')
  }
  const words = page.getByRole('combobox', { name: 'And …' })
  const count = () => numberIn(page.locator('.count b'))
  await page.getByRole('button', { name: 'and …' }).click()
  await words.fill('title has ridge, not finished, by status then need, sum of effort')
  await expect(page.getByRole('option', { name: /by status then need/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect.poll(count).toBeLessThan(50_000)
  const [before, head] = [await count(), page.getByRole('gridcell', { name: /^Fold Noted, / })]
  await expect(head).toBeVisible()
  const noted = Number(/(\d+) items/.exec((await head.getAttribute('aria-label'))!)![1])
  const added = other.getByRole('textbox', { name: 'Add an item' })
  for (const title of ['A ridge of another', 'One more ridge', 'A door']) {
    await added.fill(title)
    await added.press('Enter')
  }
  await expect.poll(count).toBe(before + 2)
  await expect(head).toHaveAttribute('aria-label', new RegExp(`${noted + 2} items`))
  // One's own change of the question goes on meanwhile.
  await page.getByRole('button', { name: 'and …' }).click()
  await words.fill('“of another”')
  await expect(page.getByRole('option', { name: /of another/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect.poll(count).toBe(1)
  await expect(page.getByRole('gridcell', { name: /A ridge of another/ })).toBeVisible()
})

test('fifty thousand items being changed are stopped midway, and none is changed', async ({ browser }) => {
  test.setTimeout(240_000)
  const client = await new Client(demo.server().url).stepInAs('Séverine')
  const { table, project } = await fiftyThousand(client)
  const page = await demo.as(browser, 'Séverine')
  await page.goto(`/app/FIF/${table}`)
  await expect(page.getByRole('grid')).toHaveAttribute('aria-rowcount', /^5000\d$/)
  const statuses = async () => {
    const held = new Map<string, number>()
    for (const { status } of await client.items(project)) held.set(status, (held.get(status) ?? 0) + 1)
    return [...held].sort(([a], [b]) => (a < b ? -1 : 1))
  }
  const before = await statuses()
  await page.locator('[data-row="0"][data-column="1"]').focus()
  await page.keyboard.press('Control+a')
  const bar = page.getByRole('group', { name: 'What you can do with the selected items' })
  await expect(bar).toContainText(/50,00\d selected/)
  await bar.getByRole('button', { name: 'Change …' }).click()
  const form = page.getByRole('form', { name: /^Change 50,00\d items/ })
  await choose(form.getByRole('combobox', { name: 'becomes' }), 'Ready')
  await form.getByRole('button', { name: /^Change 50,00\d/ }).click()
  await page.getByRole('button', { name: 'Stop', exact: true }).click()
  await expect(page.getByText('Stopped. Nothing was changed.')).toBeVisible()
  expect(await statuses()).toEqual(before)
})
