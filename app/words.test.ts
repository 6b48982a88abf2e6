import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

// Words of the interface stand in each folder's `words.ts`, and those that come later in files of their own beside it.
const app = import.meta.dirname
const isOfWords = (file: string) => /(^|[/-])words\.ts$/.test(file)
const files = readdirSync(app, { recursive: true, encoding: 'utf8' }).filter((file) => /\.(vue|ts)$/.test(file) && !file.endsWith('.test.ts')) // prettier-ignore
const source = files
  .filter((file) => !isOfWords(file))
  .map((file) => readFileSync(join(app, file), 'utf8'))
  .join('\n')
const groups = (
  await Promise.all(
    files
      .filter(isOfWords)
      .map(async (file) => Object.entries((await import(join(app, file))) as Record<string, object>)),
  )
).flat()

/** A word is used by its group's name and its own, a group that is looked up in by any of its words. */
const isUsed = (group: string, word: string): boolean =>
  new RegExp(`\\b${group}\\.${word}\\b|\\b${group}\\[`).test(source)

describe('the words of the interface', () => {
  it('are found', () => {
    expect(groups.length).toBeGreaterThan(15)
  })

  // `controlsWords`: by Vuetify, see theme/locale.test.ts.
  it.each(groups.filter(([name]) => name !== 'controlsWords'))('%s: each is used', (group, its) => {
    expect(Object.keys(its).filter((word) => !isUsed(group, word))).toEqual([])
  })

  it('stand in groups that are called so, each once', () => {
    const names = groups.map(([name]) => name)
    expect(names.filter((name) => !name.endsWith('Words'))).toEqual([])
    expect(names).toEqual([...new Set(names)])
  })
})
