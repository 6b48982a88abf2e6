import { bringInto, choose, expect, numberIn, test, useDemo } from '../kit/pages'

const demo = useDemo()

test('a field is made at the table’s head, hidden here alone, renamed, and removed from the project', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const make = async (name: string, type: string) => {
    await page.getByRole('button', { name: 'A new field' }).click()
    const dialog = page.getByRole('dialog', { name: 'A new field' })
    await dialog.getByLabel('What is it called?').fill(name)
    await dialog.getByRole('combobox', { name: 'What does it hold?' }).pressSequentially(type)
    await expect(dialog.getByText(/items get it, empty/)).toBeVisible()
    await dialog.getByRole('button', { name: 'Add the field' }).click()
    await expect(page.getByRole('columnheader', { name })).toBeVisible()
  }
  const grid = page.getByRole('grid')
  await make('Cost', 'mon')
  await make('Time', 'dur')
  const heads = await grid.getByRole('columnheader').allInnerTexts()
  const cost = grid.locator(`[role=gridcell][data-row="0"][data-column="${heads.indexOf('Cost')}"]`)
  await cost.click()
  await page.keyboard.type('1.2k')
  await page.keyboard.press('Enter')
  await expect(cost).toContainText('€')

  // Hidden here: the project keeps it.
  await page.getByRole('columnheader', { name: 'Time' }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Hide here' }).click()
  await expect(page.getByRole('columnheader', { name: 'Time' })).toBeHidden()
  await page.getByRole('columnheader', { name: 'Cost' }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Rename…' }).click()
  await page.getByRole('textbox', { name: 'Name' }).fill('Price')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('columnheader', { name: 'Price' })).toBeVisible()
  await page.getByRole('columnheader', { name: 'Price' }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Remove from the project…' }).click()
  const panel = page.getByRole('complementary', { name: 'What it would change' })
  await expect(panel).toContainText('1 item holds something in it.')
  await panel.getByRole('button', { name: 'Remove it' }).click()
  await expect(page.getByRole('grid', { name: 'Fields' })).not.toContainText('Price')
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('grid', { name: 'Fields' })).toContainText('Price')
})

test('words become options, seen beforehand and undone as one', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await page.getByRole('button', { name: 'A new field' }).click()
  await page.getByLabel('What is it called?').fill('Soil')
  await page.getByRole('button', { name: 'Add the field' }).click()
  const head = page.getByRole('columnheader', { name: 'Soil' })
  await expect(head).toBeVisible()
  const heads = await page.getByRole('columnheader').allInnerTexts()
  const at = heads.findIndex((one) => one.trim().startsWith('Soil'))
  for (const [row, text] of ['loam', 'sand', 'loam'].entries()) {
    await page.locator(`[role=gridcell][data-row="${row}"][data-column="${at}"]`).click()
    await page.keyboard.type(text)
    await page.keyboard.press('Enter')
    await expect(page.locator(`[role=gridcell][data-row="${row}"][data-column="${at}"]`)).toContainText(text)
  }
  await head.click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Make it another type…' }).click()
  const holds = page.getByRole('combobox', { name: 'What does it hold?' })
  await choose(holds, 'date')
  await expect(page.getByText('3 values can’t be read as that, and would be emptied:')).toBeVisible()
  await choose(holds, 'one option')
  await expect(page.getByText('All 3 values are kept.')).toBeVisible()
  await expect(page.getByText('2 options are made of the words.')).toBeVisible()
  await page.getByRole('button', { name: 'Make it that' }).click()
  await expect(page.locator(`[role=gridcell][data-row="0"][data-column="${at}"] .opt`)).toHaveText('loam')
  await page.keyboard.press('Control+z')
  await expect(page.locator(`[role=gridcell][data-row="0"][data-column="${at}"] .opt`)).toBeHidden()
  await expect(page.locator(`[role=gridcell][data-row="0"][data-column="${at}"]`)).toContainText('loam')
})

