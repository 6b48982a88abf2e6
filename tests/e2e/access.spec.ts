import { cardsIn, expect, isAccessible, test, useDemo, watch } from '../kit/pages'
import { memberId } from '#core/access/access'
import { Client } from '../kit/client'
import { startEmpty } from '../kit/server'

const demo = useDemo()
test('an address that names nothing is told, and leads back to the queue', async ({ browser }) => {
  const page = await demo.as(browser, 'Hamid', { expected: [/404/] })
  await page.goto('/nowhere')
  await expect(page.getByRole('heading', { name: 'There’s nothing at this address' })).toBeVisible()
  await isAccessible(page, 'no page')
  await page.getByRole('link', { name: 'To my queue' }).click()
  await expect(page.getByRole('heading', { name: /, Hamid/ })).toBeVisible()
})

test('sign-in is accessible, and tells of a wrong password', async ({ browser }) => {
  const page = watch(await (await browser.newContext({ baseURL: demo.server().url })).newPage(), [/401/])
  await page.goto('/sign-in')
  await isAccessible(page, 'sign-in')
  await page.getByLabel('E-mail').fill('imke@garden.example')
  await page.getByLabel('Password').fill('not this one')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('alert')).toHaveText('That e-mail and password don’t match.')
})

test('from nothing: the owner’s account by the code, a first project, a first item, and signing in again', async ({
  browser,
}) => {
  const server = await startEmpty()
  const page = watch(await (await browser.newContext({ baseURL: server.url })).newPage(), [/403/])
  await page.goto('/')
  await page.waitForURL('**/sign-in')
  await page.getByLabel('Name of the workspace').fill('Allotments')
  await page.getByLabel('Your name').fill('Otto Fern')
  await page.getByLabel('E-mail').fill('otto@allotment.example')
  await page.getByLabel('Password (at least').fill('a long password')
  await page.getByLabel('Code').fill('not the code')
  await page.getByRole('button', { name: 'Make the account' }).click()
  await expect(page.getByRole('alert')).toHaveText('That isn’t the code shown in the terminal.')
  await page.getByLabel('Code').fill(/owner code: (\S+)/.exec(server.said())![1]!)
  await page.getByRole('button', { name: 'Make the account' }).click()
  await expect(page.getByRole('heading', { name: 'No projects yet' })).toBeVisible()
  await page.getByRole('button', { name: 'Start a project' }).click()
  await page.getByLabel('Name').fill('Beans and peas')
  await page.getByRole('button', { name: 'Start the project' }).click()
  await expect(page.getByRole('heading', { name: 'Nothing here yet' })).toBeVisible()
  await isAccessible(page, 'an empty project')
  await page.getByLabel('Add an item').fill('Soak the seed')
  await page.keyboard.press('Enter')
  await expect(page.getByText('BEA-1')).toBeVisible()
  await page.getByRole('button', { name: /Otto Fern: theme/ }).click()
  await page.getByRole('menuitem', { name: 'Sign out' }).click()
  await page.waitForURL('**/sign-in')
  await page.getByLabel('E-mail').fill('OTTO@allotment.example')
  await page.getByLabel('Password').fill('a long password')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('heading', { name: /Otto/ })).toBeVisible()
  await page.goto('about:blank')
  await server.stop()
})

test('on a phone the queue comes first, the board shows one column, and a card is moved by its menu', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Piotr', { phone: true })
  await expect(page.locator('.it').first()).toBeVisible()
  await page.getByRole('button', { name: 'Views' }).click()
  await page.getByRole('link', { name: 'The works' }).click()
  await expect(page.getByRole('tab', { name: /In hand 8/ })).toHaveAttribute('aria-selected', 'true')
  await expect(cardsIn(page, 'In hand').first()).toBeVisible()
  await expect(cardsIn(page, 'Noted').first()).toBeHidden()
  await page.getByRole('tab', { name: /^Ready/ }).click()
  await expect(cardsIn(page, 'Ready').first()).toBeVisible()
  await page
    .getByRole('button', { name: /What you can do with GLH-\d+/ })
    .first()
    .click()
  await page.getByRole('menuitem', { name: /^Move to …/ }).click()
  await page.getByRole('menuitem', { name: 'Noted' }).click()
  await expect(page.getByRole('button', { name: /Undo moving GLH-\d+ to Noted/ })).toBeVisible()
})

test('whoever is taken out of a project keeps nothing of it on the screen, and whoever leaves is signed out', async ({
  browser,
}) => {
  const page = await demo.as(browser, 'Noor', { expected: [/40[134]/] })
  const inIndex = page.getByRole('region', { name: 'Visitors ask' })
  await inIndex.getByRole('link', { name: 'All items' }).click()
  await expect(page.getByRole('gridcell', { name: 'VIS-1', exact: true })).toBeVisible()
  const owner = await new Client(demo.server().url).stepInAs('Séverine')
  const { records } = await owner.directory()
  const project = records.project.find((one) => one.prefix === 'VIS')!.id
  const noor = records.person.find((one) => one.name.startsWith('Noor'))!.id
  await owner.command('member.remove', { target: memberId(project, noor), how: {} })
  await expect(page.getByRole('heading', { name: /no such project, or you can’t see it/ })).toBeVisible()
  await expect(page.getByRole('gridcell')).toHaveCount(0)
  await expect(inIndex).toHaveCount(0)
  await expect(page.getByText(/\d items/)).toHaveCount(0)
  await page.keyboard.press('Control+k')
  await page.keyboard.type('VIS-1')
  await expect(page.getByText('Nothing found')).toBeVisible()
  await owner.command('person.remove', { target: noor, how: {} })
  await expect(page).toHaveURL(/sign-in/)
})
