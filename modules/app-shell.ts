import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Plugin } from 'vite'
import { defineNuxtModule } from '@nuxt/kit'

/** The fonts that every signed-in page shows at once. */
const fonts = ['source-sans-3-latin-wght-normal', 'bitter-latin-wght-normal', 'bitter-latin-wght-italic']

/**
 * Chromium then compiles the whole of the page's script beside the main thread, while it comes, and not function by
 * function on it. Written last: it must stand on the first line.
 */
const compileAtOnce: Plugin = {
  name: 'compile-at-once',
  writeBundle({ dir }, bundle) {
    for (const chunk of Object.values(bundle))
      if (chunk.type === 'chunk' && chunk.name === 'app') {
        const file = join(dir ?? '', chunk.fileName)
        writeFileSync(file, `//# allFunctionsCalledOnLoad\n${readFileSync(file, 'utf8')}`)
      }
  },
}

/**
 * Has `app/replica/begin.ts` built as a script of its own, and tells the server where that and the fonts are, so that a
 * signed-in page's HTML can name them (server/plugins/app-shell.ts).
 */
export default defineNuxtModule({
  meta: { name: 'app-shell' },
  setup(_options, nuxt) {
    const files = { begin: '', fonts: [] as string[] }
    nuxt.hook('vite:extendConfig', (config, { isClient }) => {
      if (isClient) config.plugins?.push(compileAtOnce)
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