test('a file with values of all sorts: types are proposed, what can be read in two ways is asked', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine')
  await bringInto(page, 'Seed bank')
  const text = [
    'Title,Cost,Time,Visit,Page,Contact,Phone,State of it,On,Weight',
    'Sow beans,"€ 12,50",1d 4h,2026-11-24 14:00,https://glasshouse.example/a,imke@glasshouse.example,+49 351 123456,going well,1/2/2026,"1,200"',
    'Sow peas,€ 3,90 min,2026-11-25 9:30,https://glasshouse.example/b,hamid@glasshouse.example,0351 98 76 54,in trouble,3/4/2026,"2,500"',
  ].join('\n')
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'packets.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  for (const type of ['money', 'duration', 'date and time', 'web link', 'e-mail', 'phone', 'health', 'date', 'number'])
    await expect(page.getByText(new RegExp(`, ${type}$`)).first()).toBeVisible()
  const go = page.getByRole('button', { name: 'Bring in 2 items' })
  await expect(go).toBeDisabled()
  await choose(page.getByRole('combobox', { name: 'How On is written' }), 'month first')
  await choose(page.getByRole('combobox', { name: 'How Weight is written' }), 'a comma before decimals')
  await expect(go).toBeEnabled()
  await go.click()
  await page.getByRole('button', { name: 'See them' }).click()
  await page
    .getByRole('row', { name: /Sow beans/ })
    .getByRole('gridcell')
    .first()
    .click()
  await page.keyboard.press('Enter')
  const panel = page.getByRole('complementary').filter({ hasText: 'Sow beans' })
  await expect(panel).toContainText('12.50 €')
  await expect(panel).toContainText('1 d 4 h')
  await expect(panel).toContainText('going well')
  await expect(panel).toContainText('2 Jan')
  await expect(panel).toContainText('1.2')
})

test('options are named, coloured, merged and given a place; items follow', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  await page.getByRole('columnheader', { name: 'Need' }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Change how it works…' }).click()
  const options = page.getByRole('grid', { name: 'Options of need' })
  const names = () => options.locator('.opt').allInnerTexts()
  await expect(options).toBeVisible()
  const before = await names()
  const count = (i: number) =>
    numberIn(
      options
        .getByRole('row')
        .nth(i + 1)
        .getByRole('gridcell')
        .nth(2),
    )
  await expect.poll(() => count(0)).toBeGreaterThan(0)
  const [first, second] = [await count(0), await count(1)]
  // Named.
  await options.getByRole('gridcell', { name: before[0], exact: true }).press('Enter')
  await page.getByRole('textbox', { name: 'Option', exact: true }).fill('at once')
  await page.keyboard.press('Enter')
  await expect.poll(names).toEqual(['at once', ...before.slice(1)])
  // Given another place.
  await options.getByRole('gridcell', { name: 'at once', exact: true }).press('Alt+ArrowDown')
  await expect.poll(names).toEqual([before[1], 'at once', ...before.slice(2)])
  // Merged: what has it gets another.
  await options.getByRole('gridcell', { name: 'at once', exact: true }).press('Delete')
  await expect(page.getByText(`${first} items have at once. In its place:`)).toBeVisible()
  await choose(page.getByRole('combobox', { name: 'In its place' }), before[1]!)
  await page.getByRole('button', { name: 'Remove the option' }).click()
  await expect.poll(names).toEqual([before[1], ...before.slice(2)])
  await expect.poll(() => count(0)).toBe(first + second)
  await page.getByRole('textbox', { name: 'Add an option' }).fill('one day')
  await page.keyboard.press('Enter')
  await expect.poll(names).toEqual([before[1], ...before.slice(2), 'one day'])
  await page.getByRole('button', { name: 'Cancel' }).click()
  for (let i = 0; i < 4; i++) await page.keyboard.press('Control+z')
  await expect(page.getByRole('grid').getByText(before[0]!, { exact: true }).first()).toBeVisible()
})

