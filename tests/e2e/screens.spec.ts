import type { Page } from '@playwright/test'
import { generateNKeysBetween } from 'fractional-indexing'
import { v7 } from 'uuid'
import { Client } from '../kit/client'
import { expect, test, useDemo } from '../kit/pages'
import { faultsOn } from '../kit/probe'

const demo = useDemo()
const sizes = [[390, 844], [768, 1024], [1280, 800], [1600, 1000]] as const // prettier-ignore

const word = 'Gewächshausdachrinnenentwässerungsanlagen'
const longTitle = `${word} along the whole length of the south bay, with every bracket, gutter and downpipe taken off, scraped, primed, painted twice, and put back before the first frost of the year`

/** An item with a word of forty letters, a very long title and ten people on it, in the hands of whoever looks. */
test.beforeAll(async () => {
  const client = await new Client(demo.server().url).stepInAs('Séverine')
  const { records } = await client.directory()
  const project = records.project.find((one) => one.prefix === 'GLH')!
  const named = (name: string) => records.field.find((one) => one.project === project.id && one.name === name)!.id
  const people = records.person.slice(0, 10).map((one) => one.id)
  const kind = records.kind.find((one) => one.project === project.id)!
  const status = records.status.find((one) => one.project === project.id && one.name === 'In hand')!
  const ranks = generateNKeysBetween('a9', null, 40)
  const tags = Array.from({ length: 40 }, (_, i) => ({ id: v7(), field: named('tags'), label: `tag number ${i + 1}`, colour: 'moss', rank: ranks[i]!, archived: false })) // prettier-ignore
  for (const record of tags) expect(await client.command('option.add', { record })).toMatchObject({ entry: {} })
  const item = { project: project.id, kind: kind.id, status: status.id, parent: null }
  const held = { [named('assignees')]: people, [named('tags')]: tags.map((one) => one.id) }
  const items = [
    { ...item, item: v7(), title: longTitle, values: held },
    { ...item, item: v7(), title: word.repeat(3), values: held },
  ]
  expect(await client.command('items.add', { items })).toMatchObject({ entry: {} })
})

/** The main screens, each as it is shown. */
const screens: Record<string, (page: Page) => Promise<void>> = {
  queue: async (page) => void (await page.goto('/app')),
  board: (page) => openView(page, 'The works'),
  table: (page) => openView(page, 'All items'),
  'an item beside': async (page) => {
    await openView(page, 'All items')
    await page.goto(`${page.url()}?item=GLH-6`)
    await expect(page.getByText('What happened')).toBeVisible()
  },
  'a phrase': async (page) => {
    await openView(page, 'All items')
    if (await page.getByRole('button', { name: 'all phrases' }).isVisible())
      await page.getByRole('button', { name: 'all phrases' }).click()
    await page.getByRole('button', { name: 'and …' }).click()
    await expect(page.getByRole('option').first()).toBeVisible()
  },
  'bringing in': async (page) => void (await page.goto('/app/GLH/bring-in')),
}
let addresses: Record<string, string> = {}
async function openView(page: Page, name: string): Promise<void> {
  if (!addresses[name]) {
    const { records } = await (await new Client(demo.server().url).stepInAs('Séverine')).directory()
    const project = records.project.find((one) => one.prefix === 'GLH')!
    addresses = Object.fromEntries(records.view.filter((one) => one.project === project.id).map((one) => [one.name, `/app/GLH/${one.id}`])) // prettier-ignore
  }
  await page.goto(addresses[name]!)
  await expect(page.locator('.count b')).toBeVisible()
}

for (const [width, height] of sizes)
  // Not yet: heads of columns, names in a board's head and rows of the queue are lower than 24 px (44 on a phone).
  test.fixme(`every main screen is whole at ${width} × ${height}, by day and by night`, async ({ browser }) => {
    const page = await demo.as(browser, 'Séverine')
    await page.setViewportSize({ width, height })
    const found: Record<string, string[]> = {}
    for (const theme of ['day', 'night']) {
      await page.evaluate((name) => localStorage.setItem('wrenleaf-theme', name), theme)
      for (const [name, show] of Object.entries(screens)) {
        await show(page)
        await page.waitForTimeout(500)
        const faults = await faultsOn(page, width < 701 ? 44 : 24)
        if (faults.length) found[`${name}, ${theme}`] = faults
      }
    }
    expect(found).toEqual({})
  })
