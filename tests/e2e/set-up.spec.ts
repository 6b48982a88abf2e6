import type { Page } from '@playwright/test'
import { Client } from '../kit/client'
import { expect, isAccessible, numberIn, test, useDemo } from '../kit/pages'

const demo = useDemo()
const cell = (page: Page, name: string) => page.getByRole('gridcell', { name, exact: true })
const names = (page: Page) => page.getByRole('row').locator('[role=gridcell]:nth-child(2)').allInnerTexts()
async function setUp(page: Page, part = 'statuses', prefix = 'SED'): Promise<Page> {
  await page.goto(`/app/${prefix}/set-up/${part}`)
  await expect(page.getByRole('grid')).toBeVisible()
  return page
}

test('a status is removed with its items, seen beforehand, and brought back by one undo', async ({ browser }) => {
  const [lead, other] = [await setUp(await demo.as(browser, 'Séverine'), 'statuses', 'GLH'), await setUp(await demo.as(browser, 'Imke'), 'statuses', 'GLH')] // prettier-ignore
  const here = (page: Page, name: string) =>
    numberIn(
      page
        .getByRole('row')
        .filter({ has: cell(page, name) })
        .locator('[role=gridcell]')
        .nth(5),
    )
  const [checked, inHand] = [await here(lead, 'Being checked'), await here(lead, 'In hand')]
  await cell(lead, 'Being checked').focus()
  await lead.keyboard.press('Delete')
  const panel = lead.getByRole('complementary', { name: 'What it would change' })
  await expect(panel).toContainText(`${checked} items stand here. They go to`)
  await expect(panel).toContainText('The board’s column Being checked would hold nothing. It goes too, with its limit of 4.') // prettier-ignore
  await lead.keyboard.press('Escape')
  await expect(panel).toBeHidden()
  await expect(cell(lead, 'Being checked')).toBeFocused()
  await lead.keyboard.press('Delete')
  await panel.getByRole('button', { name: 'Remove it' }).click()
  await expect(cell(other, 'Being checked')).toBeHidden({ timeout: 2000 })
  await expect.poll(() => here(other, 'In hand')).toBe(inHand + checked)
  await lead.getByRole('button', { name: 'Undo removing the status Being checked' }).click()
  await expect.poll(() => here(other, 'Being checked')).toBe(checked)
  await setUp(other, 'board', 'GLH')
  await expect(cell(other, 'Being checked').first()).toBeVisible()
})

test('statuses are added, named, ordered and given to another phase by keyboard alone', async ({ browser }) => {
  const page = await setUp(await demo.as(browser, 'Séverine'))
  const before = await names(page)
  await cell(page, before[0]!).focus()
  await page.keyboard.press('n')
  await page.getByRole('textbox', { name: 'Name of the new status' }).fill(before[1]!.toUpperCase())
  await expect(page.getByText('is already taken')).toBeVisible()
  await page.getByRole('textbox', { name: 'Name of the new status' }).fill('Drying')
  await page.keyboard.press('Enter')
  await expect(cell(page, 'Drying')).toBeFocused()
  expect((await names(page)).slice(0, 3)).toEqual([before[0], 'Drying', before[1]])
  await page.keyboard.press('Alt+ArrowDown')
  await expect.poll(() => names(page)).toEqual([before[0], before[1], 'Drying', ...before.slice(2)])
  await page.keyboard.press('Enter')
  await page.getByRole('textbox', { name: 'Status' }).fill('Drying out')
  await page.keyboard.press('Enter')
  await expect(cell(page, 'Drying out')).toBeFocused()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Drying out')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await page.keyboard.type('act')
  await page.keyboard.press('Enter')
  const row = page.getByRole('row').filter({ has: cell(page, 'Drying out') })
  await expect(row).toContainText('active')
  for (let i = 0; i < 4; i++) await page.keyboard.press('Control+z')
  await expect.poll(() => names(page)).toEqual(before)
})

test('a changed phase of a status that holds items says first what it does', async ({ browser }) => {
  const page = await setUp(await demo.as(browser, 'Séverine'), 'statuses', 'GLH')
  const row = page.getByRole('row').filter({ has: cell(page, 'Noted') })
  await row.locator('[role=gridcell]').nth(1).click()
  await page.getByRole('option', { name: 'finished' }).click()
  const panel = page.getByRole('complementary', { name: 'What it would change' })
  await expect(panel).toContainText('Make Noted finished?')
  await expect(panel).toContainText(/The queues of .* change\./)
  await panel.getByRole('button', { name: 'Keep it' }).click()
  await expect(row).toContainText('waiting')
  await isAccessible(page, 'statuses')
})