test('what every new item must have is asked for where one is added; a default comes by itself', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const make = async (name: string, more: () => Promise<unknown>) => {
    await page.getByRole('button', { name: 'A new field' }).click()
    await page.getByLabel('What is it called?').fill(name)
    await more()
    await page.getByRole('button', { name: 'Add the field' }).click()
    await expect(page.getByRole('columnheader', { name })).toBeVisible()
  }
  await make('Where', () => page.getByRole('checkbox', { name: 'Every new item must have something in it' }).check())
  await make('Shed', async () => {
    await choose(page.getByRole('combobox', { name: 'A new item has' }), 'this value')
    await page.getByRole('textbox', { name: 'Value' }).fill('the usual one')
  })
  await page.getByLabel('Add an item').fill('Sharpen the secateurs')
  await page.keyboard.press('Enter')
  // It is asked for in the line itself, which has the keyboard there now.
  const asked = page.getByRole('textbox', { name: 'Where' })
  await expect(asked).toBeFocused()
  await page.keyboard.type('at the bench')
  await page.keyboard.press('Enter')
  await expect(asked).toBeHidden()
  await expect(page.getByLabel('Add an item')).toBeFocused()
  // It is the last of all.
  await page.getByLabel('Add an item').focus()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+End')
  const row = page.getByRole('row', { name: /Sharpen the secateurs/ })
  await expect(row).toContainText('at the bench')
  await expect(row).toContainText('the usual one')
  await page.keyboard.press('Control+z')
  await expect(row).toBeHidden()
})

test('a kind shows some fields; what an item holds besides is also kept', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine')
  await page.goto('/app/GLH/set-up/kinds')
  const kinds = page.getByRole('grid', { name: 'Kinds' })
  await page.getByRole('button', { name: 'A new kind' }).click()
  await page.getByRole('textbox', { name: 'What is it called?' }).fill('Walk round')
  await page.keyboard.press('Enter')
  const row = kinds.getByRole('row', { name: /Walk round/ })
  await expect(row).toContainText('all fields')
  // Of all of them due and need are kept, need first, under a head, by keyboard.
  await row.getByRole('gridcell').nth(2).press('Enter')
  const dialog = page.getByRole('dialog', { name: 'What a Walk round shows' })
  const boxes = dialog.getByRole('checkbox')
  await expect(boxes.first()).toBeVisible()
  for (const name of await dialog.locator('li label').allInnerTexts())
    if (!['due', 'need'].includes(name)) await dialog.getByRole('checkbox', { name, exact: true }).press(' ')
  await dialog.getByRole('checkbox', { name: 'need', exact: true }).press('Alt+ArrowUp')
  await expect(dialog.getByRole('checkbox', { name: 'need', exact: true })).toBeFocused()
  await dialog.getByRole('button', { name: 'Begin a group at need' }).press('Enter')
  await page.keyboard.type('How soon')
  await page.keyboard.press('Enter')
  await expect(row).toContainText(/2 of \d+ fields, in 1 group/)
  // An item becomes one of it: it keeps its values, and says so.
  await page.goto('/app/items/GLH-3')
  const panel = page.getByRole('complementary').first()
  await expect(panel).toContainText('effort')
  await panel.getByRole('button', { name: /^Kind: / }).click()
  await page.keyboard.type('Walk')
  await page.keyboard.press('Enter')
  await expect(panel.getByText(/Also kept: \d+ values/)).toBeVisible()
  await expect(panel.getByRole('heading', { name: 'How soon' })).toBeVisible()
  await expect(panel.locator('.facts').last().locator('dt')).toHaveText(['need', 'due', 'Inside']) // prettier-ignore
  await panel.getByText(/Also kept/).click()
  await expect(panel).toContainText('8 h')
  await page.keyboard.press('Control+z')
  await expect(panel.getByText(/Also kept/)).toBeHidden()
})

