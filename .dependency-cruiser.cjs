/** Imports go one way: from what a layer lists, to what stands left of it. See docs/architecture.md. */
const layers = [
  ['base'],
  ['fields'],
  ['model'],
  ['change'],
  ['access'],
  ['facts'],
  ['worked-out'],
  ['views'],
  ['setup'],
  ['items', 'people', 'projects', 'saved-views', 'bring-in'],
  ['board', 'queue'],
  ['layouts'],
  ['language'],
  ['commands'],
  ['wire'],
  ['queries'],
]
const path = (names) => `^core/(${names.join('|')})/`
const notTests = '\\.test\\.ts$|^core/test-kit/'

/** What one folder says another may say as well: words import nothing but how numbers are written. */
const words = '(^|[/-])words\\.ts$'

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    ...layers.slice(0, -1).map((names, i) => ({
      name: `core-${names.join('-')}-imports-left-only`,
      severity: 'error',
      from: { path: path(names), pathNot: notTests },
      to: { path: path(layers.slice(i + 1).flat()) },
    })),
    {
      name: 'core-is-alone',
      severity: 'error',
      from: { path: '^core/', pathNot: notTests },
      to: { path: '^(server|app|demo|scripts)/|^node:' },
    },
    {
      name: 'core-packages',
      severity: 'error',
      from: { path: '^core/', pathNot: notTests },
      to: {
        dependencyTypes: ['npm', 'npm-dev'],
        pathNot:
          'node_modules/(zod|fractional-indexing|@marcbachmann/cel-js|@leeoniya/ufuzzy|papaparse|@types/papaparse)/',
      },
    },
    { name: 'server-not-app', severity: 'error', from: { path: '^server/' }, to: { path: '^app/' } },
    { name: 'app-not-server', severity: 'error', from: { path: '^app/' }, to: { path: '^(server|demo)/' } },
    {
      name: 'routes-and-pages-not-from-below',
      severity: 'error',
      from: { path: '^server/(db|rooms|services)/' },
      to: { path: '^server/(api|routes|http|plugins)/' },
    },
    {
      name: 'db-knows-no-room',
      severity: 'error',
      from: { path: '^server/db/' },
      to: { path: '^server/(rooms|services)/' },
    },
    {
      name: 'rooms-know-no-service',
      severity: 'error',
      from: { path: '^server/rooms/' },
      to: { path: '^server/services/' },
    },
    {
      name: 'worker-not-page',
      severity: 'error',
      from: { path: '^app/worker/' },
      to: { path: '^app/(data|parts|shell|sentence|item|queue|view-layouts|bring-in|bin|print|pages)/|\\.vue$' },
    },
    {
      name: 'data-not-components',
      severity: 'error',
      from: { path: '^app/data/' },
      to: {
        path: '^app/(parts|shell|sentence|item|queue|people|view-layouts|bring-in|bin|print|pages)/|\\.vue$',
        pathNot: words,
      },
    },
    {
      name: 'parts-are-small',
      severity: 'error',
      from: { path: '^app/parts/' },
      to: { path: '^app/(shell|sentence|item|queue|people|view-layouts|bring-in|bin|print|pages)/', pathNot: words },
    },
    {
      name: 'features-not-each-other',
      severity: 'error',
      from: { path: '^app/(sentence|item|queue|people|view-layouts|bring-in|bin|print)/' },
      to: {
        path: '^app/(shell|sentence|item|queue|people|view-layouts|bring-in|bin|print|pages)/',
        pathNot: ['^app/$1/', words],
      },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.depcruise.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.mjs', '.js'] },
  },
}