test('columns hold other statuses, go, and come back; what none holds is named', async ({ browser }) => {
  const page = await setUp(await demo.as(browser, 'Séverine'), 'board', 'VIS')
  const before = await names(page)
  const first = page
    .getByRole('row')
    .filter({ has: cell(page, before[0]!).first() })
    .first()
  await first.locator('[role=gridcell]').nth(1).click()
  await page.getByRole('option').nth(1).click()
  await page.keyboard.press('Escape')
  await expect(first.locator('[role=gridcell]').nth(1)).toContainText(before[1]!)
  await page.keyboard.press('Control+z')
  await cell(page, before[0]!).first().focus()
  await page.keyboard.press('Delete')
  const panel = page.getByRole('complementary', { name: 'What it would change' })
  await panel.getByRole('combobox', { name: 'What it holds goes to' }).click({ force: true })
  await page.getByRole('option', { name: 'no column' }).click()
  await panel.getByRole('button', { name: 'Remove it' }).click()
  await expect(page.getByText('One status is in no column')).toBeVisible()
  await page.getByRole('link', { name: 'Requests' }).click()
  await expect(page.getByRole('heading', { name: 'In no column' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('heading', { name: 'In no column' })).toBeHidden()
})

test('a column and a status are dragged to another place', async ({ browser }) => {
  const page = await setUp(await demo.as(browser, 'Séverine'))
  const before = await names(page)
  const handles = page.locator('.handle')
  const to = (await page.getByRole('row').nth(3).boundingBox())!
  await handles.first().hover()
  await page.mouse.down()
  await page.mouse.move(to.x + 20, to.y + to.height - 4, { steps: 4 })
  await page.mouse.up()
  await expect.poll(() => names(page)).toEqual([before[1], before[2], before[0], ...before.slice(3)])
  await page.keyboard.press('Control+z')
  await expect.poll(() => names(page)).toEqual(before)
})

test('what due is called here, it is called everywhere', async ({ browser }) => {
  const [lead, other] = [await demo.as(browser, 'Séverine'), await demo.as(browser, 'Hamid')]
  await other.getByRole('region', { name: 'Glasshouse' }).getByRole('link', { name: 'All items' }).click()
  await expect(other.getByRole('columnheader', { name: 'due' })).toBeVisible()
  await lead.goto('/app/GLH/set-up/project')
  await lead.getByRole('button', { name: 'Name of due: due' }).click()
  await lead.getByRole('textbox', { name: 'Name of due' }).fill('ready by')
  await lead.keyboard.press('Enter')
  await expect(other.getByRole('columnheader', { name: 'ready by' })).toBeVisible({ timeout: 2000 })
  await lead.getByRole('button', { name: 'Name of status: Status' }).click()
  await lead.getByRole('textbox', { name: 'Name of status' }).fill('stage')
  await lead.keyboard.press('Enter')
  await expect(other.getByRole('columnheader', { name: 'stage' })).toBeVisible({ timeout: 2000 })
  await other.goto(`${other.url()}?item=GLH-6`)
  await expect(other.getByRole('complementary').getByText('ready by', { exact: true })).toBeVisible()
  await expect(other.getByRole('complementary').getByText('stage', { exact: true })).toBeVisible()
  await lead.keyboard.press('Control+z')
  await expect(other.getByRole('columnheader', { name: 'Status' })).toBeVisible()
})

test('where two leads change the same, the later one is told both, and may have theirs after all', async ({
  browser,
}) => {
  const [lead, other] = [await setUp(await demo.as(browser, 'Séverine')), await setUp(await demo.as(browser, 'Imke', { expected: [/409/] }))] // prettier-ignore
  const before = (await names(lead))[0]!
  const rename = async (page: Page, to: string) => {
    await cell(page, before).first().focus()
    await page.keyboard.press('Enter')
    await page.getByRole('textbox', { name: 'Status' }).fill(to)
  }
  await rename(other, 'Asked for')
  await rename(lead, 'Heard of')
  await lead.keyboard.press('Enter')
  await expect(cell(lead, 'Heard of')).toBeVisible()
  await expect(other.getByRole('heading', { level: 1 })).toContainText('Heard of')
  await other.keyboard.press('Enter')
  const notice = other.getByRole('alert').filter({ hasText: 'Someone else changed this to “Heard of” just now' })
  await expect(notice).toContainText('You wanted “Asked for”.')
  await notice.getByRole('button', { name: 'Use mine' }).click()
  await expect(cell(lead, 'Asked for')).toBeVisible({ timeout: 2000 })
})

test('who takes part is changed where the project is set up; whoever may not, looks', async ({ browser }) => {
  const lead = await demo.as(browser, 'Séverine')
  await lead.goto('/app/SED/set-up/people')
  await lead.getByRole('button', { name: 'Add to the project' }).click()
  await lead.getByRole('combobox', { name: 'People of the workspace' }).fill('Yuki')
  await lead.keyboard.press('Enter')
  await lead.getByRole('dialog').getByRole('button', { name: 'Add to the project' }).click()
  await expect(lead.getByRole('link', { name: 'Yuki Pemberton' })).toBeVisible()
  const member = await demo.as(browser, 'Yuki')
  await setUp(member)
  await expect(member.getByText('Leads can change this.')).toBeVisible()
  await expect(member.getByRole('button', { name: 'Add a status' })).toBeHidden()
})

test('a limit that stops holds against a drag and a request written by hand; a lead lets one through with a reason', async ({
  browser,
}) => {
  const lead = await setUp(await demo.as(browser, 'Séverine'), 'board', 'VIS')
  const name = (await names(lead))[1]!
  const row = lead
    .getByRole('row')
    .filter({ has: cell(lead, name).first() })
    .first()
  const here = await numberIn(row.locator('[role=gridcell]').nth(3))
  await row.locator('[role=gridcell]').nth(2).click()
  await lead.getByRole('textbox', { name: 'Most' }).fill(String(here))
  await lead.getByRole('combobox', { name: 'When it’s full' }).click({ force: true })
  await lead.getByRole('option', { name: 'stop' }).click()
  await lead.getByRole('button', { name: 'Set the limit' }).click()
  await expect(row).toContainText(`${here}, stops`)

  const { records } = await (await new Client(demo.server().url).stepInAs('Séverine')).directory()
  const project = records.project.find(({ prefix }) => prefix === 'VIS')!
  const statuses = records.status.filter((one) => one.project === project.id).sort((a, b) => (a.rank < b.rank ? -1 : 1)) // prettier-ignore
  const member = await new Client(demo.server().url).stepInAs('Imke')
  const [item] = (await member.items(project.id)).filter(({ status }) => status === statuses[0]!.id)
  const by = { items: [{ item: item!.id, status: { from: statuses[0]!.id, to: statuses[1]!.id } }] }
  expect(await member.command('items.move', by)).toMatchObject({ problem: { code: 'column-full' } })

  await lead.getByRole('link', { name: 'Requests' }).click()
  const card = lead.locator(`#card-${item!.id}`)
  await card.focus()
  await card.press('m')
  await lead.getByRole('menuitem', { name }).click()
  await expect(lead.getByText(`${name} stops at ${here}`)).toBeVisible()
  await lead.getByRole('button', { name: 'Let it through …' }).click()
  await lead.getByRole('textbox', { name: 'Reason' }).fill('The school comes on Friday')
  await lead.getByRole('button', { name: 'Let it through' }).click()
  await expect(lead.getByRole('list', { name }).locator(`#card-${item!.id}`)).toContainText('Past the limit: The school comes on Friday') // prettier-ignore
  await lead.locator(`#card-${item!.id}`).press('Enter')
  await expect(lead.getByText(`let it past the limit of ${name}: “The school comes on Friday”`)).toBeVisible()
})

test('a column is named, described, moved and removed where it stands on the board', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'Packets' })
  const heads = () => page.locator('.heads h2 .name').allInnerTexts()
  await expect(page.locator('.heads h2').first()).toBeVisible()
  const before = await heads()
  const act = async (column: string, name: string) => {
    await page.getByRole('button', { name: `What you can do with ${column}` }).click()
    await page.getByRole('menuitem', { name, exact: true }).click()
  }
  await act(before[0]!, 'Rename')
  await page.getByRole('textbox', { name: 'Column' }).fill('To sow')
  await page.keyboard.press('Enter')
  await expect.poll(heads).toEqual(['To sow', ...before.slice(1)])
  await act('To sow', 'Say what belongs here')
  await expect(page.getByRole('textbox', { name: 'What belongs here' })).toBeFocused()
  await page.getByRole('textbox', { name: 'What belongs here' }).fill('Packets with a date')
  await page.getByRole('textbox', { name: 'When it may leave' }).fill('once it has a bed')
  await page.keyboard.press('Enter')
  await expect(page.locator('.heads')).toContainText('Packets with a date')
  await expect(page.locator('.heads')).toContainText('Leaves: once it has a bed')
  await act('To sow', 'Move right')
  await expect.poll(heads).toEqual([before[1], 'To sow', ...before.slice(2)])
  await act('To sow', 'Remove it')
  await expect(page.getByRole('complementary', { name: 'What it would change' })).toContainText('Remove To sow?')
  await page.getByRole('button', { name: 'Remove it' }).click()
  await expect(cell(page, 'To sow')).toBeHidden()
  for (let i = 0; i < 4; i++) await page.keyboard.press('Control+z')
  await expect.poll(() => names(page)).toEqual(expect.arrayContaining(before))
})

test('a project begins as another is set up, without its items', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine')
  await page.getByRole('button', { name: 'Start a project' }).click()
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Rock garden')
  await page.getByRole('combobox', { name: 'It begins with' }).click({ force: true })
  await page.getByRole('option', { name: 'the set-up of Glasshouse' }).click()
  await expect(page.getByText('no items and no people')).toBeVisible()
  await page.getByRole('button', { name: 'Start the project' }).click()
  await expect(page.getByText('Nothing here yet')).toBeVisible()
  await setUp(page, 'board', 'ROC')
  await expect(
    page
      .getByRole('row')
      .filter({ has: cell(page, 'In hand').first() })
      .first(),
  ).toContainText('room for 6')
})