test('a formula is checked while it is typed, and its results follow what it names, here and elsewhere', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine', { at: 'All items' })
  const other = await demo.as(browser, 'Hamid', { at: 'All items' })
  const begin = async (name: string, type: string) => {
    await page.getByRole('button', { name: 'A new field' }).click()
    const dialog = page.getByRole('dialog', { name: 'A new field' })
    await dialog.getByLabel('What is it called?').fill(name)
    await dialog.getByRole('combobox', { name: 'What does it hold?' }).pressSequentially(type)
    await expect(dialog.getByText(type === 'comp' ? 'What a formula comes to.' : 'What the items inside it, or linked to it, come to.')).toBeVisible() // prettier-ignore
    return dialog
  }
  const dialog = await begin('Twice', 'comp')
  const formula = dialog.getByRole('textbox', { name: 'Formula' })
  await formula.fill('efort * 2')
  await expect(dialog.getByText('There is no field called “efort”.')).toBeVisible()
  await expect(dialog.locator('mark')).toHaveText('efort')
  await expect(dialog.getByRole('button', { name: 'Add the field' })).toBeDisabled()
  await formula.fill('children.map(a, children.map(b, a.effort * b.effort)).size()')
  await expect(dialog.getByText('This could run long')).toBeVisible()
  // A name is put where the caret stands.
  await formula.fill('2 *')
  await dialog.getByText('What can be named').click()
  await dialog.getByRole('button', { name: 'Put effort into the formula' }).click()
  await expect(formula).toHaveValue('2 * effort')
  await expect(dialog.getByRole('row').filter({ hasText: 'GLH-3' }).first()).toContainText('16')
  await dialog.getByRole('button', { name: 'Add the field' }).click()
  const heads = page.getByRole('columnheader')
  await expect(heads.filter({ hasText: 'Twice' })).toBeVisible()

  const roll = await begin('All of it', 'roll')
  await roll.getByRole('combobox', { name: 'Which field' }).pressSequentially('Tw')
  await choose(roll.getByRole('combobox', { name: 'Of which items' }), 'all inside, at every level')
  await expect(roll.getByRole('row').first()).toContainText(/\d/)
  await roll.getByRole('button', { name: 'Add the field' }).click()
  await expect(heads.filter({ hasText: 'All of it' })).toBeVisible()

  const rowOf = (on: typeof page, key: string) =>
    on.getByRole('row').filter({ has: on.getByRole('gridcell', { name: key, exact: true }) })
  const cell = async (on: typeof page, key: string, name: string) => {
    const at = (await on.getByRole('columnheader').allInnerTexts()).findIndex((head) => head.trim().startsWith(name))
    return rowOf(on, key).locator(`[role=gridcell][data-column="${at}"]`)
  }
  const number = async (on: typeof page, key: string, name: string) => numberIn(await cell(on, key, name))
  const before = await number(page, 'GLH-1', 'All of it')
  const effort = await cell(page, 'GLH-3', 'Effort')
  await effort.click()
  await page.keyboard.press('Enter')
  await page.keyboard.press('Control+a')
  await page.keyboard.type('10')
  await page.keyboard.press('Enter')
  await expect(await cell(page, 'GLH-3', 'Twice')).toHaveText('20')
  await expect.poll(() => number(page, 'GLH-1', 'All of it')).toBe(before + 4)
  // Nobody fills it in: that is said, with how it is worked out.
  await (await cell(page, 'GLH-3', 'Twice')).dblclick()
  await expect(page.getByRole('alert').last()).toContainText('Twice is worked out, so nobody fills it in: 2 * effort.')

  // In another browser: filtered by what is worked out.
  await other.getByText('and …').click()
  await other.keyboard.type('twice is at least 20')
  await other.keyboard.press('Enter')
  await expect(rowOf(other, 'GLH-3')).toBeVisible()
  const shown = () => numberIn(other.locator('.count b').first())
  await expect.poll(shown).toBeLessThan(200)
  const all = await shown()
  expect(all).toBeGreaterThan(1)
  // Where the keyboard stands is held: it goes elsewhere.
  await other.locator('[role=gridcell][data-row="1"][data-column="1"]').click()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await expect(await cell(page, 'GLH-3', 'Twice')).toHaveText('16')
  await expect.poll(shown).toBe(all - 1)

  // A loop is refused with its way round.
  await heads.filter({ hasText: 'Twice' }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Change how it works…' }).click()
  const form = page.getByRole('dialog', { name: 'How Twice works' })
  await form.getByRole('textbox', { name: 'Formula' }).fill('`All of it` + 1')
  await expect(form.getByText('Twice → All of it → Twice')).toBeVisible()
  await form.getByRole('button', { name: 'Cancel' }).click()
  // What it is worked out from is told before that goes.
  await heads.filter({ hasText: 'Twice' }).click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Remove from the project…' }).click()
  await expect(page.getByRole('complementary', { name: 'What it would change' })).toContainText('All of it is worked out from it, and will be empty.') // prettier-ignore
})

