/** Typed words to phrases of a view, with what was understood and what was not, and where. */
import { dayBefore, tryParseDate } from '../base/dates'
import { foldText } from '../base/collation'
import { tryParseDecimal } from '../base/decimals'
import { kindsOfFacts } from '../fields/kinds'
import { grains, totalNames } from '../model/schemas'
import type { Condition, FactTest, GroupKey, SortKey, Total, ViewDefinition } from '../model/records'
import { readSpan, type Words } from './day-words'
import type { Fact } from './facts'
import { isKeyword, namedFacts, namedValues, type Named } from './names'
import type { Wording } from './sentence'

/** Some of the words, and what they were taken for. */
export interface Understood {
  /** Where they stand in the text. */
  readonly from: number
  readonly to: number
  readonly phrase: Phrase
}
export type Phrase =
  | { readonly says: 'where'; readonly condition: Condition }
  | { readonly says: 'group'; readonly group: readonly GroupKey[] }
  | { readonly says: 'sort'; readonly sort: readonly SortKey[] }
  | { readonly says: 'totals'; readonly totals: readonly Total[] }
  | { readonly says: 'show'; readonly show: readonly string[] }
  | { readonly says: 'layout'; readonly layout: ViewDefinition['layout'] }

export interface Parsed {
  readonly understood: readonly Understood[]
  /** The words that were not, each stretch of them. */
  readonly left: readonly { readonly from: number; readonly to: number; readonly words: string }[]
}

/** Reads phrases one after another; between them may stand commas, *and*, *where* and the like. */
export function parse(text: string, wording: Wording): Parsed {
  const at = new Reading(text, wording)
  const understood: Understood[] = []
  const left: { from: number; to: number; words: string }[] = []
  for (at.skipBetween(); !at.isAtEnd; at.skipBetween()) {
    const from = at.place
    const phrase = phraseAt(at)
    if (phrase && at.place > from) {
      understood.push({ from, to: at.place, phrase })
      continue
    }
    at.skipWord()
    const last = left.at(-1)
    const isNext = last && !text.slice(last.to, from).trim() && !understood.some((one) => one.from >= last.to)
    if (isNext) left[left.length - 1] = { from: last.from, to: at.place, words: text.slice(last.from, at.place) }
    else left.push({ from, to: at.place, words: text.slice(from, at.place) })
  }
  return { understood, left }
}

/** A view with the phrases said: conditions come to those there are, the rest takes the place of what was said before. */
export function withPhrases(view: ViewDefinition, phrases: readonly Phrase[]): ViewDefinition {
  return phrases.reduce((now: ViewDefinition, one): ViewDefinition => {
    switch (one.says) {
      case 'where':
        return { ...now, where: [...now.where, one.condition] }
      case 'group':
        return { ...now, group: [...one.group] }
      case 'sort':
        return { ...now, sort: [...one.sort] }
      case 'totals':
        return { ...now, totals: [...one.totals] }
      case 'show':
        return { ...now, show: [...one.show] }
      case 'layout':
        return { ...now, layout: one.layout }
    }
  }, view)
}

const isWordCharacter = (character: string | undefined): boolean => !!character && /[\p{L}\p{N}\p{M}_]/u.test(character)
const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
/** Shorter words are not taken for misspelt. */
const shortestMisspelt = 4

class Reading implements Words {
  place = 0
  readonly #facts: ReturnType<typeof namedFacts>
  readonly #values = new Map<string, readonly Named[]>()

  constructor(
    readonly text: string,
    readonly wording: Wording,
  ) {
    this.#facts = namedFacts(wording.reader, wording.project)
  }

  get isAtEnd(): boolean {
    this.#skipBlanks()
    return this.place >= this.text.length
  }
  get facts(): ReturnType<typeof namedFacts> {
    return this.#facts
  }
  valuesOf(by: string): readonly Named[] {
    const known = this.#values.get(by) ?? namedValues(this.wording.reader, this.wording.project, by)
    this.#values.set(by, known)
    return known
  }

