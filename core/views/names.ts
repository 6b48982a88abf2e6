/** Names in sentences: how a fact and its values are called, so that what is said can be read back. */
import { itemKey, kindsOf, statusesOf, type Reader } from '../model/reader'
import { phases } from '../model/names'
import type { Project } from '../model/records'
import { factsOf, maybeFact, type Fact } from './facts'

/** Something that can be named: by id, in words that nothing else of its kind has. */
export interface Named {
  readonly id: string
  /** As it is called. */
  readonly name: string
  /** As it is said in a sentence. */
  readonly words: string
  /** How it may be said for short: a person's given name that no other has. */
  readonly short?: string
}

/** Words of the sentence itself, which make a name unclear where they stand in it. */
const keywords = new Set(
  'a ago all am and any are as average backwards before biggest board by count each earliest either empty every fewest filled first from grouped has have highest i in is it its items largest latest least lowest me median meets more most my newest no nobody none not of oldest on only or order over share showing smallest some soonest sorted sum table team than the then to today tomorrow under was well where which with without yesterday'.split(
    ' ',
  ),
)
export const isKeyword = (word: string): boolean => keywords.has(word.toLowerCase())
function isPlain(name: string): boolean {
  if (!/^[\p{L}][\p{L}\p{M}\p{N}’' -]*$/u.test(name) || name.trim() !== name || /\s\s/.test(name)) return false
  const all = name.split(/[\s-]+/)
  // What begins with *in* is clear, unless it is a name of that one word.
  const asked = all.length > 1 && all[0]?.toLowerCase() === 'in' ? all.slice(1) : all
  return !asked.some(isKeyword)
}

/** The name, in quotation marks where it could be taken for something else. */
export const quoted = (name: string): string => (isPlain(name) ? name : `“${name.replaceAll('”', '””')}”`)

/** Those of the same name are told apart by a number. */
function apart(all: Iterable<readonly [id: string, name: string]>): Named[] {
  const seen = new Map<string, number>()
  return [...all].map(([id, name]) => {
    const folded = name.toLowerCase()
    const nth = (seen.get(folded) ?? 0) + 1
    seen.set(folded, nth)
    return { id, name, words: nth > 1 ? `${quoted(name)} #${nth}` : quoted(name) }
  })
}

/** The project's facts, by the names they are said by; automatic ones come first where a field has the same name. */
export function namedFacts(reader: Reader, project: Project): (Named & { readonly fact: Fact })[] {
  const facts = factsOf(reader, project).filter((fact) => fact.by !== 'rank')
  const automaticFirst = [...facts.filter((one) => !one.field), ...facts.filter((one) => one.field)]
  const names = apart(automaticFirst.map((fact) => [fact.by, fact.name] as const))
  return names.map((one, i) => ({ ...one, fact: automaticFirst[i]! }))
}

/** People, by given names too where these are clear. */
function givenNames(all: readonly Named[]): Named[] {
  const given = (one: Named) => one.name.split(/\s/)[0]!.toLowerCase()
  const isClear = (one: Named) => all.filter((other) => given(other) === given(one)).length === 1
  return all.map((one) => (isPlain(given(one)) && isClear(one) ? { ...one, short: given(one) } : one))
}

const people = (reader: Reader): [string, string][] => [
  ['me', 'me'],
  ['craft', 'my team'],
  ...[...reader.all('person')].map((one): [string, string] => [one.id, one.name]),
]

/** The values that a fact can have, where these are things with names. */
export function namedValues(reader: Reader, project: Project, by: string): Named[] {
  const own = (all: readonly [string, string][]): Named[] => [
    // What the language itself says is not quoted.
    ...all
      .filter(([id]) => id === 'me' || id === 'craft' || id === 'nobody')
      .map(([id, words]) => ({ id, name: words, words })),
    ...givenNames(apart(all.filter(([id]) => id !== 'me' && id !== 'craft' && id !== 'nobody'))),
  ]
  switch (by) {
    case 'status':
      return apart(statusesOf(reader, project.id).map((one) => [one.id, one.name]))
    case 'kind':
      return apart(kindsOf(reader, project.id).map((one) => [one.id, one.name]))
    case 'phase':
      return phases.map((one) => ({ id: one, name: one, words: one }))
    case 'people':
    case 'createdBy':
    case 'changedBy':
      return own(people(reader))
    case 'turn':
      return own([...people(reader), ['nobody', 'nobody']])
  }
  const { field } = maybeFact(reader, project.id, by) ?? {}
  if (field?.type === 'people') return own(people(reader))
  return apart((field?.settings.options ?? []).map((one) => [one.id, one.label]))
}

/** How a value of a fact is called and said; undefined where there is no such thing (any more). */
export function maybeNamed(reader: Reader, project: Project, by: string, id: string): Named | undefined {
  if (by !== 'parent') return namedValues(reader, project, by).find((one) => one.id === id)
  const item = reader.maybe('item', id)
  return item && { id, name: `${itemKey(reader, item)} ${item.title}`, words: itemKey(reader, item) }
}
