// npm test: everything that must hold, on a machine where nothing has been installed by hand.
import { spawn } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { browsers, has, installPackages, installTools, isBuilt, markBuilt, root, stop } from './prepare.mjs'

/** More than this, on two cores on which nothing else runs, and the tests have become too slow. */
const mostMinutes = 15
const isDeep = process.argv.includes('--deep')
const began = Date.now()
const seconds = (from) => `${((Date.now() - from) / 1000).toFixed(1)} s`
const inRed = (text) => `\u001b[31m${text}\u001b[0m`

/** Runs a program to its end; what it prints is shown as it comes, or at the end where others run beside it. */
function program(command, args, { isBeside = false, env = {} } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, NO_UPDATE_NOTIFIER: '1', ...env },
      stdio: isBeside ? ['ignore', 'pipe', 'pipe'] : 'inherit',
    })
    let said = ''
    child.stdout?.on('data', (chunk) => (said += String(chunk)))
    child.stderr?.on('data', (chunk) => (said += String(chunk)))
    child.once('error', reject)
    child.once('exit', (code) => (code ? reject(new Error(said.slice(-20_000))) : resolve(said)))
  })
}
const npx = (...args) => program('npx', args)
const npxBeside = (...args) => program('npx', args, { isBeside: true })
/** Beside checks that read what was prepared: in a folder of its own. */
const buildBeside = () =>
  program('npx', ['nuxt', 'build'], { isBeside: true, env: { WRENLEAF_BUILD_DIR: '.nuxt-build' } })

async function step(name, work) {
  const from = Date.now()
  try {
    await work()
  } catch (error) {
    console.error(error instanceof Error ? error.message : String(error))
    stop(`\n${name}: failed`)
  }
  console.log(`— ${name}: ${seconds(from)}`)
}

await step('packages', installPackages)
await step('browser and database server', () => {
  const missing = installTools(browsers.plain)
  if (missing.length)
    console.log(`Install ${missing.join(' and ')} to run every test; the tests that need them are skipped.`)
})
await step('types of the framework', () => npxBeside('nuxt', 'prepare'))

/** What needs no build, one after another, beside the build. */
async function checks() {
  await step('formatting', () => npxBeside('prettier', '--check', '--log-level', 'warn', '.'))
  await step('types', async () => {
    await npxBeside('tsc', '--noEmit', '-p', 'core/tsconfig.json')
    await npxBeside('vue-tsc', '--noEmit', '-p', '.nuxt/tsconfig.app.json')
    await npxBeside('vue-tsc', '--noEmit', '-p', '.nuxt/tsconfig.server.json')
    await npxBeside('tsc', '--noEmit', '-p', 'tests/tsconfig.json')
  })
  await step('lint', () => npxBeside('eslint', '.'))
  await step('layers', () =>
    npxBeside('depcruise', '--config', '.dependency-cruiser.cjs', 'core', 'server', 'app', 'demo'),
  )
  await step('unused code', () => npxBeside('knip', '--no-config-hints'))
}
async function builds() {
  await step('build', async () => {
    if (isBuilt()) return
    await buildBeside()
    markBuilt()
  })
}
await Promise.all([checks(), builds()])

const reports = join(tmpdir(), `wrenleaf-tests-${process.pid}`)
const [unitReport, pageReport] = [join(reports, 'unit.json'), join(reports, 'pages.json')]
const mode = isDeep ? ['--mode', 'deep'] : []
await step('unit, property and server tests', () =>
  npx('vitest', 'run', ...mode, '--reporter=default', '--reporter=json', `--outputFile.json=${unitReport}`),
)
const hasBrowser = has(browsers.plain)
process.env.PLAYWRIGHT_JSON_OUTPUT_FILE = pageReport
if (hasBrowser)
  await step('end-to-end and accessibility tests', () =>
    program('npx', ['playwright', 'test', '--reporter=line,json'], { env: isDeep ? { WRENLEAF_DEEP: '1' } : {} }),
  )
else console.log(`\nNo ${browsers.plain} here: the end-to-end tests in ${root}/tests/e2e were skipped.`)

console.log('\nThe ten slowest:')
for (const { name, ms } of [...unitTests(), ...(hasBrowser ? pageTests() : [])]
  .sort((a, b) => b.ms - a.ms)
  .slice(0, 10))
  console.log(`  ${(ms / 1000).toFixed(1).padStart(6)} s  ${name}`)
rmSync(reports, { recursive: true, force: true })
const minutes = (Date.now() - began) / 60_000
const total = `Everything holds, in ${minutes.toFixed(1)} minutes.`
console.log(`\n${minutes > mostMinutes && !isDeep ? inRed(`${total} That is more than ${mostMinutes}.`) : total}`)

function unitTests() {
  const { testResults } = JSON.parse(readFileSync(unitReport, 'utf8'))
  return testResults.flatMap(({ assertionResults }) =>
    assertionResults.map(({ fullName, duration }) => ({ name: fullName, ms: duration ?? 0 })),
  )
}
function pageTests() {
  const specsIn = ({ suites = [], specs = [] }) => [...specs, ...suites.flatMap(specsIn)]
  return JSON.parse(readFileSync(pageReport, 'utf8'))
    .suites.flatMap(specsIn)
    .map(({ title, tests }) => ({
      name: title,
      ms: tests.flatMap((one) => one.results).reduce((sum, one) => sum + one.duration, 0),
    }))
}
