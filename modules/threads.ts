import { join } from 'node:path'
import { defineNuxtModule } from '@nuxt/kit'
import { build } from 'esbuild'

/** What runs in threads of its own, by the name of its file beside Nitro's entry. */
const threads = { 'db-worker': 'db/worker.ts', 'parse-worker': 'services/parse-worker.ts' }

/** Builds the threads beside Nitro's entry and has PGlite traced into the output. */
export default defineNuxtModule({
  meta: { name: 'threads' },
  setup(_options, nuxt) {
    nuxt.hook('nitro:config', (config) => {
      config.externals ??= {}
      config.externals.traceInclude ??= []
      const pglite = join(nuxt.options.rootDir, 'node_modules/@electric-sql/pglite/dist')
      config.externals.traceInclude.push(join(pglite, 'index.js'), join(pglite, 'fs/nodefs.js'))
    })
    nuxt.hook('nitro:init', (nitro) => {
      nitro.hooks.hook('compiled', async () => {
        for (const [name, file] of Object.entries(threads))
          await build({
            entryPoints: [join(nuxt.options.serverDir, file)],
            outfile: join(nitro.options.output.serverDir, `${name}.mjs`),
            bundle: true,
            platform: 'node',
            target: 'node20',
            format: 'esm',
            sourcemap: 'linked',
            alias: { '#core': join(nuxt.options.rootDir, 'core') },
            external: ['@electric-sql/pglite', '@electric-sql/pglite/*'],
            logLevel: 'warning',
          })
      })
    })
  },
})