  #skipBlanks(): void {
    while (/\s/.test(this.text[this.place] ?? '')) this.place++
  }

  skipBetween(): void {
    for (let again = true; again;) {
      this.#skipBlanks()
      again = this.sign(',') || this.sign(';') || this.sign('.') || this.eat('and …') || this.sign('…')
      for (const word of ['items', 'and', 'where', 'but', 'that are', 'which are']) again = again || this.eat(word)
    }
  }
  skipWord(): void {
    this.#skipBlanks()
    do this.place++
    while (this.place < this.text.length && isWordCharacter(this.text[this.place]))
  }

  attempt<T>(read: () => T | undefined): T | undefined {
    const before = this.place
    const found = read()
    if (found === undefined) this.place = before
    return found
  }

  sign(sign: string): boolean {
    this.#skipBlanks()
    if (!this.text.startsWith(sign, this.place)) return false
    this.place += sign.length
    return true
  }

  eat(words: string): boolean {
    this.#skipBlanks()
    const to = this.place + words.length
    if (this.text.slice(this.place, to).toLowerCase().replaceAll("'", '’') !== words.toLowerCase()) return false
    if (isWordCharacter(words.at(-1)) && isWordCharacter(this.text[to])) return false
    this.place = to
    return true
  }

  /** The first of them that stands here, if one does. */
  eatAny(...all: readonly string[]): boolean {
    return all.some((words) => this.eat(words))
  }

  number(): number | undefined {
    this.#skipBlanks()
    const match = /^\d{1,6}(?![\d.])/.exec(this.text.slice(this.place))
    if (!match) return undefined
    this.place += match[0].length
    return Number(match[0])
  }

  decimal(scale: number): number | undefined {
    this.#skipBlanks()
    const match = /^[-−]?\d+(?:[.,]\d+)?/.exec(this.text.slice(this.place))
    const value = match ? tryParseDecimal(match[0], scale) : undefined
    if (match && value !== undefined) this.place += match[0].length
    return value
  }

  date(): string | undefined {
    this.#skipBlanks()
    const rest = this.text.slice(this.place)
    const digits = /^\d{4}-\d{2}-\d{2}|^\d{1,2}[./]\d{1,2}[./]\d{4}/.exec(rest)
    const named = /^(\d{1,2})\.? ([a-z]{3})[a-z]*\.? (\d{4})/i.exec(rest)
    const month = named ? months.indexOf(named[2]!.toLowerCase()) + 1 : 0
    const match = digits ?? (month ? named : null)
    const text =
      digits?.[0] ??
      (named && month ? `${named[3]}-${String(month).padStart(2, '0')}-${named[1]!.padStart(2, '0')}` : '')
    const date = tryParseDate(text)
    if (match && date) this.place += match[0].length
    return date
  }

  /** Words in quotation marks, ” doubled where it is meant itself. */
  quotation(): string | undefined {
    this.#skipBlanks()
    const match = /^[“"]((?:[^”"]|””)*)[”"]/.exec(this.text.slice(this.place))
    if (!match) return undefined
    this.place += match[0].length
    return match[1]!.replaceAll('””', '”')
  }

  /** The one whose name stands here: the longest that does; else one that differs by one letter. */
  named<N extends Named>(all: readonly N[], isLenient = true): N | undefined {
    this.#skipBlanks()
    let found: { one: N; length: number } | undefined
    for (const one of all)
      for (const words of spellings(one)) {
        const before = this.place
        if (this.eat(words) && this.place - before > (found?.length ?? 0)) found = { one, length: this.place - before }
        this.place = before
      }
    if (found) {
      this.place += found.length
      return found.one
    }
    return isLenient ? this.#misspelt(all) : undefined
  }

  #misspelt<N extends Named>(all: readonly N[]): N | undefined {
    const rest = this.text.slice(this.place)
    let found: { one: N; length: number } | undefined
    for (const one of all)
      for (const words of spellings(one)) {
        if (words.length < shortestMisspelt || words.startsWith('“')) continue
        const count = words.split(/\s+/).length
        const typed = new RegExp(`^(?:[\\p{L}\\p{N}\\p{M}_’'-]+\\s*){${count}}`, 'u').exec(rest)?.[0].trimEnd()
        if (!typed || isSentence(typed, words) || !isOneLetterOff(foldText(typed), foldText(words))) continue
        if (!found || typed.length > found.length) found = { one, length: typed.length }
      }
    if (found) this.place += found.length
    return found?.one
  }
}