test('a kind goes through statuses of its own; what becomes one of it says where it stands', async ({ browser }) => {
  const page = await demo.as(browser, 'Séverine')
  await page.goto('/app/GLH/set-up/kinds')
  const kinds = page.getByRole('grid', { name: 'Kinds' })
  const row = kinds.getByRole('row').filter({ has: page.getByRole('gridcell', { name: 'inspection', exact: true }) })
  await row.getByRole('gridcell').nth(5).press('Enter')
  await page.getByRole('menuitem', { name: /statuses of its own/ }).click()
  await expect(row).not.toContainText(', as ')
  // There a status is taken out for it alone.
  await page.goto('/app/GLH/set-up/statuses')
  await choose(page.getByRole('combobox', { name: 'Workflow of' }), 'inspection')
  const statuses = page.getByRole('grid', { name: 'Statuses' })
  await statuses.getByRole('row', { name: /Ready/ }).getByRole('gridcell').first().click({ button: 'right' })
  await page.getByRole('menuitem', { name: 'Take it out for inspection' }).click()
  const panel = page.getByRole('complementary', { name: 'What it would change' })
  await panel.getByRole('button', { name: 'Take it out' }).click()
  await expect(statuses.getByRole('row', { name: /Ready/ })).toBeHidden()
  // An item that is ready becomes an inspection: where it stands then is asked.
  await page.goto('/app/items/GLH-11')
  const item = page.getByRole('complementary').first()
  await item.getByRole('button', { name: /^Kind: / }).click()
  await page.keyboard.type('inspection')
  await page.keyboard.press('Enter')
  await expect(page.getByText('As inspection, where does it stand?')).toBeVisible()
  await page.keyboard.type('In hand')
  await page.keyboard.press('Enter')
  await expect(item.getByRole('button', { name: /^Status: In hand/i })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(item.getByRole('button', { name: /^Status: Ready/i })).toBeVisible()
})

test('a people field is for named people from now on; whoever else stands in it is found in one step', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Séverine')
  await page.goto('/app/GLH/set-up/fields')
  const cell = page.getByRole('gridcell', { name: 'reviewer', exact: true })
  await cell.press('Enter')
  const form = page.getByRole('dialog', { name: 'How reviewer works' })
  await expect(form).toBeVisible()
  await page.keyboard.press('Escape')
  // The keyboard goes back to where the form was opened.
  await expect(cell).toBeFocused()
  await page.keyboard.press('Enter')
  for (const name of ['Hamid Torvald', 'Imke']) await choose(form.getByRole('combobox', { name: 'Only these people' }), new RegExp(name)) // prettier-ignore
  await page.keyboard.press('Escape')
  await form.getByRole('button', { name: 'Save' }).click()
  await expect(form).toBeHidden()
  const note = page.getByText(/items from before hold something that reviewer would not take today/)
  const count = await numberIn(note)
  expect(count).toBeGreaterThan(50)
  await note.getByRole('button', { name: 'See them' }).click()
  await expect(page.locator('.count b')).toHaveText(String(count))
  const phrase = page.getByRole('button', { name: /^reviewer (is|includes) / })
  await expect(phrase).toBeVisible()
  expect((await phrase.innerText()).length).toBeLessThan(200)
  expect(await phrase.innerText()).not.toMatch(/Hamid|Imke/)
  await page.keyboard.press('Control+z')
})
