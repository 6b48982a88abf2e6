import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { defineNuxtModule } from '@nuxt/kit'

interface Package {
  readonly name: string
  readonly version: string
  readonly license?: string
}

/** What a package says of its licence, in full where it brings the text along. */
function licenceOf(folder: string): [name: string, text: string] {
  const { name, version, license } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as Package
  const file = readdirSync(folder).find((one) => /^(licen[cs]e|copying)(\.|$)/i.test(one))
  const text = file ? readFileSync(join(folder, file), 'utf8').trim() : 'No text comes with the package.'
  return [name, `${name} ${version}: ${license ?? 'see its text'}\n\n${text}\n`]
}

/** Packages that stand in a folder of packages. */
const packagesIn = (folder: string): string[] =>
  readdirSync(folder)
    .flatMap((name) => (name.startsWith('@') ? readdirSync(join(folder, name)).map((own) => `${name}/${own}`) : name))
    .map((name) => join(folder, name))

/**
 * Gathers the licences of every package whose code, fonts or styles are in the build, by what the bundlers took in and what
 * stands beside the server, and writes them to `licences.txt` beside it, which `/licences` shows.
 */
export default defineNuxtModule({
  meta: { name: 'licences' },
  setup(_options, nuxt) {
    // Fonts come in by style sheets, which the bundlers take apart before they say what they took in.
    const fonts = readFileSync(join(nuxt.options.srcDir, 'theme/fonts.css'), 'utf8').matchAll(
      /@import '(@[^/]+\/[^/]+)/g,
    )
    const folders = new Set([...fonts].map(([, name = '']) => join(nuxt.options.rootDir, 'node_modules', name)))
    const collect = {
      name: 'licences',
      generateBundle(this: { getModuleIds(): Iterable<string> }) {
        for (const id of this.getModuleIds()) {
          const [, folder] = /^\0?(\/.*\/node_modules\/(?:@[^/]+\/)?[^/]+)\//.exec(id) ?? []
          if (folder) folders.add(folder)
        }
      },
    }
    nuxt.hook('vite:extendConfig', (config) => {
      config.plugins?.push(collect)
      const { worker } = config
      if (worker) Object.assign(worker, { plugins: () => [collect] })
    })
    nuxt.hook('nitro:config', (config) => {
      config.rollupConfig = { ...config.rollupConfig, output: config.rollupConfig?.output ?? {}, plugins: [collect] }
    })
    nuxt.hook('nitro:init', (nitro) => {
      nitro.hooks.hook('compiled', () => {
        const { serverDir } = nitro.options.output
        const beside = join(serverDir, 'node_modules')
        const shipped = [...folders, ...(existsSync(beside) ? packagesIn(beside) : [])]
        const texts = new Map(shipped.filter((one) => existsSync(join(one, 'package.json'))).map(licenceOf))
        const sorted = [...texts].sort(([a], [b]) => a.localeCompare(b, 'en')).map(([, text]) => text)
        writeFileSync(join(serverDir, 'licences.txt'), sorted.join(`\n${'-'.repeat(80)}\n\n`))
      })
    })
  },
})
