import type { Page } from '@playwright/test'
import { generateNKeysBetween } from 'fractional-indexing'
import { v7 } from 'uuid'
import { starterPattern } from '#core/projects/starter-pattern'
import { Client } from '../kit/client'
import { act, choose, expect, isAccessible, test, useDemo } from '../kit/pages'
import { faultsOn } from '../kit/probe'

const demo = useDemo()
/** A phone and a laptop; those between and beyond with what explores far (`npm run test:deep`). */
const sizes = process.env.WRENLEAF_DEEP ? ([[390, 844], [768, 1024], [1280, 800], [1600, 1000]] as const) : ([[390, 844], [1280, 800]] as const) // prettier-ignore

/** Where a screen is also looked at as assistive programs do: what stands on it is the same at every size. */
const isChecked = (width: number): boolean => width === 1280
// One of them takes as long as all others together.
test.describe.configure({ mode: 'parallel' })

const word = 'Gewächshausdachrinnenentwässerungsanlagen'
const longTitle = `${word} along the whole length of the south bay, with every bracket, gutter and downpipe taken off, scraped, primed, painted twice, and put back before the first frost of the year`

/** Of the views, on the server of now: each of these tests may have one of its own. */
let addresses: Record<string, string> = {}
/** An item with a word of forty letters, a very long title and ten people on it, in the hands of whoever looks. */
test.beforeAll(async () => {
  addresses = {}
  const client = await new Client(demo.server().url).stepInAs('Séverine')
  const { records, me } = await client.directory()
  const project = records.project.find((one) => one.prefix === 'GLH')!
  const named = (name: string) => records.field.find((field) => field.project === project.id && field.name === name)!.id
  const people = records.person.slice(0, 10).map((person) => person.id)
  const kind = records.kind.find((one) => one.project === project.id)!
  const status = records.status.find((one) => one.project === project.id && one.name === 'In hand')!
  const ranks = generateNKeysBetween('a9', null, 40)
  const tags = Array.from({ length: 40 }, (_, i) => ({ id: v7(), field: named('tags'), label: `tag number ${i + 1}`, colour: 'moss', rank: ranks[i]!, archived: false })) // prettier-ignore
  for (const record of tags) expect(await client.command('option.add', { record })).toMatchObject({ entry: {} })
  const item = { project: project.id, kind: kind.id, status: status.id, parent: null }
  const held = { [named('assignees')]: people, [named('tags')]: tags.map((tag) => tag.id) }
  const items = [
    { ...item, item: v7(), title: longTitle, values: held },
    { ...item, item: v7(), title: word.repeat(3), values: held },
  ]
  expect(await client.command('items.add', { items })).toMatchObject({ entry: {} })
  const table = records.view.find((one) => one.project === project.id && one.name === 'All items')!
  const group = [{ by: { fact: 'field', field: named('need') } }]
  const view = { ...table, id: v7(), name: 'By need', rank: 'b95', definition: { ...table.definition, layout: 'table', group } } // prettier-ignore
  expect(await client.command('view.add', { record: view })).toMatchObject({ entry: {} })
  const empty = starterPattern({ name: 'Bulbs', prefix: 'BULB', colour: 'moss', rank: 'a9', maker: me }, v7)
  expect(await client.command('projects.create', empty)).toMatchObject({ entry: {} })
})

