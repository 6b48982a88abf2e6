import { join } from 'node:path'
import { defineNuxtModule } from '@nuxt/kit'

/** The fonts that every signed-in page shows at once. */
const fonts = ['source-sans-3-latin-wght-normal', 'bitter-latin-wght-normal', 'bitter-latin-wght-italic']

/**
 * Has `app/replica/begin.ts` built as a script of its own, and tells the server where that and the fonts are, so that a
 * signed-in page's HTML can name them (server/plugins/app-shell.ts).
 */
export default defineNuxtModule({
  meta: { name: 'app-shell' },
  setup(_options, nuxt) {
    const files = { begin: '', fonts: [] as string[] }
    nuxt.hook('vite:extendConfig', (config, { isClient }) => {
      const input = config.build?.rollupOptions?.input
      if (isClient && input && typeof input === 'object' && !Array.isArray(input))
        input.begin = join(nuxt.options.srcDir, 'replica/begin.ts')
    })
    nuxt.hook('build:manifest', (manifest) => {
      const chunks = Object.values(manifest)
      for (const chunk of chunks) {
        if (chunk.src?.endsWith('replica/begin.ts')) {
          files.begin = chunk.file
          chunk.isEntry = false
        }
        // Its error pages are not worth requests on every page.
        if (chunk.isEntry) chunk.dynamicImports = []
      }
      const all = new Set(chunks.flatMap((chunk) => [chunk.file, ...(chunk.assets ?? [])]))
      files.fonts = [...all].filter((file) =>
        fonts.some((name) => file.startsWith(`${name}.`) && file.endsWith('.woff2')),
      )
    })
    nuxt.hook('nitro:config', (config) => {
      config.virtual ??= {}
      config.virtual['#app-shell'] = () => `export default ${JSON.stringify(files)}`
    })
  },
})