/** A word of the sentence is no misspelt word of a name. */
function isSentence(typed: string, name: string): boolean {
  const named = foldText(name).split(/\s+/)
  return foldText(typed)
    .split(/\s+/)
    .some((word, i) => isKeyword(word) && word !== named[i])
}

/** As it is printed, without the quotation marks, for short. */
const spellings = ({ words, short }: Named): string[] => [
  words,
  ...(words.startsWith('“') ? [plainWords(words)] : []),
  ...(short ? [short] : []),
]
const plainWords = (words: string): string =>
  words.replace(/^“(.*)”( #\d+)?$/s, (_, name: string, nth = '') => name.replaceAll('””', '”') + nth)

/** Equal but for one letter too many, too few, another, or two that changed places (Damerau, 1964). */
export function isOneLetterOff(a: string, b: string): boolean {
  if (a === b) return true
  const [short, long] = a.length <= b.length ? [a, b] : [b, a]
  if (long.length - short.length > 1) return false
  let same = 0
  while (same < short.length && short[same] === long[same]) same++
  if (short.length < long.length) return short.slice(same) === long.slice(same + 1)
  if (short.slice(same + 1) === long.slice(same + 1)) return true
  const isSwapped = short[same] === long[same + 1] && short[same + 1] === long[same]
  return isSwapped && short.slice(same + 2) === long.slice(same + 2)
}

/** What takes the most words, the first of those that take as many. */
function longest<T>(at: Reading, readings: readonly ((at: Reading) => T | undefined)[]): T | undefined {
  const before = at.place
  let best: { found: T; to: number } | undefined
  for (const read of readings) {
    at.place = before
    const found = read(at)
    if (found !== undefined && at.place > (best?.to ?? before)) best = { found, to: at.place }
  }
  at.place = best?.to ?? before
  return best?.found
}

const otherPhrases = [layoutAt, sortAt, groupAt, showAt, totalsAt] as const
const phraseAt = (at: Reading): Phrase | undefined => longest<Phrase>(at, [...otherPhrases, whereAt])

function whereAt(at: Reading): Phrase | undefined {
  const of = several(at, () => at.attempt(() => conditionAt(at)), wordBetween(at, 'or'))
  const [only] = of ?? []
  return of && only && { says: 'where', condition: of.length > 1 ? { about: 'any', of } : only }
}

function layoutAt(at: Reading): Phrase | undefined {
  // With it, what could be a name is none.
  at.eat('as a')
  if (at.eat('board by status') || at.eat('board')) return { says: 'layout', layout: 'board' }
  return at.eat('table') ? { says: 'layout', layout: 'table' } : undefined
}

/** One after another, as long as `between` stands there and something follows it. */
function several<T>(at: Reading, read: () => T | undefined, between: () => boolean): T[] | undefined {
  const first = read()
  if (first === undefined) return undefined
  const found = [first]
  for (;;) {
    const next = at.attempt(() => (between() ? read() : undefined))
    if (next === undefined) return found
    found.push(next)
  }
}
const orBetween = (at: Reading) => () => at.eat('or') || (at.sign(',') && (at.eat('or') || !isLongerPhrase(at)))
/** What follows a comma alone is no further value where more words of it are a phrase of another sort. */
function isLongerPhrase(at: Reading): boolean {
  const before = at.place
  const words = () => at.text.slice(before, at.place).trim().split(/\s+/).length
  const isPhrase = longest(at, otherPhrases) !== undefined && words() > 1
  at.place = before
  return isPhrase
}
const andBetween = (at: Reading) => () => at.eat('and') || (at.sign(',') && (at.eat('and') || true))
/** The word itself, also after a comma. */
const wordBetween = (at: Reading, word: string) => () => (at.sign(',') ? at.eat(word) : at.eat(word))

function factAt(at: Reading, isLenient = true): Fact | undefined {
  at.eat('the')
  return at.named(at.facts, isLenient)?.fact
}

function sortAt(at: Reading): Phrase | undefined {
  const sort = several(at, () => at.attempt(() => sortKeyAt(at)), wordBetween(at, 'then'))
  return sort && { says: 'sort', sort }
}
function sortKeyAt(at: Reading): SortKey | undefined {
  const withEmpties = (key: SortKey): SortKey => (at.eat('with empty ones first') ? { ...key, emptyFirst: true } : key)
  if (at.eat('in the team’s order')) return { by: 'rank', down: false }
  if (at.eat('against the team’s order')) return { by: 'rank', down: true }
  if (at.eat('sorted by') || at.eat('sort by')) {
    const fact = factAt(at)
    return fact && withEmpties({ by: fact.by, down: at.eat('backwards') || at.eat('last first') })
  }
  const isUp = ['soonest', 'earliest', 'oldest', 'least', 'lowest', 'smallest', 'fewest'].some((word) => at.eat(word))
  const isDown = !isUp && ['latest', 'newest', 'most', 'highest', 'largest', 'biggest'].some((word) => at.eat(word))
  if (!isUp && !isDown) return undefined
  const fact = factAt(at)
  at.eat('first')
  return fact && withEmpties({ by: fact.by, down: isDown })
}

function groupAt(at: Reading): Phrase | undefined {
  if (!at.eat('grouped by') && !at.eat('by')) return undefined
  const group = several(at, () => at.attempt(() => groupKeyAt(at)), wordBetween(at, 'then'))
  return group && { says: 'group', group: group.slice(0, 3) }
}
function groupKeyAt(at: Reading): GroupKey | undefined {
  const grain = grains.find((one) => at.eat(`${one} of`))
  const fact = factAt(at)
  if (!fact || (grain && !kindsOfFacts[fact.kind].isDated)) return undefined
  const down = at.eat('backwards')
  const byTotal = at.attempt(() => (at.eat('in order of') ? totalAt(at) : undefined))
  const withEmpty = at.eat('with empty groups')
  const hideNone = at.eat('without none')
  return {
    by: fact.by, ...(grain && { grain }), ...(down && { down }), ...(byTotal && { byTotal }), ...(withEmpty && { withEmpty }), ...(hideNone && { hideNone }),
  } // prettier-ignore
}

function totalsAt(at: Reading): Phrase | undefined {
  at.eat('with')
  const totals = several(at, () => at.attempt(() => totalAt(at)), andBetween(at))
  return totals && { says: 'totals', totals }
}
function totalAt(at: Reading): Total | undefined {
  at.eat('the')
  const name =
    totalNames.find((one) => at.eat(one)) ?? (at.eat('earliest') ? 'least' : at.eat('latest') ? 'most' : undefined)
  if (!name) return undefined
  const isSum = name === 'sum' || name === 'average' || name === 'median'
  const fact = at.attempt(() => (at.eat('of') || isSum ? factAt(at) : undefined))
  if (!fact) return name === 'count' || name === 'share' ? { name } : undefined
  return name === 'count' || kindsOfFacts[fact.kind].totals.includes(name) ? { name, of: fact.by } : undefined
}

function showAt(at: Reading): Phrase | undefined {
  if (!at.eat('showing') && !at.eat('show')) return undefined
  if (at.eat('titles only')) return { says: 'show', show: [] }
  const fields = at.facts.filter((one) => one.fact.field)
  const show = several(at, () => at.named(fields)?.id, andBetween(at))
  return show && { says: 'show', show }
}

const not = (condition: Condition): Condition => ({ about: 'none', of: [condition] })
const fact = (by: string, test: FactTest): Condition => ({ about: 'fact', fact: by, test })
const anyOf = (values: readonly string[]): FactTest => ({ is: 'anyOf', values: [...values] })

const conditionAt = (at: Reading): Condition | undefined =>
  longest(at, [bracketed, wasAt, itIs, peopleInIt, aboutFact, shortly])

const brackets = { 'some child meets': 'anyChild', 'every child meets': 'allChildren', 'the parent meets': 'parent', 'some ancestor meets': 'someAncestor' } as const // prettier-ignore

function bracketed(at: Reading): Condition | undefined {
  for (const about of ['all', 'any', 'none'] as const)
    if (at.eat(`${about} of`)) {
      if (!at.sign('(')) return undefined
      const of = several(
        at,
        () => conditionAt(at),
        () => at.sign(';'),
      )
      return of && at.sign(')') ? { about, of } : undefined
    }
  for (const [words, about] of Object.entries(brackets))
    if (at.eat(words)) {
      if (!at.sign('(')) return undefined
      const that = conditionAt(at)
      return that && at.sign(')') ? { about, that } : undefined
    }
  return undefined
}

/** *5 days ago the status was Ready*, or the other way round. */
function wasAt(at: Reading): Condition | undefined {
  const ago = () => {
    const n = at.number()
    return n && (at.eat('days ago') || at.eat('day ago')) ? n : undefined
  }
  const before = at.attempt(ago)
  if (!at.eat('the status was') && !at.eat('status was')) return undefined
  const statuses = valuesAt(at, 'status')
  const daysAgo = before ?? at.attempt(ago)
  return daysAgo && statuses?.length ? { about: 'was', daysAgo, statuses: statuses as never } : undefined
}

function valuesAt(at: Reading, by: string): string[] | undefined {
  if (at.eat('none of them')) return []
  return several(at, () => valueAt(at, by), orBetween(at))
}
function valueAt(at: Reading, by: string): string | undefined {
  if (by === 'parent') return itemAt(at)
  // What one says of oneself is not a misspelt name.
  return at.named(at.valuesOf(by))?.id
}
/** An item by its key. */
function itemAt(at: Reading): string | undefined {
  const { reader, project } = at.wording
  const match = /^\s*([A-Z][A-Z0-9]*)-(\d+)/i.exec(at.text.slice(at.place))
  if (match?.[1]?.toUpperCase() !== project.prefix) return undefined
  const row = reader.table(project.id).number.a.indexOf(Number(match[2]))
  if (row < 0) return undefined
  at.place += match[0].length
  return reader.table(project.id).ids[row]
}

/** What is said of the item itself: *it is finished*, *not my turn*, *late*. */
function itIs(at: Reading): Condition | undefined {
  at.eatAny('it is', 'is')
  const isNot = at.eat('not')
  const said = itself(at)
  return said && (isNot ? negated(said) : said)
}
/** *Not late* is said by the fact itself. */
function negated(condition: Condition): Condition {
  const { test } = condition as { test?: FactTest }
  if (condition.about === 'fact' && condition.fact === 'late')
    return fact('late', { is: test?.is === 'filled' ? 'empty' : 'filled' })
  return not(condition)
}
function itself(at: Reading): Condition | undefined {
  if (at.eat('late') || at.eat('overdue')) return fact('late', { is: 'filled' })
  if (at.eat('my turn') || at.eat('mine')) return fact('turn', anyOf(['me']))
  if (at.eat('nobody’s turn') || at.eat('nobody’s')) return fact('turn', anyOf(['nobody']))
  if (at.eat('the turn of')) {
    const values = valuesAt(at, 'turn')
    return values && fact('turn', anyOf(values))
  }
  const { assignees } = at.wording.project.uses
  if (assignees && at.eat('unassigned')) return fact(assignees, { is: 'empty' })
  if (assignees && at.eat('assigned to')) {
    const values = valuesAt(at, assignees)
    return values && fact(assignees, anyOf(values))
  }
  if (at.eat('open') || at.eat('unfinished')) return fact('phase', anyOf(['waiting', 'active']))
  const phases = several(at, () => at.named(at.valuesOf('phase'), false)?.id, orBetween(at))
  return phases && fact('phase', anyOf(phases))
}

function peopleInIt(at: Reading): Condition | undefined {
  const people = at.eat('I') ? ['me'] : several(at, () => (at.eat('I') ? 'me' : valueAt(at, 'people')), orBetween(at))
  if (!people || !(at.eat('am') || at.eat('is') || at.eat('are'))) return undefined
  const isNot = at.eat('not')
  if (!at.eat('in it')) return undefined
  const condition = fact('people', anyOf(people))
  return isNot ? not(condition) : condition
}

/** *due is this week*, *tags has not all of a and b*, *no effort*, *effort over 5*. */
function aboutFact(at: Reading): Condition | undefined {
  const isWithout = at.eat('no') || at.eat('without')
  const isWith = !isWithout && at.eat('with')
  const its = factAt(at)
  if (!its) return undefined
  if (isWithout) return fact(its.by, { is: 'empty' })
  if (isWith) return fact(its.by, { is: 'filled' })
  const { tests } = kindsOfFacts[its.kind]
  at.eatAny('is', 'are', 'has', 'have')
  if (at.eat('empty') || at.eat('not ticked')) return fact(its.by, { is: 'empty' })
  if (at.eat('filled') || at.eat('ticked')) return fact(its.by, { is: 'filled' })
  const isNot = at.eat('not')
  const test =
    (tests.includes('days') ? at.attempt(() => spanAt(at)) : undefined) ??
    (tests.includes('between') ? at.attempt(() => rangeAt(at, its)) : undefined) ??
    (tests.includes('has') ? at.attempt(() => wordsAt(at)) : undefined) ??
    (tests.includes('allOf') ? at.attempt(() => allOfAt(at, its)) : undefined) ??
    (tests.includes('anyOf') ? at.attempt(() => anyOfAt(at, its)) : undefined)
  if (!test) return undefined
  return isNot ? not(fact(its.by, test)) : fact(its.by, test)
}

function spanAt(at: Reading): FactTest | undefined {
  const isBefore = at.attempt(() => (at.eat('before') ? at.date() : undefined))
  // The day itself is not before it.
  if (isBefore) return { is: 'days', from: null, to: dayBefore(isBefore) }
  const span = readSpan(at)
  return span && { is: 'days', ...span }
}

function rangeAt(at: Reading, { field }: Fact): FactTest | undefined {
  const scale = field?.settings.decimals ?? 0
  const number = () => {
    const x = at.decimal(scale)
    if (x !== undefined && field?.settings.unit) at.eat(field.settings.unit)
    return x
  }
  const between = (from: number | null | undefined, to: number | null | undefined): FactTest | undefined =>
    from === undefined || to === undefined ? undefined : { is: 'between', from, to }
  if (at.eat('any number')) return between(null, null)
  if (at.eat('at least') || at.sign('>=') || at.sign('≥')) return between(number(), null)
  if (at.eat('at most') || at.sign('<=') || at.sign('≤')) return between(null, number())
  const over = at.attempt(() => (at.eat('over') || at.eat('more than') || at.sign('>') ? number() : undefined))
  if (over !== undefined) return between(over + 1, null)
  const under = at.attempt(() => (at.eat('under') || at.eat('less than') || at.sign('<') ? number() : undefined))
  if (under !== undefined) return between(null, under - 1)
  const from = number()
  if (from === undefined) return undefined
  const to = at.attempt(() => (at.eat('to') || at.sign('–') ? number() : undefined))
  return between(from, to ?? from)
}

function wordsAt(at: Reading): FactTest | undefined {
  at.eatAny('the words', 'the word')
  const words = at.quotation() ?? at.attempt(() => looseWord(at))
  return words?.trim() ? { is: 'has', words } : undefined
}
function looseWord(at: Reading): string | undefined {
  const match = /^\s*([\p{L}\p{N}\p{M}_-]+)/u.exec(at.text.slice(at.place))
  if (!match) return undefined
  at.place += match[0].length
  return match[1]
}

function allOfAt(at: Reading, { by }: Fact): FactTest | undefined {
  if (!at.eat('all of')) return undefined
  const values = several(
    at,
    () => valueAt(at, by),
    () => at.eat('as well as'),
  )
  return values && { is: 'allOf', values }
}
function anyOfAt(at: Reading, { by }: Fact): FactTest | undefined {
  const values = valuesAt(at, by)
  return values && anyOf(values)
}

/** A name alone: of a status, a kind, an option, a person; words in quotation marks are of the title. */
function shortly(at: Reading): Condition | undefined {
  const isNot = at.eat('not')
  const words = at.quotation()
  const found = words?.trim() ? fact('title', { is: 'has', words }) : (named(at, false) ?? named(at, true))
  return found && (isNot ? not(found) : found)
}
function named(at: Reading, isLenient: boolean): Condition | undefined {
  const choices = at.facts.filter((one) => one.fact.field?.settings.options).map((one) => one.id)
  for (const by of ['status', 'kind', ...choices, 'people', 'phase']) {
    const values = several(at, () => at.named(at.valuesOf(by), isLenient)?.id, orBetween(at))
    if (values) return fact(by, anyOf(values))
  }
  return undefined
}
