import { tryParseDate } from '../base/dates'
import type { Figures } from '../fields/figures'
import type { Cursor, Fact } from '../facts/contract'
import { factKey, maybeFact } from '../facts/registry'
import type { FactRef } from '../model/records'
import type { Words } from './day-words'
import { namedFacts, namedValues, type Named, type NamedFact } from './names'
import { misspeltAt, spellings } from './spelling'
import type { Wording } from './wording'

const isWordCharacter = (character: string | undefined): boolean => !!character && /[\p{L}\p{N}\p{M}_]/u.test(character)
const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']

/** Reads typed words from a place onwards; what does not come next leaves the place where it was. */
export class TextCursor implements Words, Cursor {
  /** How many characters of the text have been taken. */
  place = 0
  readonly facts: readonly NamedFact[]
  readonly #values = new Map<string, readonly Named[]>()

  constructor(
    readonly text: string,
    readonly wording: Wording,
  ) {
    this.facts = namedFacts(wording.reader, wording.project)
  }

  get isAtEnd(): boolean {
    this.#skipBlanks()
    return this.place >= this.text.length
  }

  #valuesOf(ref: FactRef): readonly Named[] {
    const key = factKey(ref)
    const known = this.#values.get(key) ?? namedValues(this.wording.reader, this.wording.project, ref)
    this.#values.set(key, known)
    return known
  }

  #skipBlanks(): void {
    while (/\s/.test(this.text[this.place] ?? '')) this.place++
  }

  /** Passes over what joins phrases: commas, *and*, *where* and the like. */
  skipBetween(): void {
    for (let again = true; again;) {
      this.#skipBlanks()
      again = this.sign(',') || this.sign(';') || this.sign('.') || this.eat('and …') || this.sign('…')
      again ||= this.eatAny('items', 'and', 'where', 'but', 'that are', 'which are')
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

  /** What takes the most words, the first of those that take as many. */
  longest<T>(readings: readonly ((at: this) => T | undefined)[]): T | undefined {
    const before = this.place
    let best: { found: T; to: number } | undefined
    for (const read of readings) {
      this.place = before
      const found = read(this)
      if (found !== undefined && this.place > (best?.to ?? before)) best = { found, to: this.place }
    }
    this.place = best?.to ?? before
    return best?.found
  }

  /** One after another, as long as `between` comes there and something follows it. */
  several<T>(read: () => T | undefined, between: () => boolean): T[] | undefined {
    const first = read()
    if (first === undefined) return undefined
    const found = [first]
    for (;;) {
      const next = this.attempt(() => (between() ? read() : undefined))
      if (next === undefined) return found
      found.push(next)
    }
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
  eatAny(...all: readonly string[]): boolean {
    return all.some((words) => this.eat(words))
  }

  /** A whole number of at most six digits. */
  number(): number | undefined {
    this.#skipBlanks()
    const match = /^\d{1,6}(?![\d.])/.exec(this.text.slice(this.place))
    if (!match) return undefined
    this.place += match[0].length
    return Number(match[0])
  }

  /** A number as a fact says its own. */
  figure(figures: Figures): number | undefined {
    this.#skipBlanks()
    const read = figures.begin(this.text.slice(this.place))
    this.place += read?.length ?? 0
    return read?.x
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

  /** One word of letters and digits, with dots and the like within it. */
  word(): string | undefined {
    const match = /^\s*([\p{L}\p{N}\p{M}_-]+(?:[.:/][\p{L}\p{N}\p{M}_-]+)*)/u.exec(this.text.slice(this.place))
    if (match) this.place += match[0].length
    return match?.[1]
  }

  fact(): Fact | undefined {
    this.eat('the')
    return this.named(this.facts)?.fact
  }

  value(ref: FactRef, strictly = false): string | undefined {
    const { reader, project } = this.wording
    if (maybeFact(reader, project.id, ref)?.isOfItems) return this.#item()
    return this.named(this.#valuesOf(ref), !strictly)?.id
  }

  values(ref: FactRef, strictly = false): string[] | undefined {
    if (!strictly && this.eat('none of them')) return []
    return this.several(() => this.value(ref, strictly), this.or)
  }

  /** *or*, or a comma after which another value comes. Whoever reads phrases says what a comma may not end. */
  or = (): boolean => this.eat('or') || (this.sign(',') && (this.eat('or') || !this.isPhraseNext()))
  isPhraseNext: () => boolean = () => false

  /** An item by its key. */
  #item(): string | undefined {
    const { reader, project } = this.wording
    const match = /^\s*([A-Z][A-Z0-9]*)-(\d+)/i.exec(this.text.slice(this.place))
    if (match?.[1]?.toUpperCase() !== project.prefix) return undefined
    const id = reader.names.itemNamed(match[0])
    if (id !== undefined) this.place += match[0].length
    return id
  }

  /** The one whose name comes next: the longest that does; else, where it may be, one that differs by one letter. */
  named<N extends Named>(all: readonly N[], isLenient = true): N | undefined {
    this.#skipBlanks()
    return this.#longestName(all, (spelling) => this.#takes(spelling)) ?? (isLenient ? this.#misspelt(all) : undefined)
  }

  #misspelt<N extends Named>(all: readonly N[]): N | undefined {
    const rest = this.text.slice(this.place)
    return this.#longestName(all, (spelling) => misspeltAt(rest, spelling)?.length ?? 0)
  }

  /** How many characters a spelling takes, blanks before it among them; 0 where it does not come next. */
  #takes(spelling: string): number {
    const before = this.place
    const taken = this.eat(spelling) ? this.place - before : 0
    this.place = before
    return taken
  }

  #longestName<N extends Named>(all: readonly N[], lengthOf: (spelling: string) => number): N | undefined {
    let found: { one: N; length: number } | undefined
    for (const one of all)
      for (const spelling of spellings(one)) {
        const length = lengthOf(spelling)
        if (length > (found?.length ?? 0)) found = { one, length }
      }
    this.place += found?.length ?? 0
    return found?.one
  }
}
