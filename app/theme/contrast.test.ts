import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { paletteColours } from '#core/model/records'
import { optionColours } from '#core/fields/contract'

const read = (name: string) => readFileSync(new URL(`./${name}`, import.meta.url), 'utf8')
const colours = (css: string) =>
  Object.fromEntries([...css.matchAll(/'([a-z-]+)': (#[0-9a-f]{6})/g)].map((found) => [found[1], found[2]]))
const [dayCss = '', nightCss = ''] = read('colours.scss').split('$night')
const base = read('tokens.css')
const darkOn = new Set([...base.matchAll(/--on-([a-z]+): var\(--on-light\)/g)].map((found) => found[1]))
const onLight = /--on-light: (#[0-9a-f]{6})/.exec(base)?.[1] ?? ''
const themes = { day: colours(dayCss), night: { ...colours(dayCss), ...colours(nightCss) } }

/** Relative luminance and contrast ratio (WCAG 2.2). */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5]
    .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
    .map((v) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4))
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}
function contrast(a: string, b: string): number {
  const [light = 0, dark = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x)
  return (light + 0.05) / (dark + 0.05)
}
/** What `color-mix(in srgb, a share, transparent)` over b gives. */
function mixed(a: string, b: string, share: number): string {
  const part = (hex: string, i: number) => parseInt(hex.slice(i, i + 2), 16)
  return `#${[1, 3, 5]
    .map((i) =>
      Math.round(part(a, i) * share + part(b, i) * (1 - share))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`
}

for (const [name, theme] of Object.entries(themes)) {
  const of = (role: string): string => {
    const hex = theme[role]
    if (!hex) throw new Error(`no colour ${role}`)
    return hex
  }
  describe(`by the ${name} theme`, () => {
    const surfaces: [string, string][] = [
      ...['paper', 'raised', 'sunk', 'leaf-tint', 'rust-tint', 'ochre-tint'].map((one): [string, string] => [
        one,
        of(one),
      ]),
      ['a column over its limit', mixed(of('rust-tint'), of('paper'), 0.55)],
    ]
    const texts = ['ink', 'soft', 'rust', 'leaf', 'pool', 'wren', 'ochre-text']
    const used = surfaces.flatMap(([surface, hex]) => texts.map((text) => [text, surface, hex] as const))
    // Pairs that no screen uses: links and brown words stand on paper, raised and sunk only.
    const isUsed = (text: string, surface: string) =>
      !['wren', 'pool', 'leaf', 'ochre-text'].includes(text) ||
      ['paper', 'raised', 'sunk', 'leaf-tint'].includes(surface)
    it.each(used.filter(([text, surface]) => isUsed(text, surface)))('%s on %s is legible', (text, _surface, hex) => {
      expect(contrast(of(text), hex)).toBeGreaterThanOrEqual(4.5)
    })
    it.each(optionColours)('the option colour %s: its words on its tint', (colour) => {
      expect(contrast(of(`${colour}-text`), of(`${colour}-tint`))).toBeGreaterThanOrEqual(4.5)
    })
    it.each(paletteColours)('a pebble of %s: its initials', (colour) => {
      const on = name === 'night' || darkOn.has(colour) ? onLight : of('paper')
      expect(contrast(on, of(colour))).toBeGreaterThanOrEqual(4.5)
    })
    it('what is written on the primary and on what is over', () => {
      expect(contrast(of('paper'), of('leaf'))).toBeGreaterThanOrEqual(4.5)
      expect(contrast(of('paper'), of('rust'))).toBeGreaterThanOrEqual(4.5)
    })
    it.each(['edge', 'lichen', 'leaf', 'rust'])('%s marks and edges stand out', (mark) => {
      for (const surface of ['paper', 'raised']) expect(contrast(of(mark), of(surface))).toBeGreaterThanOrEqual(3)
    })
  })
}