/** The main screens, each as it is shown. */
const screens: Record<string, (page: Page) => Promise<void>> = {
  queue: async (page) => void (await page.goto('/app')),
  board: (page) => openView(page, 'The works'),
  table: (page) => openView(page, 'All items'),
  outline: async (page) => {
    await openView(page, 'All items')
    await page.locator('.phrase.layout').click()
    await page.getByRole('menuitemradio', { name: 'as an outline' }).click()
    await expect(page.getByRole('treegrid')).toBeVisible()
    await page.locator('[data-row="2"][data-column="1"]').click()
    for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowDown')
    await expect(page.getByText('4 selected')).toBeVisible()
  },
  'an item beside': async (page) => {
    await openView(page, 'All items')
    await page.goto(`${page.url().split('?')[0]}?item=GLH-6`)
    await expect(page.getByText('What happened')).toBeVisible()
  },
  'a phrase': async (page) => {
    await openView(page, 'All items')
    if (await page.getByRole('button', { name: 'all phrases' }).isVisible())
      await page.getByRole('button', { name: 'all phrases' }).click()
    await page.getByRole('button', { name: 'and …' }).click()
    await expect(page.getByRole('option').first()).toBeVisible()
  },
  'an item as a page': async (page) => {
    await page.goto('/app/items/GLH-6')
    await expect(page.getByText('What happened')).toBeVisible()
  },
  'bringing in': async (page) => void (await page.goto('/app/GLH/bring-in')),
  'a file to bring in': async (page) => {
    await page.locator('input[type=file]').setInputFiles('tests/fixtures/restoration.csv')
    await expect(page.getByRole('button', { name: /Bring in \d+ items/ })).toBeEnabled()
  },
  'an empty project': async (page) => {
    await openView(page, 'All items', 'BULB')
    await expect(page.getByText('Nothing here yet')).toBeVisible()
  },
  people: async (page) => {
    await page.goto('/app/people')
    await expect(page.getByRole('gridcell', { name: 'Hamid Torvald', exact: true })).toBeVisible()
  },
  'a person beside': async (page) => {
    await page.getByRole('gridcell', { name: 'Hamid Torvald', exact: true }).click()
    await expect(page.getByText('If Hamid leaves')).toBeVisible()
  },
  'adding people': async (page) => {
    await page.goto('/app/people')
    await page.getByRole('button', { name: 'Add people' }).click()
    await page.getByLabel('Names and addresses').fill(`${word} ${word}, ${word}@garden.example\nimke@garden.example`)
  },
  'working time': async (page) => {
    await page.goto('/app/working-time')
    await expect(page.getByRole('list', { name: 'Holidays' })).toBeVisible()
    await page.getByRole('textbox', { name: 'Days' }).first().fill('24 Dec – 2 Jan')
  },
  'my settings': async (page) => {
    await page.goto('/app/settings')
    await expect(page.getByText('This browser')).toBeVisible()
  },
  'the statuses of a project, one about to go': async (page) => {
    await page.goto('/app/GLH/set-up/statuses')
    await page.getByRole('gridcell', { name: 'Being checked', exact: true }).press('Delete')
    await expect(page.getByText('History keeps it by name.')).toBeVisible()
  },
  'the board of a project': async (page) => {
    await page.goto('/app/GLH/set-up/board')
    await expect(page.getByText('room for')).toBeVisible()
  },
  'the fields of a project': async (page) => {
    await page.goto('/app/GLH/set-up/fields')
    await expect(page.getByRole('gridcell', { name: 'one option' }).first()).toBeVisible()
  },
  'the kinds of a project': async (page) => {
    await page.goto('/app/GLH/set-up/kinds')
    await expect(page.getByText('all fields').first()).toBeVisible()
  },
  'a new field': async (page) => {
    await page.goto('/app/GLH/set-up/fields')
    await page.getByRole('button', { name: 'A new field' }).click()
    await expect(page.getByText(/items get it, empty/)).toBeVisible()
  },
  'a formula': async (page) => {
    await page.goto('/app/GLH/set-up/fields')
    await page.getByRole('button', { name: 'A new field' }).click()
    await page.getByRole('combobox', { name: 'What does it hold?' }).pressSequentially('comp')
    await page.getByRole('textbox', { name: 'Formula' }).fill('working_days(today, due)')
    await expect(page.getByText('It would be')).toBeVisible()
    await page.getByText('What can be named').click()
  },
  'a project itself': async (page) => {
    await page.goto('/app/GLH/set-up/project')
    await expect(page.getByText('Names of its own fields')).toBeVisible()
  },
  'who takes part': async (page) => {
    await page.goto('/app/GLH/set-up/people')
    await expect(page.getByText('lead of the workspace')).toBeVisible()
  },
  outbox: async (page) => {
    await page.goto('/app/outbox')
    await expect(page.getByText('No messages yet')).toBeVisible()
  },
  'the index': async (page) => {
    await page.goto('/app')
    if (await page.getByRole('button', { name: 'Views' }).isVisible())
      await page.getByRole('button', { name: 'Views' }).click()
    await expect(page.getByRole('link', { name: 'The works' }).first()).toBeVisible()
  },
  'the bin': async (page) => {
    await openView(page, 'All items')
    await page.locator('[data-row="2"][data-column="1"]').click()
    await page.keyboard.press('Shift+F10')
    await page.getByRole('menuitem', { name: 'Archive with what’s inside' }).click()
    await page.goto('/app/GLH/bin')
    await expect(page.getByRole('button', { name: 'Restore' }).first()).toBeVisible()
    await page.getByRole('checkbox').first().check()
    await expect(page.getByText('1 chosen')).toBeVisible()
  },
  'a view to be made': async (page) => {
    await openView(page, 'All items')
    await act(page, 'Make another like it …')
    await expect(page.getByRole('textbox', { name: 'Name', exact: true })).toBeVisible()
  },
  'what a view allows': async (page) => {
    await openView(page, 'By need')
    await act(page, 'Name, audience …')
    const form = page.getByRole('dialog')
    await form.getByRole('checkbox', { name: 'Items may be added' }).uncheck()
    await choose(form.getByRole('combobox', { name: 'What may be changed' }), 'Only these')
    await expect(form).toContainText('The same people can still do it in')
  },
  'a view tried as someone else': async (page) => {
    await openView(page, 'By need')
    await act(page, 'Try it as someone else …')
    await page.getByRole('combobox', { name: 'Look at it as' }).fill('yuki')
    await page.keyboard.press('Enter')
    await expect(page.getByText('They may only look.')).toBeVisible()
  },
  'a group’s menu': async (page) => {
    await openView(page, 'By need')
    await page.locator('[data-row="0"]').first().focus()
    await page.keyboard.press('Shift+F10')
    await expect(page.getByRole('menuitem', { name: 'Rename' })).toBeVisible()
  },
  'words found in a view': async (page) => {
    await openView(page, 'By need')
    await page.locator('[data-row="1"][data-column="1"]').click()
    await page.keyboard.press('Control+f')
    await page.getByRole('textbox', { name: 'Find in this view' }).fill(word)
    await expect(page.getByRole('search')).toContainText('1 of 2')
  },
  'signals and the fields that are shown': async (page) => {
    await openView(page, 'The works')
    const phrases = page.getByRole('button', { name: 'all phrases' })
    if (await phrases.isVisible()) await phrases.click()
    await page.getByRole('button', { name: 'and …' }).click()
    await page.getByRole('combobox', { name: 'And …' }).fill('mark items')
    await page.getByRole('option', { name: /mark items/ }).click()
    await choose(page.getByRole('combobox', { name: 'Add a signal' }), 'stale')
    await expect(page.getByRole('checkbox', { name: 'stale is on' })).toBeChecked()
  },
  'a view to be printed': async (page) => {
    await openView(page, 'All items')
    await page.goto(page.url().replace('/GLH/', '/GLH/print/'))
    await expect(page.getByRole('columnheader', { name: 'title' })).toBeVisible()
  },
  'the shortcuts': async (page) => {
    await page.locator('body').press('?')
    await expect(page.getByRole('dialog')).toBeVisible()
  },
  'sign-in': async (page) => {
    await page.context().clearCookies()
    await page.goto('/sign-in')
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible()
  },
}
async function openView(page: Page, name: string, prefix = 'GLH'): Promise<void> {
  if (!addresses[`${prefix} ${name}`]) {
    const { records } = await (await new Client(demo.server().url).stepInAs('Séverine')).directory()
    const prefixes = Object.fromEntries(records.project.map((project) => [project.id, project.prefix]))
    addresses = Object.fromEntries(records.view.map(({ id, project, name }) => [`${prefixes[project]} ${name}`, `/app/${prefixes[project]}/${id}`])) // prettier-ignore
  }
  await page.goto(addresses[`${prefix} ${name}`]!)
  await expect(page.locator('.count b')).toBeVisible()
}

