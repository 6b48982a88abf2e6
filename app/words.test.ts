import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { words } from './words'

const app = import.meta.dirname
const source = readdirSync(app, { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.(vue|ts)$/.test(file) && !/(^|\/)words\.ts$|\.test\.ts$/.test(file))
  .map((file) => readFileSync(join(app, file), 'utf8'))
  .join('\n')

/** A group's own name, and those that it is given: `const said = words.queue`. */
const namesOf = (group: string): string[] => [
  group,
  ...[...source.matchAll(new RegExp(`const (\\w+) = words\\.${group}\\s*$`, 'gm'))].map(([, name]) => name ?? ''),
]
/** A word is used by a name of its group and its own, a group that is looked up in by any of its words. */
const isUsed = (group: string, word: string): boolean =>
  namesOf(group).some((name) => new RegExp(`\\b${name}\\.${word}\\b|\\bwords\\.${group}\\[`).test(source))

describe('the words of the interface', () => {
  // `controls`: by Vuetify, see theme/locale.test.ts.
  it.each(Object.entries(words).filter(([name, group]) => typeof group === 'object' && name !== 'controls'))(
    '%s: each is used',
    (group, its) => {
      expect(Object.keys(its).filter((word) => !isUsed(group, word))).toEqual([])
    },
  )

  it('stand in one folder each', () => {
    const groups = readdirSync(app, { recursive: true, encoding: 'utf8' })
      .filter((file) => /\/words\.ts$/.test(file))
      .flatMap((file) =>
        [...readFileSync(join(app, file), 'utf8').matchAll(/^ {2}(\w+): \{/gm)].map(([, name]) => name),
      )
    expect(groups).toEqual([...new Set(groups)])
    expect([...groups].sort()).toEqual(Object.keys(words).filter((key) => key !== 'name').sort()) // prettier-ignore
  })
})
