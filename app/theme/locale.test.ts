import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { controlsWords } from '../parts/words'
import { localeOf } from './locale'

const app = join(import.meta.dirname, '..')
const vuetify = join(app, '../node_modules/vuetify/lib/components')
const read = (folder: string, file: string) => readFileSync(join(folder, file), 'utf8')
const source = readdirSync(app, { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.(vue|ts)$/.test(file))
  .map((file) => read(app, file))
  .join('\n')
/** The components in use, and those inside them that say something. */
const used = new Set([...source.matchAll(/vuetify\/components\/(\w+)'/g)].map(([, name]) => name ?? ''))
const asked = [...used, 'VField', 'VInput', 'VPicker'].flatMap((component) =>
  readdirSync(join(vuetify, component))
    .filter((file) => file.endsWith('.js'))
    .flatMap((file) => [...read(join(vuetify, component), file).matchAll(/\$vuetify\.([\w.]+)/g)])
    .map(([, key]) => key ?? ''),
)

describe('what Vuetify says', () => {
  const locale = localeOf('en')

  it('is in our catalogue, whatever its components in use ask for', () => {
    expect(asked.length).toBeGreaterThan(10)
    // A key that ends with a dot is put together from parts.
    const isKnown = (key: string) =>
      Object.keys(controlsWords).some((known) => (key.endsWith('.') ? known.startsWith(key) : known === key))
    expect([...new Set(asked)].filter((key) => !isKnown(key))).toEqual([])
  })

  it('takes what it is given into its sentences', () => {
    expect(locale.t('$vuetify.datePicker.itemsSelected', 3)).toBe('3 chosen')
    expect(locale.t('Words of our own')).toBe('Words of our own')
  })

  it('writes numbers as the language does', () => {
    expect([locale.decimalSeparator.value, locale.numericGroupSeparator.value]).toEqual(['.', ','])
    expect(localeOf('de').decimalSeparator.value).toBe(',')
  })
})