/** By night the same elements have other colours: all of them where tests explore far, else where most kinds of them stand. */
const atNight = ['color-contrast']
const byNight = [
  'queue',
  'board',
  'table',
  'an item beside',
  'people',
  'the fields of a project',
  'a formula',
  'sign-in',
]
const isSeenAtNight = (name: string): boolean => !!process.env.WRENLEAF_DEEP || byNight.includes(name)
for (const [width, height] of sizes)
  test(`every main screen is whole at ${width} × ${height}${isChecked(width) ? ', and accessible by day and by night' : ''}`, async ({
    browser,
  }) => {
    if (isChecked(width)) test.setTimeout(process.env.WRENLEAF_DEEP ? 600_000 : 240_000)
    const page = await demo.as(browser, 'Séverine')
    await page.setViewportSize({ width, height })
    const found: Record<string, string[]> = {}
    for (const [name, show] of Object.entries(screens)) {
      await show(page)
      await page.waitForTimeout(300)
      const faults = await faultsOn(page, width < 701 ? 44 : 24)
      if (faults.length) found[name] = faults
      if (!isChecked(width)) continue
      // What lies under something that floats is not to be read.
      const isFloating = await page.locator('.v-overlay--active .v-overlay__content').first().isVisible()
      const within = isFloating ? { within: '.v-overlay__content' } : {}
      await isAccessible(page, name, within)
      if (!isSeenAtNight(name)) continue
      await page.evaluate(() => (document.documentElement.dataset.theme = 'night'))
      await isAccessible(page, `${name} by night`, { rules: atNight, ...within })
      await page.evaluate(() => (document.documentElement.dataset.theme = 'day'))
    }
    expect(found).toEqual({})
  })
