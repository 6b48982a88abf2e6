import type { Page } from '@playwright/test'
import { Client } from '../kit/client'
import { act, choose, expect, isAccessible, saveForAll, say, test, useDemo } from '../kit/pages'

const demo = useDemo()

/** The lines on the screen, from above: heads with how many items they hold, and keys. */
const lines = (page: Page): Promise<string[]> =>
  page.locator('.rows > :is(.head-row, .item-row)').evaluateAll((all) =>
    all
      .map((line) => ({
        top: new DOMMatrix(getComputedStyle(line).transform).f,
        says: (line.querySelector('.name:is(button)') ?? line.querySelector('.key'))?.textContent ?? '',
      }))
      .sort((a, b) => a.top - b.top)
      .map(({ says }) => says.replace(/^[▾▸]/, '').trim()),
  )
const cell = (page: Page, row: number, column: number) =>
  page.locator(`.item-row [data-row="${row}"][data-column="${column}"]`)
const head = (page: Page, name: string) => page.getByRole('gridcell', { name: new RegExp(`^(Unf|F)old ${name}, `) })
async function asTable(page: Page): Promise<void> {
  await page.locator('[data-phrase=layout]').click()
  await page.getByRole('menuitemradio', { name: 'as a table' }).click()
  await expect(page.getByRole('grid')).toBeVisible()
}

test('a row goes into another group by drag and by keyboard; groups are named, ordered and added at their heads', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const member = await demo.as(browser, 'Noor', { at: 'All items' })
  await say(page, 'late, by need')
  await expect(head(page, 'should')).toBeVisible()
  const before = await lines(page)
  const [first] = before.filter((one) => one.startsWith('GLH'))
  const [into] = before.filter((one) => !one.startsWith('GLH')).slice(1)
  const name = into!.replace(/\d+$/, '')
  // By drag: where it would go is said before it is let go of.
  const from = (await cell(page, 1, 1).boundingBox())!
  const to = (await head(page, name).boundingBox())!
  await page.mouse.move(from.x + 30, from.y + 10)
  await page.mouse.down()
  await page.mouse.move(from.x + 40, from.y + 30)
  await page.mouse.move(from.x + 40, to.y + 10, { steps: 4 })
  await expect(page.getByText(`into ${name}`)).toBeVisible()
  await page.mouse.up()
  const groupOf = async (key: string) =>
    (await lines(page)).reduce<[string, string]>(([now, found], one) => (one.startsWith('GLH') ? [now, one === key ? now : found] : [one.replace(/\d+$/, ''), found]), ['', ''])[1] // prettier-ignore
  await expect.poll(() => groupOf(first!)).toBe(name)
  await page.keyboard.press('Control+z')
  await expect.poll(() => lines(page)).toEqual(before)
  // By keyboard.
  await cell(page, 1, 1).click()
  await page.keyboard.press('Alt+Shift+ArrowDown')
  await expect.poll(() => groupOf(first!)).toBe(name)
  await page.keyboard.press('Alt+Shift+ArrowUp')
  await expect.poll(() => groupOf(first!)).toBe(before[0]!.replace(/\d+$/, ''))
  // At the head.
  await head(page, 'should').focus()
  await page.keyboard.press('Alt+ArrowDown')
  await expect(page.getByRole('button', { name: /^Undo reordering the option should/ })).toBeVisible()
  await expect(head(page, 'should')).toBeFocused()
  await page.keyboard.press('Shift+F10')
  await page.getByRole('menuitem', { name: 'Rename and colour …' }).click()
  const form = page.getByRole('textbox', { name: 'Name', exact: true })
  await expect(form).toHaveValue('should')
  await form.fill('ought to')
  await page.getByRole('button', { name: 'lilac' }).click()
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(head(page, 'ought to')).toBeVisible()
  await expect(member.getByText('ought to').first()).toBeVisible()
  await head(page, 'ought to').click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Add one after it …' }).click()
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('if it’s dry')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('button', { name: /^Undo adding/ })).toBeVisible()
  await isAccessible(page, 'a grouped table')
  // Who may not set the project up folds, and no more.
  await say(member, 'late, by need')
  await head(member, 'ought to').click({ button: 'right' })
  await expect(member.getByRole('menuitem', { name: 'Fold all groups', exact: true })).toBeVisible()
  await expect(member.getByRole('menuitem', { name: 'Rename and colour …' })).toHaveCount(0)
})

