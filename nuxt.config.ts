import { fileURLToPath } from 'node:url'
import { defineNuxtConfig } from 'nuxt/config'
import vuetify from 'vite-plugin-vuetify'

const core = fileURLToPath(new URL('./core', import.meta.url))

/** Browsers that know the hint make all functions of the first script ready while it is still on its way. */
const calledOnLoad = {
  name: 'wrenleaf:called-on-load',
  enforce: 'post' as const,
  generateBundle: {
    order: 'post' as const,
    handler(_: unknown, bundle: Record<string, { type: string; name?: string; code?: string }>) {
      for (const chunk of Object.values(bundle))
        if (chunk.type === 'chunk' && chunk.name === 'app') chunk.code = `//# allFunctionsCalledOnLoad\n${chunk.code}`
    },
  },
}

/**
 * What Vuetify brings along and nothing here shows at first: a spinner, a bar that runs and a picture behind in buttons, inputs and
 * drawers; rings where something was pressed; languages besides ours; the days of a month, which the picker brings itself
 * (`parts/DayField.vue`). Nothing stands in their place.
 */
const unusedParts: readonly { readonly from: RegExp; readonly source: RegExp; readonly code: string }[] = [
  {
    from: /\/vuetify\/lib\/(components\/(VBtn|VNavigationDrawer)\/|composables\/loader)/,
    source: /\/(VImg|VProgressCircular|VProgressLinear)\/index\.js$/,
    code: 'const nothing = () => null; export { nothing as VImg, nothing as VProgressCircular, nothing as VProgressLinear }',
  },
  {
    from: /\/vuetify\/lib\/components\//,
    source: /\/directives\/ripple\/index\.js$/,
    code: 'export const Ripple = {}; export default Ripple',
  },
  {
    from: /\/vuetify\/lib\/composables\/locale\.js/,
    source: /\/locale\/adapters\/vuetify\.js$/,
    code: 'export const createVuetifyAdapter = () => ({})',
  },
  {
    from: /\/vuetify\/lib\/composables\/date\/date\.js/,
    source: /\/adapters\/vuetify\.js$/,
    code: 'export class VuetifyDateAdapter {}',
  },
]
const nothing = '\0nothing-'
const unusedOfVuetify = {
  name: 'wrenleaf:unused-of-vuetify',
  enforce: 'pre' as const,
  resolveId(source: string, importer: string | undefined) {
    const at = unusedParts.findIndex((part) => part.from.test(importer ?? '') && part.source.test(source))
    return at < 0 ? undefined : `${nothing}${at}`
  },
  load: (id: string) => (id.startsWith(nothing) ? unusedParts[Number(id.slice(nothing.length))]?.code : undefined),
}

/** A page gets its first answers with it and all others from its worker (`app/data`). */
const unusedOfNuxt = /\/nuxt\/dist\/app\/composables\/(asyncData|fetch|component|preview)\.js$/

export default defineNuxtConfig({
  modules: [
    './modules/threads',
    './modules/app-shell',
    './modules/licences',
    '@pinia/nuxt',
    '@nuxt/eslint',
    'nuxt-security',
  ],
  devtools: { enabled: false },
  telemetry: false,
  // A build beside checks that read what was prepared stands in a folder of its own.
  buildDir: process.env.WRENLEAF_BUILD_DIR ?? '.nuxt',
  compatibilityDate: '2026-05-01',
  css: [
    'vuetify/styles/layers',
    'vuetify/styles/core',
    '~/theme/fonts.css',
    '~/theme/colours.scss',
    '~/theme/vuetify.css',
    '~/theme/tokens.css',
    '~/theme/base.css',
    '~/theme/patterns.css',
    '~/theme/marks.css',
  ],
  build: { transpile: ['vuetify'] },
  features: { inlineStyles: false },
  imports: { scan: false, autoImport: false },
  components: { dirs: [] },
  // Pages are told of a new build by the feed.
  experimental: { appManifest: false },
  alias: { '#core': core },
  spaLoadingTemplate: 'spa-loading-template.html',
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Wrenleaf',
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  nitro: {
    preset: 'node-server',
    compressPublicAssets: { gzip: true, brotli: true },
    serverAssets: [{ baseName: 'migrations', dir: './db/migrations' }],
    imports: false,
    alias: { '#core': core },
  },
  vite: {
    plugins: [unusedOfVuetify],
    // Nothing here is written with Vue's options, and Vuetify would add one of its own to every component there is.
    vue: { features: { optionsAPI: false } },
    worker: { format: 'es' },
    build: { cssCodeSplit: false },
    // What the server draws is styled by what the browser's build has.
    $server: { plugins: [vuetify({ autoImport: false, styles: 'none' })] },
    $client: {
      // Its style sheets are made from its SASS, with what `theme/settings.scss` says.
      plugins: [
        calledOnLoad,
        vuetify({
          autoImport: false,
          styles: { configFile: fileURLToPath(new URL('./app/theme/settings.scss', import.meta.url)) },
        }),
      ],
      build: {
        rollupOptions: {
          // Nuxt's own ways to fetch are made when their files are read, so that they come along although nobody calls them.
          treeshake: { moduleSideEffects: (id: string) => !unusedOfNuxt.test(id) },
          output: {
            // What the signed-in pages begin with in one file: a file more costs an opening page more than what is in it.
            manualChunks: (id: string) =>
              /\/app\/pages\/app(\.vue|\/index\.vue|\/items\/|\/\[prefix\]\/\[view\])/.test(id) ? 'app' : undefined,
          },
        },
      },
    },
    optimizeDeps: { include: ['comlink', '@mdi/js', 'papaparse'] },
  },
  eslint: { config: { stylistic: false } },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true, types: ['node'] } } },
  security: {
    nonce: true,
    sri: true,
    // Refuses above 2 MB: each route states its own largest body instead, counted while reading.
    requestSizeLimiter: false,
    rateLimiter: false,
    // Would take every console.error out of the pages, with which trouble in the worker is told.
    removeLoggers: false,
    corsHandler: false,
    // Refuses "a < b".
    xssValidator: false,
    headers: {
      crossOriginEmbedderPolicy: false,
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'base-uri': ["'none'"],
        'object-src': ["'none'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'strict-dynamic'"],
        'script-src-attr': ["'none'"],
        'style-src': ["'self'", "'nonce-{{nonce}}'"],
        'style-src-attr': ["'unsafe-inline'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'worker-src': ["'self'"],
        'frame-ancestors': ["'none'"],
        'form-action': ["'self'"],
        'upgrade-insecure-requests': false,
      },
    },
  },
})
