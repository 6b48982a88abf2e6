/** Imports go one way: from what a layer lists, to what stands left of it. See docs/architecture.md. */
const layers = [
  ['base'],
  ['fields'],
  ['model'],
  ['change'],
  ['access'],
  ['views'],
  ['items', 'people', 'projects', 'saved-views', 'bring-in'],
  ['board', 'queue'],
  ['commands'],
  ['wire'],
  ['questions'],
]
const path = (names) => `^core/(${names.join('|')})/`
const notTests = '\\.test\\.ts$|^core/test-kit/'

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
        pathNot: 'node_modules/(zod|fractional-indexing|papaparse|@types/papaparse)/',
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
      name: 'replica-not-components',
      severity: 'error',
      from: { path: '^app/replica/', pathNot: 'use-watch' },
      to: { path: '^app/(frame|parts|pages|view-layouts|stores)/|\\.vue$' },
    },
    {
      name: 'parts-are-small',
      severity: 'error',
      from: { path: '^app/parts/' },
      to: { path: '^app/(frame|pages|view-layouts)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.depcruise.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.mjs', '.js'] },
  },
}