test('groups are folded to a level, for oneself until the view is saved, and stay so', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const other = await demo.as(browser, 'Imke', { at: 'All items' })
  await say(page, 'by bay then need')
  await head(page, 'Palm court').click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Fold from level 2 on' }).click()
  await expect(page.locator('.item-row')).toHaveCount(0)
  await head(page, 'must').first().click()
  await expect(page.locator('.item-row').first()).toBeVisible()
  const seen = await lines(page)
  await page.waitForTimeout(2000)
  await page.reload()
  await expect.poll(() => lines(page)).toEqual(seen)
  await saveForAll(page)
  await expect.poll(async () => (await lines(other)).slice(0, 12)).toEqual(seen.slice(0, 12))
  await page.keyboard.press('Control+z')
  await expect(page.locator('.head-row')).toHaveCount(0)
})

test('columns are put in order and frozen, rows wrap, cells are a rectangle, words are found', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write'])
  const heads = () => page.getByRole('columnheader').allInnerTexts()
  const before = await heads()
  const button = page.getByRole('columnheader').nth(5).getByRole('button')
  await button.focus()
  await page.keyboard.press('Alt+ArrowLeft')
  await expect.poll(heads).toEqual(before.with(4, before[5]!).with(5, before[4]!))
  await page.getByRole('columnheader', { name: 'Kind' }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Freeze the columns up to here' }).click()
  const left = async (column: number) => Math.round((await cell(page, 2, column).boundingBox())!.x)
  await page.setViewportSize({ width: 1000, height: 800 })
  const scroll = (to: number) => page.locator('.scroller').evaluate((list, to) => (list.scrollLeft = to), to)
  await scroll(1)
  await expect(page.locator('.aside')).toBeVisible()
  const [kind, status] = [await left(2), await left(3)]
  await scroll(101)
  await expect.poll(async () => [await left(2), await left(3)]).toEqual([kind, status - 100])
  await scroll(0)
  await page.setViewportSize({ width: 1280, height: 800 })
  // Rows of several lines stand apart as far as they are high.
  await page.locator('[data-phrase=show]').click()
  await choose(page.getByRole('combobox', { name: 'Height of rows' }), '3 lines, wrapped')
  await page.keyboard.press('Escape')
  const tops = async () => (await cell(page, 3, 1).boundingBox())!.y - (await cell(page, 2, 1).boundingBox())!.y
  await expect.poll(tops).toBeGreaterThan(70)
  // Status and kind of three rows, by keyboard.
  await cell(page, 1, 2).click()
  for (const key of ['Shift+ArrowRight', 'Shift+ArrowDown', 'Shift+ArrowDown']) await page.keyboard.press(key)
  await expect(page.locator('.spanned')).toHaveCount(6)
  await page.keyboard.press('Control+c')
  await expect.poll(() => page.evaluate(() => navigator.clipboard.readText())).toMatch(/^\w+\t[\w ]+\n\w+\t[\w ]+\n\w+\t[\w ]+$/) // prettier-ignore
  await page.keyboard.press('Escape')
  await expect(page.locator('.spanned')).toHaveCount(0)
  await page.keyboard.press('Control+f')
  await page.getByRole('textbox', { name: 'Find in this view' }).fill('drip')
  await expect(page.getByRole('search')).toContainText(/1 of [2-9]/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('search')).toContainText(/2 of/)
  await isAccessible(page, 'finding in a table', { within: '.find' })
  await page.keyboard.press('Escape')
  await expect(page.locator('.item-row.at .title')).toHaveText(/drip/)
})

