import { join } from 'node:path'
import { defineNuxtModule } from '@nuxt/kit'
import { build } from 'esbuild'

/** Builds `server/db/worker.ts` beside Nitro's entry and has PGlite traced into the output. */
export default defineNuxtModule({
  meta: { name: 'db-worker' },
  setup(_options, nuxt) {
    nuxt.hook('nitro:config', (config) => {
      config.externals ??= {}
      config.externals.traceInclude ??= []
      const pglite = join(nuxt.options.rootDir, 'node_modules/@electric-sql/pglite/dist')
      config.externals.traceInclude.push(join(pglite, 'index.js'), join(pglite, 'fs/nodefs.js'))
    })
    nuxt.hook('nitro:init', (nitro) => {
      nitro.hooks.hook('compiled', async () => {
        await build({
          entryPoints: [join(nuxt.options.serverDir, 'db/worker.ts')],
          outfile: join(nitro.options.output.serverDir, 'db-worker.mjs'),
          bundle: true,
          platform: 'node',
          target: 'node20',
          format: 'esm',
          sourcemap: 'linked',
          external: ['@electric-sql/pglite', '@electric-sql/pglite/*'],
          logLevel: 'warning',
        })
      })
    })
  },
})
