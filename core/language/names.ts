/** Names in sentences: how a fact and its values are called, so that what is said can be read back. */
import { factsOf, maybeFact } from '../facts/registry'
import type { Fact, NamedValue } from '../facts/contract'
import type { Reader } from '../model/reader'
import type { FactRef, Project } from '../model/records'

/** Something that can be named: by id, in words that nothing else of its kind has. */
export interface Named {
  readonly id: string
  /** As it is called. */
  readonly name: string
  /** As it is said in a sentence. */
  readonly words: string
  /** How else it may be typed: a person's given name that no other has. */
  readonly short?: string
}

/** Words of the sentence itself, which make a name unclear where they are in it. */
const keywords = new Set(
  'a ago all am ancestor and any are aren’t as average backwards before biggest board by child contain contains count doesn’t don’t each earliest either empty every fewest filled first from grouped has have highest i i’m in include includes is isn’t it it’s its items largest latest least lowest me median meets more most my newest no nobody none not of oldest on only or order over share showing smallest some soonest sorted sum table team than the then to today tomorrow under was well where which with without yesterday you you’re your yours'.split(
    ' ',
  ),
)
/** Whether a word means something to the language itself, so that a name like it is quoted. */
export const isKeyword = (word: string): boolean => keywords.has(word.toLowerCase())
function isPlain(name: string): boolean {
  if (!/^[\p{L}][\p{L}\p{M}\p{N}’' -]*$/u.test(name) || name.trim() !== name || /\s\s/.test(name)) return false
  const all = name.split(/[\s-]+/)
  // What begins with *in* is clear, unless it is a name of that one word.
  const asked = all.length > 1 && all[0]?.toLowerCase() === 'in' ? all.slice(1) : all
  return !asked.some(isKeyword)
}

/** The name, in quotation marks where it could be taken for something else. */
export const quoted = (name: string, isClear = isPlain(name)): string =>
  isClear ? name : `“${name.replaceAll('”', '””')}”`

/** `isOurs`: a name of the language's own, which is clear. Those with the same name get a number each; one that goes on as another does with a word of the language is quoted. */
function apart(all: Iterable<{ readonly id: string; readonly name: string; readonly isOurs?: boolean }>): Named[] {
  const seen = new Map<string, number>()
  const named = [...all]
  const longer = new Set(named.flatMap(({ name }) => beginningsOf(name)))
  return named.map(({ id, name, isOurs }) => {
    const folded = name.toLowerCase()
    const nth = (seen.get(folded) ?? 0) + 1
    seen.set(folded, nth)
    const words = quoted(name, (isOurs || isPlain(name)) && !longer.has(folded))
    return { id, name, words: nth > 1 ? `${words} #${nth}` : words }
  })
}
/** What a name begins with before each word of the language: after that, the rest could be read as the sentence's own. */
function beginningsOf(name: string): string[] {
  const all = name.toLowerCase().split(' ')
  return all.flatMap((word, i) => (i && isKeyword(word) ? [all.slice(0, i).join(' ')] : []))
}

/** A fact as sentences name it. */
export type NamedFact = Named & { readonly fact: Fact }

/** The project's facts, by the names they are said by; automatic ones come first where a field has the same name. */
export function namedFacts(reader: Reader, project: Project): NamedFact[] {
  const facts = factsOf(reader, project).filter((fact) => !fact.automatic?.isForSortingOnly)
  const automaticFirst = [...facts.filter((fact) => fact.automatic), ...facts.filter((fact) => fact.field)]
  const names = apart(
    automaticFirst.map(({ key, name, automatic }) => ({ id: key, name, isOurs: automatic?.label === name })),
  )
  return names.map((named, i) => ({ ...named, fact: automaticFirst[i]! }))
}

/** People, by given names too where these are clear. */
function withGivenNames(all: readonly Named[], people: ReadonlySet<string>): Named[] {
  const given = (named: Named) => named.name.split(/\s/)[0]!.toLowerCase()
  const isClear = (named: Named) => all.filter((other) => given(other) === given(named)).length === 1
  return all.map((named) =>
    people.has(named.id) && isPlain(given(named)) && isClear(named) ? { ...named, short: given(named) } : named,
  )
}

/** The values that a fact can have, where these are things with names. */
export function namedValues(reader: Reader, project: Project, ref: FactRef): Named[] {
  const all: readonly NamedValue[] = maybeFact(reader, project.id, ref)?.values?.(reader, project) ?? []
  const people = new Set(all.filter((value) => value.is === 'person').map((value) => value.id))
  return [
    // What the language itself says is not quoted.
    ...all
      .filter((value) => value.is === 'word')
      .map(({ id, name, typed }) => ({ id, name, words: name, ...(typed && { short: typed }) })),
    ...withGivenNames(apart(all.filter((value) => value.is !== 'word')), people),
  ]
}

/** How a value of a fact is called and said; undefined where there is no such thing (any more). */
export function maybeNamed(reader: Reader, project: Project, ref: FactRef, id: string): Named | undefined {
  if (!maybeFact(reader, project.id, ref)?.isOfItems)
    return namedValues(reader, project, ref).find((one) => one.id === id)
  const item = reader.names.item(id)
  return item && { id, name: `${item.key} ${item.title}`, words: item.key }
}
