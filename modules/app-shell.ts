import { join } from 'node:path'
import { defineNuxtModule } from '@nuxt/kit'

/** The fonts that every signed-in page shows at once. */
const fonts = ['source-sans-3-latin-wght-normal', 'bitter-latin-wght-normal', 'bitter-latin-wght-italic']

/**
 * Has `app/worker/start.ts` built as a script of its own, and tells the server what it says and where the fonts are, so
 * that a signed-in page's HTML can hold the one and name the others (server/plugins/app-shell.ts).
 */
export default defineNuxtModule({
  meta: { name: 'app-shell' },
  setup(_options, nuxt) {
    const shell = { start: '', fonts: [] as string[] }
    const entry = join(nuxt.options.srcDir, 'worker/start.ts')
    nuxt.hook('vite:extendConfig', (config, { isClient }) => {
      const input = config.build?.rollupOptions?.input
      if (!isClient || !input || typeof input !== 'object' || Array.isArray(input)) return
      input.start = entry
      config.plugins?.push({
        name: 'app-shell',
        generateBundle(_options, bundle) {
          for (const [file, chunk] of Object.entries(bundle)) {
            if (chunk.type !== 'chunk' || chunk.facadeModuleId !== entry) continue
            if (chunk.imports.length || chunk.exports.length) this.error('start.ts must stand alone')
            // In the page it stands beside nothing: it finds the worker where the page's scripts are.
            const place = `location.origin+${JSON.stringify(nuxt.options.app.baseURL + nuxt.options.app.buildAssetsDir.slice(1))}`
            shell.start = chunk.code.replaceAll('import.meta.url', place).trim()
            Reflect.deleteProperty(bundle, file)
          }
        },
      })
    })
    nuxt.hook('build:manifest', (manifest) => {
      for (const [id, { src }] of Object.entries(manifest))
        if (src?.endsWith('worker/start.ts')) Reflect.deleteProperty(manifest, id)
      const chunks = Object.values(manifest)
      // Its error pages are not worth requests on every page.
      for (const chunk of chunks) if (chunk.isEntry) chunk.dynamicImports = []
      const all = new Set(chunks.flatMap((chunk) => [chunk.file, ...(chunk.assets ?? [])]))
      shell.fonts = [...all].filter((file) =>
        fonts.some((name) => file.startsWith(`${name}.`) && file.endsWith('.woff2')),
      )
    })
    nuxt.hook('nitro:config', (config) => {
      config.virtual ??= {}
      config.virtual['#app-shell'] = () => `export default ${JSON.stringify(shell)}`
    })
  },
})
