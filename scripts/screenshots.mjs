// npm run screenshots: one picture of each main view, from the demo, with the clock held still.
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, installPackages, installTools, root, stop } from './prepare.mjs'

installPackages()
if (installTools().includes('chromium')) stop('Install chromium: no picture can be taken without it.')
build()
const { chromium } = await import('@playwright/test')
const port = 4181
const url = `http://127.0.0.1:${port}`
const data = mkdtempSync(join(tmpdir(), 'wrenleaf-pictures-'))
const server = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
  env: {
    ...process.env,
    HOST: '127.0.0.1',
    PORT: String(port),
    WRENLEAF_DATA: data,
    WRENLEAF_DEMO: '1',
    WRENLEAF_NOW: '2026-11-24T13:00:00Z',
    WRENLEAF_CLOCK: 'still',
    DATABASE_URL: '',
  },
  stdio: 'ignore',
})
// However this ends, the server does not outlive it.
process.on('exit', () => server.kill('SIGKILL'))
for (;;) {
  const isUp = await fetch(`${url}/health`).then((answer) => answer.ok, () => false) // prettier-ignore
  if (isUp) break
  await new Promise((done) => setTimeout(done, 100))
}
const args = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args })

async function pageAs(name, more = {}) {
  const context = await browser.newContext({
    baseURL: url,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    reducedMotion: 'reduce',
    ...more,
  })
  const page = await context.newPage()
  await page.goto('/sign-in')
  await page.getByRole('button', { name: new RegExp(name) }).click()
  await page.getByRole('heading', { name: new RegExp(`, ${name}`) }).waitFor()
  return page
}
const keep = async (page, name) => {
  await page.waitForTimeout(700)
  await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`), animations: 'disabled', caret: 'hide' })
}

const anyone = await (await browser.newContext({ baseURL: url, viewport: { width: 1280, height: 800 } })).newPage()
await anyone.goto('/sign-in')
await keep(anyone, 'sign-in')

const hamid = await pageAs('Hamid')
await keep(hamid, 'queue')
await hamid.getByRole('link', { name: 'The works' }).click()
await hamid.getByRole('article').first().waitFor()
await keep(hamid, 'board')

const lead = await pageAs('Séverine')
await lead.getByRole('link', { name: 'All items' }).first().click()
await lead.getByRole('grid').waitFor()
await keep(lead, 'table')
const type = async (text, understood) => {
  await lead.getByRole('button', { name: 'and …' }).click()
  await lead.getByRole('combobox', { name: 'And …' }).fill(text)
  await lead.getByRole('option', { name: understood }).waitFor()
  await lead.keyboard.press('Enter')
}
await type('not finished, by bay then status, soonest due first, sum of effort, latest of due', /by bay then status/)
await type('need is must or should', /need is must or should/)
await lead.getByRole('button', { name: 'need is must or should' }).click()
await lead.getByRole('option', { name: /could/ }).waitFor()
await keep(lead, 'phrase')
await lead.keyboard.press('Escape')
await lead.goto(`${lead.url().split('?')[0]}?item=GLH-6`)
await lead.getByText('Hidden here by').waitFor()
await keep(lead, 'why-not-here')
await lead.getByRole('button', { name: 'Undo changes' }).click()
await lead.goto(lead.url().split('?')[0])
await lead.getByRole('button', { name: 'table', exact: true }).click()
await lead.getByRole('menuitemradio', { name: 'as an outline' }).click()
await lead.getByRole('treegrid').waitFor()
await type('with sum of effort, latest of due', /sum of effort and latest of due/)
await lead.locator('[data-row="1"][data-column="1"]').click()
await lead.keyboard.press('ArrowRight')
await keep(lead, 'outline')
await lead.getByRole('button', { name: 'Undo changes' }).click()
await lead.goto(lead.url().split('?')[0])
await lead.getByRole('grid').waitFor()
await lead.locator('[data-row="3"][data-column="0"]').click()
await lead.getByText('What happened').waitFor()
await keep(lead, 'item')
await lead.goto(lead.url().split('?')[0])
await lead.getByRole('button', { name: 'and …' }).click()
await lead.getByRole('combobox', { name: 'And …' }).fill('mark items')
await lead.getByRole('option', { name: /mark items/ }).click()
for (const name of ['stale', 'over its estimate', 'late']) {
  await lead.getByRole('combobox', { name: 'Add a signal' }).press('ArrowDown')
  await lead.getByRole('option', { name, exact: true }).click()
}
await keep(lead, 'signals')
await lead.keyboard.press('Escape')
await lead.getByRole('button', { name: /^6 fields/ }).click()
await lead.getByRole('list', { name: 'Fields to show' }).waitFor()
await keep(lead, 'fields-shown')
await lead.keyboard.press('Escape')
await lead.getByRole('button', { name: 'Undo changes' }).click()
await lead.goto(lead.url().split('?')[0].replace('/GLH/', '/GLH/print/'))
await lead.getByRole('columnheader', { name: 'title' }).waitFor()
await keep(lead, 'print')
await lead.goBack()
await lead.goto('/app/people')
await lead.getByRole('gridcell', { name: 'Piotr Halvorsen', exact: true }).click()
await lead.getByText('If Piotr leaves').waitFor()
await keep(lead, 'people')
await lead.goto('/app/GLH/set-up/statuses')
await lead.getByRole('gridcell', { name: 'Being checked', exact: true }).press('Delete')
await lead.getByText('History keeps it by name.').waitFor()
await keep(lead, 'statuses')
await lead.goto('/app/GLH/set-up/kinds')
await lead.getByRole('gridcell', { name: 'inspection', exact: true }).waitFor()
await keep(lead, 'kinds')
await lead.getByRole('link', { name: 'All items' }).first().click()
await lead.getByRole('button', { name: 'A new field' }).click()
await lead.getByLabel('What is it called?').fill('Days left')
await lead.getByRole('combobox', { name: 'What does it hold?' }).pressSequentially('comp')
await lead.getByRole('textbox', { name: 'Formula' }).fill('working_days(today, due)')
await lead.getByText('It would be').waitFor()
await lead.getByRole('textbox', { name: 'Unit' }).fill('d')
await keep(lead, 'computed-field')
await lead.getByRole('button', { name: 'Cancel' }).click()
await lead.goto('/app/GLH/bring-in')
await lead.locator('input[type=file]').setInputFiles(join(root, 'tests/fixtures/restoration.csv'))
await lead.getByRole('button', { name: 'Bring in 412 items' }).waitFor()
await keep(lead, 'bring-in')

const night = await pageAs('Imke', { colorScheme: 'dark' })
await night.getByRole('link', { name: 'The works' }).click()
await night.getByRole('article').first().waitFor()
await keep(night, 'board-night')
const phone = await pageAs('Piotr', { viewport: { width: 390, height: 844 } })
await phone.getByText('up to date').waitFor()
await keep(phone, 'phone')

// Last, as it changes what the others show.
await lead.goto('/app/GLH/set-up/board')
await lead.getByRole('row').nth(3).getByRole('gridcell').nth(2).click()
await lead.getByRole('combobox', { name: 'When it’s full' }).click({ force: true })
await lead.getByRole('option', { name: 'stop' }).click()
await lead.getByRole('button', { name: 'Set the limit' }).click()
await lead.getByRole('link', { name: 'The works' }).click()
await lead.getByRole('list', { name: 'Ready' }).getByRole('article').first().press('m')
await lead.getByRole('menuitem', { name: 'In hand' }).click()
await lead.getByRole('button', { name: 'Let it through …' }).click()
await lead.getByRole('textbox', { name: 'Reason' }).fill('The scaffold goes on Friday')
await lead.getByRole('button', { name: 'Let it through', exact: true }).click()
await lead.getByText('Past the limit: The scaffold goes on Friday').waitFor()
await keep(lead, 'limit')

await browser.close()
server.kill('SIGTERM')
server.once('exit', () => rmSync(data, { recursive: true, force: true }))
