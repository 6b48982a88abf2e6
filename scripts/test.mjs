// npm test: everything that must hold, on a machine where nothing has been installed by hand.
import { build, has, installPackages, installTools, root, run, stop } from './prepare.mjs'

const step = (name, work) => {
  const from = Date.now()
  console.log(`\n— ${name}`)
  try {
    work()
  } catch (error) {
    if (error.status === undefined) throw error
    stop(`\n${name}: failed`)
  }
  console.log(`  ${((Date.now() - from) / 1000).toFixed(1)} s`)
}
const npx = (...args) => run('npx', args, { env: { ...process.env, NO_UPDATE_NOTIFIER: '1' } })

step('packages', installPackages)
step('browser and database server', () => {
  const missing = installTools()
  if (missing.length)
    console.log(`Install ${missing.join(' and ')} to run every test; the tests that need them are skipped.`)
})
step('formatting', () => npx('prettier', '--check', '--log-level', 'warn', '.'))
step('types', () => {
  npx('nuxt', 'prepare')
  npx('tsc', '--noEmit', '-p', 'core/tsconfig.json')
  npx('vue-tsc', '--noEmit', '-p', '.nuxt/tsconfig.app.json')
  npx('vue-tsc', '--noEmit', '-p', '.nuxt/tsconfig.server.json')
  npx('tsc', '--noEmit', '-p', 'tests/tsconfig.json')
})
step('lint', () => npx('eslint', '.'))
step('layers', () => npx('depcruise', '--config', '.dependency-cruiser.cjs', 'core', 'server', 'app', 'demo'))
step('unused code', () => npx('knip', '--no-config-hints'))
step('build', build)
step('unit, property and server tests', () => npx('vitest', 'run'))
if (has('chromium')) step('end-to-end and accessibility tests', () => npx('playwright', 'test'))
else console.log(`\nNo chromium here: the end-to-end tests in ${root}/tests/e2e were skipped.`)
console.log('\nEverything holds.')
