/**
 * Formulas as people write them and as they are stored. Written, they name what an item has by its name: `effort * 2`, or
 * between accents where a name is no single word: `` `Planting depth` ``. Stored, they name it by its key, always between
 * accents, so that a new name breaks nothing.
 */
import { textKey } from '../base/collation'

/** Something that a formula can name: a field by its id, or an automatic fact by its own name. */
export interface Nameable {
  readonly key: string
  readonly name: string
}

/** A piece of a formula and where it begins. */
interface Token {
  readonly text: string
  readonly at: number
  readonly is: 'name' | 'quoted' | 'number' | 'other'
}
const pattern =
  /("""[\s\S]*?"""|'''[\s\S]*?'''|"(?:[^"\\]|\\.)*"|'(?:[^'\\]|\\.)*')|(`[^`]*`)|([\p{L}_][\p{L}\p{N}_]*)|(\d+(?:\.\d+)?(?:[eE][+-]?\d+)?)|\s+|./gsu

function tokensOf(formula: string): Token[] {
  return [...formula.matchAll(pattern)].map((match) => ({
    text: match[0],
    at: match.index,
    is: match[2] ? 'quoted' : match[3] ? 'name' : match[4] ? 'number' : 'other',
  }))
}

/** A formula written otherwise; `back` finds the place in what it was made from. */
export interface Rewritten {
  readonly text: string
  back(at: number): number
}
function rewrite(formula: string, each: (token: Token, before: string, after: string) => string): Rewritten {
  const tokens = tokensOf(formula)
  const solid = tokens.filter(({ text }) => text.trim())
  const place = new Map(solid.map((token, i) => [token, i]))
  const ends: [to: number, from: number, isSame: boolean][] = []
  let text = ''
  for (const token of tokens) {
    const i = place.get(token)
    const written = i === undefined ? token.text : each(token, solid[i - 1]?.text ?? '', solid[i + 1]?.text ?? '')
    ends.push([text.length, token.at, written === token.text])
    text += written
  }
  return {
    text,
    back(at) {
      const last = ends.findLast(([to]) => to <= at)
      if (!last) return 0
      return at >= text.length ? formula.length : last[1] + (last[2] ? at - last[0] : 0)
    },
  }
}

/** Words that mean something in every formula, and so name no field where they stand bare. */
const reserved: ReadonlySet<string> = new Set([
  'true', 'false', 'null', 'in', 'today', 'children', 'inside', 'parent', 'as', 'break', 'const', 'continue', 'else', 'for',
  'function', 'if', 'import', 'let', 'loop', 'package', 'namespace', 'return', 'var', 'void', 'while', 'prototype', 'int',
  'uint', 'double', 'bool', 'string', 'bytes', 'list', 'map', 'type', 'dyn', 'timestamp', 'duration', 'null_type',
]) // prettier-ignore

/** A name as one word: small, without accents, `_` between its words. */
export const oneWord = (name: string): string =>
  textKey(name)
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .replace(/[^\p{L}\p{N}]+/gu, '_')
    .replace(/^_+|_+$/g, '')

/** By the word that is clear for each: what is called like a word of the language, or like another, has none. */
function clearWords(all: readonly Nameable[]): Map<string, Nameable> {
  const words = new Map<string, Nameable | undefined>()
  for (const one of all) {
    const word = oneWord(one.name)
    if (word && !/^\d/.test(word) && !reserved.has(word)) words.set(word, words.has(word) ? undefined : one)
  }
  return new Map([...words].filter((entry): entry is [string, Nameable] => !!entry[1]))
}

/** What somebody has written, as it is stored: every name by its key. Names that nothing has stay as they are. */
export function storedFormula(written: string, all: readonly Nameable[]): Rewritten {
  const words = clearWords(all)
  return rewrite(written, ({ text, is }, _before, after) => {
    if (is === 'quoted') {
      const name = text.slice(1, -1)
      const found = all.find((one) => textKey(one.name) === textKey(name)) ?? words.get(oneWord(name))
      return found ? `\`${found.key}\`` : text
    }
    const found = is === 'name' && after !== '(' && !reserved.has(text) ? words.get(oneWord(text)) : undefined
    return found ? `\`${found.key}\`` : text
  })
}

/** A stored formula as people read it; `gone`: what stands for something that is no more. */
export function writtenFormula(stored: string, all: readonly Nameable[], gone = 'a removed field'): string {
  const words = clearWords(all)
  const byKey = new Map(all.map((one) => [one.key, one]))
  return rewrite(stored, ({ text, is }) => {
    if (is !== 'quoted') return text
    const named = byKey.get(text.slice(1, -1))
    if (!named) return `\`${gone}\``
    const word = oneWord(named.name)
    return words.get(word) === named ? word : `\`${named.name}\``
  }).text
}

/** A stored formula as the language reads it, in which a key is one word (`wordOf`). */
export const readableFormula = (stored: string): Rewritten =>
  rewrite(stored, ({ text, is }, before, after) => {
    if (is === 'quoted') return wordOf(text.slice(1, -1))
    // `1 / 2` is a half: whole numbers would be divided without a rest.
    return is === 'number' && /^\d+$/.test(text) && (before === '/' || after === '/') ? `${text}.0` : text
  })
/** The word for a key in the language that formulas are read in. */
export const wordOf = (key: string): string => `f_${key.replace(/[^A-Za-z0-9]/g, '_')}`

/** The keys that a stored formula names, each once. */
export const keysIn = (stored: string): string[] => [
  ...new Set(tokensOf(stored).flatMap(({ text, is }) => (is === 'quoted' ? [text.slice(1, -1)] : []))),
]
/** The bare names that a stored formula has: those of the language, and of what walks over many. */
export const namesIn = (stored: string): ReadonlySet<string> =>
  new Set(tokensOf(stored).flatMap(({ text, is }) => (is === 'name' ? [text] : [])))