test('what may be done through a view is held by the server, said with where else, and tried as somebody else first', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const member = await demo.as(browser, 'Noor', { at: 'All items' })
  await act(page, 'Name, audience …')
  const form = page.getByRole('dialog')
  await form.getByRole('checkbox', { name: 'Items may be added' }).uncheck()
  await form.getByRole('checkbox', { name: 'Items may go into the bin' }).uncheck()
  await choose(form.getByRole('combobox', { name: 'What may be changed' }), 'Only these')
  await expect(form.getByText('status', { exact: true })).toBeVisible()
  await expect(form).toContainText('The same people can still do it in The works')
  await expect(form.getByRole('link', { name: 'People and roles' })).toHaveAttribute('href', '/app/GLH/set-up/people')
  await isAccessible(page, 'what a view allows')
  await form.getByRole('button', { name: 'Save', exact: true }).click()
  // What is not allowed is not offered, and said where it is tried.
  await expect(member.getByText('Here: only status may be changed, nothing is added, nothing goes into the bin.')).toBeVisible() // prettier-ignore
  await expect(member.getByRole('textbox', { name: 'Add an item' })).toHaveCount(0)
  const title = cell(member, 1, 1)
  const was = await title.textContent()
  await title.dblclick()
  await expect(member.getByText('Title isn’t changed in this view.')).toBeVisible()
  await member.getByRole('button', { name: 'Where else?' }).click()
  await expect(member.getByRole('dialog', { name: 'Where else?' })).toContainText('The works')
  await member.keyboard.press('Escape')
  await cell(member, 1, 3).dblclick()
  await expect(member.getByRole('combobox', { name: /status/i }).first()).toBeVisible()
  await member.keyboard.press('Escape')
  // Sent by hand.
  const client = await new Client(demo.server().url).stepInAs('Noor')
  const { records } = await client.directory()
  const view = records.view.find(({ allows }) => allows)!
  const [item] = await client.items(view.project)
  const set = { items: [{ item: item!.id, set: { title: { from: item!.title, to: 'Sent by hand' } } }] }
  expect((await client.command('items.set', { ...set, through: view.id })).problem?.code).toBe('not-through-view')
  expect((await client.items(view.project)).some((one) => one.title === 'Sent by hand')).toBe(false)
  await expect(title).toHaveText(was!)
  // Tried as a reader, and as one who sees nothing of it.
  await act(page, 'Try it as someone else …')
  await page.getByRole('combobox', { name: 'Look at it as' }).fill('yuki')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('status').filter({ hasText: 'Yuki Pemberton' })).toContainText('They may only look.')
  await say(page, 'my turn')
  await expect(page.locator('.count b')).toHaveText('0')
  await page.getByRole('button', { name: 'Someone else' }).click()
  await page.getByRole('combobox', { name: 'Look at it as' }).fill('noor')
  await page.keyboard.press('Enter')
  await expect(page.getByText('They may change status.')).toBeVisible()
  await expect(page.locator('.count b')).not.toHaveText('0')
  await page.getByRole('button', { name: 'Back to yourself' }).click()
  await expect(page.getByText('You’re looking as')).toHaveCount(0)
})

test('cards are selected and carried together; all are changed by one step', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'The works' })
  const cards = (name: string) => page.getByRole('region', { name, exact: true }).getByRole('article')
  await cards('Noted').nth(0).focus()
  await page.keyboard.press('Control+ ')
  await page.keyboard.press('Shift+ArrowDown')
  await page.keyboard.press('Shift+ArrowDown')
  await expect(page.locator('.card.chosen')).toHaveCount(3)
  const bar = page.getByRole('group', { name: 'What you can do with the selected items' })
  await expect(bar).toContainText('3 selected')
  await isAccessible(page, 'a board with selected cards')
  const keys = await page.locator('.card.chosen').evaluateAll((all) => all.map((card) => card.id))
  // Picked up, carried one column on, put down.
  await page.keyboard.press(' ')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press(' ')
  await expect(page.getByRole('button', { name: /^Undo moving 3 items/ })).toBeVisible()
  for (const key of keys)
    await expect(page.getByRole('region', { name: 'Ready', exact: true }).locator(`#${key}`)).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('region', { name: 'Noted', exact: true }).locator(`#${keys[0]}`)).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.locator('.card.chosen')).toHaveCount(0)
  await cards('Noted')
    .nth(1)
    .click({ modifiers: ['ControlOrMeta'] })
  await expect(page.locator('.card.chosen')).toHaveCount(1)
})

test('a change in an address is seen at once, and not the view as it was saved', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await say(page, 'late')
  await expect(page).toHaveURL(/change=/)
  const address = page.url()
  const reader = await demo.as(browser, 'Yuki')
  for (const [one, at] of [
    [reader, address],
    // What one changed oneself is there without its being in the address, however long it takes to be read.
    [page, address.split('?')[0]!],
  ] as const) {
    await one.addInitScript(() => {
      const post = MessagePort.prototype.postMessage
      MessagePort.prototype.postMessage = function (...told: [never]) {
        const isOfDrafts = JSON.stringify(told[0] ?? '').includes('drafts')
        setTimeout(() => post.apply(this, told), isOfDrafts ? 500 : 0)
      }
      const seen: string[] = []
      Object.assign(window, { seen })
      const look = () => {
        const text = document.querySelector('.sentence-text')?.textContent ?? ''
        const isShown = !('draft' in document.documentElement.dataset)
        if (text && isShown && seen.at(-1) !== text) seen.push(text)
        requestAnimationFrame(look)
      }
      requestAnimationFrame(look)
    })
    await one.goto(at)
    await expect(one.getByRole('button', { name: 'it’s late' })).toBeVisible()
    const seen = await one.evaluate(() => (window as unknown as { seen: string[] }).seen)
    expect(seen.length).toBeGreaterThan(0)
    expect(seen.every((text) => text.includes('it’s late'))).toBe(true)
  }
})

test('what is put back stays put back, also where something was folded just before', async ({ browser }) => {
  const page = await demo.as(browser, 'Noor', { at: 'All items' })
  const drafts = () =>
    page.evaluate(() => Object.entries(localStorage).find(([key]) => key.startsWith('wrenleaf-drafts-'))?.[1])
  await page.locator('[data-phrase=layout]').click()
  await page.getByRole('menuitemradio', { name: 'as an outline' }).click()
  await expect(page).toHaveURL(/change=/)
  await cell(page, 1, 1).click()
  await page.keyboard.press('ArrowRight')
  await page.getByRole('button', { name: 'Undo changes' }).click()
  await expect(page.getByRole('grid')).toBeVisible()
  // Longer than the fold is kept after it, and the address is read again.
  await page.waitForTimeout(2500)
  expect(await drafts()).toBe('{}')
  await page.reload()
  await expect(page.getByRole('grid')).toBeVisible()
})

test('the team’s Monday: open tasks and defects where it is my turn or I check, built by clicks and by typing', async ({
  browser,
}) => {
  const words =
    'kind is task or defect, not finished, my turn or reviewer includes me, soonest due first, by bay then status, with sum of effort'
  const typed = await demo.as(browser, 'Imke', { at: 'The works' })
  const clicked = await demo.as(browser, 'Imke', { at: 'The works' })
  for (const page of [typed, clicked]) {
    await asTable(page)
  }
  await say(typed, words)
  const add = async (phrase: string) => {
    await clicked.getByRole('button', { name: 'and …' }).click()
    await clicked.getByRole('combobox', { name: 'And …' }).fill(phrase.split(' ')[0] === 'group' ? 'group' : phrase)
    await clicked.getByRole('option', { name: phrase }).first().click()
  }
  await add('where kind')
  await choose(clicked.getByRole('combobox', { name: 'What about kind' }), 'is')
  for (const kind of ['task', 'defect']) await clicked.getByRole('option', { name: new RegExp(`^${kind}`) }).click()
  await clicked.keyboard.press('Escape')
  // What two facts say between them is typed; the rest is chosen.
  await say(clicked, 'not finished, my turn or reviewer includes me')
  await clicked.getByRole('button', { name: 'in the team’s order' }).click()
  await clicked.getByRole('button', { name: 'Sort by' }).click()
  await choose(clicked.getByRole('combobox', { name: 'Sort by' }), 'due')
  await clicked.keyboard.press('Escape')
  await say(clicked, 'by bay then status')
  await say(clicked, 'with sum of effort')
  const sentence = (page: Page) => page.locator('.sentence-text').innerText()
  await expect.poll(() => sentence(clicked)).toBe(await sentence(typed))
  expect(await lines(clicked)).toEqual(await lines(typed))
  expect((await lines(typed)).some((one) => one.startsWith('GLH'))).toBe(true)
  await expect(typed.locator('.head-row .total').first()).toContainText('h')
})
