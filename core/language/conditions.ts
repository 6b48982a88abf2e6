/** Conditions of a view: how each is said, and how it is read back. */
import { dayBefore } from '../base/dates'
import { assertNever } from '../base/result'
import type { Fact } from '../facts/contract'
import { automaticFacts, fieldRef, maybeFact } from '../facts/registry'
import { kindsOfFacts } from '../fields/kinds'
import { typeOf } from '../fields/registry'
import type { Condition, FactRef, FactTest } from '../model/records'
import type { TextCursor } from './cursor'
import { readSpan, spanWords } from './day-words'
import { maybeNamed, namedFacts, quoted } from './names'
import { listed, type Wording } from './wording'

type AboutFact = Extract<Condition, { about: 'fact' }>

/** What a fact is called; one that was removed, by the name that it had. */
export const factName = ({ reader, project }: Wording, ref: FactRef): string => {
  const key = maybeFact(reader, project.id, ref)?.key
  return namedFacts(reader, project).find((fact) => fact.id === key)?.words ?? removedName(reader, ref)
}
const removedName = (reader: Wording['reader'], ref: FactRef): string => {
  const field = ref.fact === 'field' ? reader.maybe('field', ref.field) : undefined
  return field ? `the removed field ${quoted(field.name)}` : 'a removed field'
}

/** Whether nothing of a condition can be asked any more, since the fields that it is about were removed: it leaves nothing out. */
export function isPastAsking(condition: Condition, { reader, project }: Wording): boolean {
  const isGone = (one: Condition): boolean => {
    if (one.about === 'fact') return !maybeFact(reader, project.id, one.fact)
    if ('of' in one) return one.of.length > 0 && one.of.every(isGone)
    return 'that' in one && isGone(one.that)
  }
  return isGone(condition)
}

function valueNames(wording: Wording, ref: FactRef, ids: readonly string[]): string[] {
  const what = ref.fact === 'field' ? 'option' : ref.fact
  return ids.map((id) => maybeNamed(wording.reader, wording.project, ref, id)?.words ?? `a removed ${what}`)
}
const anyOfThem = (wording: Wording, ref: FactRef, ids: readonly string[]): string =>
  listed(valueNames(wording, ref, ids), 'or') || 'none of them'

/** How kinships are said and, after that, may be typed as well. */
const kinWords = {
  anyChild: ['any child', 'some child meets'],
  allChildren: ['every child', 'every child meets'],
  parent: ['the parent', 'the parent meets'],
  someAncestor: ['any ancestor', 'some ancestor meets'],
} as const

/** A condition as the sentence says it after *where*. */
export function conditionWords(condition: Condition, wording: Wording): string {
  switch (condition.about) {
    case 'fact':
      return factWords(condition, false, wording)
    case 'none': {
      const [only] = condition.of
      if (condition.of.length === 1 && only?.about === 'fact' && isSaidNegated(only.test))
        return factWords(only, true, wording)
      return `none of (${insideWords(condition.of, wording)})`
    }
    case 'all':
    case 'any':
      return `${condition.about} of (${insideWords(condition.of, wording)})`
    case 'was': {
      const { daysAgo, statuses } = condition
      const ago = daysAgo === 1 ? '1 day' : `${daysAgo} days`
      return `${ago} ago the status was ${anyOfThem(wording, { fact: 'status' }, statuses)}`
    }
    case 'anyChild':
    case 'allChildren':
    case 'parent':
    case 'someAncestor':
      return `${kinWords[condition.about][0]}: ${conditionWords(condition.that, wording)}`
    default:
      return assertNever(condition)
  }
}
const insideWords = (conditions: readonly Condition[], wording: Wording): string =>
  conditions.map((condition) => conditionWords(condition, wording)).join('; ')

/** Whether *not* is said within the phrase itself. */
const isSaidNegated = ({ is }: FactTest): boolean => is !== 'empty' && is !== 'filled'

function factWords({ fact: ref, test }: AboutFact, isNot: boolean, wording: Wording): string {
  const fact = maybeFact(wording.reader, wording.project.id, ref)
  if (!fact) return `${removedName(wording.reader, ref)} is anything`
  const list = (ids: readonly string[]) => anyOfThem(wording, ref, ids)
  return fact.automatic?.words?.say?.(test, isNot, list) ?? usualWords(fact, test, isNot, wording)
}

/** A name of more than one thing: *tags*, *assignees*. */
const isPlural = (name: string): boolean => /[^su]s”?$/.test(name)

/** *is*, *aren’t*: what a name does, or does not. */
function verb(name: string, does: 'is' | 'includes' | 'contains', isNot: boolean): string {
  const many = isPlural(name)
  if (does === 'is') return many ? (isNot ? 'aren’t' : 'are') : isNot ? 'isn’t' : 'is'
  const infinitive = does.slice(0, -1)
  if (isNot) return `${many ? 'don’t' : 'doesn’t'} ${infinitive}`
  return many ? infinitive : does
}

/** As a fact of its kind says it. */
function usualWords(fact: Fact, test: FactTest, isNot: boolean, wording: Wording): string {
  const name = factName(wording, fact.ref)
  const is = (not: boolean) => `${name} ${verb(name, 'is', not)}`
  const isTicked = fact.field && typeOf(fact.field).isTicked
  switch (test.is) {
    case 'empty':
      return isTicked ? `${is(true)} ticked` : `${is(false)} empty`
    case 'filled':
      return `${is(false)} ${isTicked ? 'ticked' : 'filled in'}`
    case 'anyOf': {
      const values = anyOfThem(wording, fact.ref, test.values)
      const article = fact.automatic?.words?.article ?? ''
      return fact.kind === 'choices'
        ? `${name} ${verb(name, 'includes', isNot)} ${values}`
        : `${article}${is(isNot)} ${values}`
    }
    case 'allOf':
      return `${name} ${verb(name, 'includes', isNot)} all of ${valueNames(wording, fact.ref, test.values).join(' as well as ')}`
    case 'has':
      return `${name} ${verb(name, 'contains', isNot)} “${test.words.replaceAll('”', '””')}”`
    case 'between':
      return `${is(isNot)} ${rangeWords(fact, test)}`
    case 'days':
      return `${is(isNot)} ${spanWords(test, wording.day)}`
    default:
      return assertNever(test)
  }
}

function rangeWords(fact: Fact, { from, to }: Extract<FactTest, { is: 'between' }>): string {
  const words = (x: number) => fact.figures.say(x)
  if (from === null) return to === null ? 'any number' : `at most ${words(to)}`
  if (to === null) return `at least ${words(from)}`
  return from === to ? words(from) : `${fact.figures.bare(from)} to ${words(to)}`
}

const not = (condition: Condition): Condition => ({ about: 'none', of: [condition] })
const asked = (fact: FactRef, test: FactTest): Condition => ({ about: 'fact', fact, test })
const anyOf = (values: readonly string[]): FactTest => ({ is: 'anyOf', values: [...values] })

/** The condition that comes next: whatever takes the most words. */
export const readCondition = (at: TextCursor): Condition | undefined =>
  at.longest<Condition>([readBracketed, readWas, readItself, ...clauses, readFact, readAlone])

function readBracketed(at: TextCursor): Condition | undefined {
  for (const about of ['all', 'any', 'none'] as const)
    if (at.eat(`${about} of`)) {
      if (!at.sign('(')) return undefined
      const of = at.several(
        () => readCondition(at),
        () => at.sign(';'),
      )
      return of && at.sign(')') ? { about, of } : undefined
    }
  for (const [about, words] of Object.entries(kinWords) as [keyof typeof kinWords, readonly string[]][]) {
    const that = at.attempt(() => (at.eatAny(...[...words].reverse()) ? readThat(at) : undefined))
    if (that) return { about, that }
  }
  return undefined
}

/** What a relative must meet: after a colon, or in brackets. */
function readThat(at: TextCursor): Condition | undefined {
  const isAfterColon = at.sign(':')
  if (!at.sign('(')) return isAfterColon ? readCondition(at) : undefined
  const that = readCondition(at)
  return that && at.sign(')') ? that : undefined
}

/** *5 days ago the status was Ready*, or the other way round. */
function readWas(at: TextCursor): Condition | undefined {
  const ago = () => {
    const n = at.number()
    return n && at.eatAny('days ago', 'day ago') ? n : undefined
  }
  const before = at.attempt(ago)
  if (!at.eatAny('the status was', 'status was')) return undefined
  const statuses = at.values({ fact: 'status' })
  const daysAgo = before ?? at.attempt(ago)
  return daysAgo && statuses?.length ? { about: 'was', daysAgo, statuses: statuses as never } : undefined
}

/** What is said of the item itself: *it is finished*, *not my turn*, *late*. */
function readItself(at: TextCursor): Condition | undefined {
  const isNegated = at.eatAny('it isn’t', 'isn’t')
  if (!isNegated) at.eatAny('it is', 'it’s', 'is')
  const isNot = at.eat('not') || isNegated
  for (const { name, words } of Object.values(automaticFacts)) {
    const test = words?.readItself && at.attempt(() => words.readItself?.(at))
    if (!test) continue
    // *Not late* is said by the fact itself.
    const negated = isNot ? words.negated?.(test) : undefined
    if (negated) return asked({ fact: name }, negated)
    return isNot ? not(asked({ fact: name }, test)) : asked({ fact: name }, test)
  }
  const assigned = at.attempt(() => readAssigned(at))
  return assigned && isNot ? not(assigned) : assigned
}

/** *unassigned*, *assigned to Imke*. */
function readAssigned(at: TextCursor): Condition | undefined {
  const { assignees } = at.wording.project.uses
  if (!assignees) return undefined
  const ref = fieldRef(assignees)
  if (at.eat('unassigned')) return asked(ref, { is: 'empty' })
  const values = at.eat('assigned to') ? at.values(ref) : undefined
  return values && asked(ref, anyOf(values))
}

/** Clauses that facts have of their own. */
const clauses = Object.values(automaticFacts).flatMap(({ name, words }) =>
  words?.readClause
    ? [
        (at: TextCursor): Condition | undefined => {
          const read = words.readClause?.(at)
          const condition = read && asked({ fact: name }, read.test)
          return condition && read.isNot ? not(condition) : condition
        },
      ]
    : [],
)

/** *due is this week*, *tags has not all of a and b*, *no effort*, *effort over 5*. */
function readFact(at: TextCursor): Condition | undefined {
  const isWithout = at.eatAny('no', 'without')
  const isWith = !isWithout && at.eat('with')
  const fact = at.fact()
  if (!fact) return undefined
  if (isWithout) return asked(fact.ref, { is: 'empty' })
  if (isWith) return asked(fact.ref, { is: 'filled' })
  const isNot = readVerb(at)
  const fill = at.eat('empty') ? false : at.eatAny('filled in', 'filled', 'ticked') ? true : undefined
  if (fill !== undefined) return asked(fact.ref, { is: fill === isNot ? 'empty' : 'filled' })
  const test = readTest(at, fact)
  if (!test) return undefined
  return isNot ? not(asked(fact.ref, test)) : asked(fact.ref, test)
}

/** What a fact does: *is*, *include*, *doesn’t contain*. True: it is negated. */
function readVerb(at: TextCursor): boolean {
  if (at.eatAny('isn’t', 'aren’t')) return true
  const isNot = at.eatAny('doesn’t', 'don’t', 'does not', 'do not', 'hasn’t', 'haven’t')
  at.eatAny('is', 'are', 'has', 'have', 'includes', 'include', 'contains', 'contain')
  return at.eat('not') || isNot
}

/** The first test that the fact's kind can be asked and that comes next. */
function readTest(at: TextCursor, fact: Fact): FactTest | undefined {
  const { tests } = kindsOfFacts[fact.kind]
  for (const is of ['days', 'between', 'has', 'allOf', 'anyOf'] as const) {
    const test = tests.includes(is) ? at.attempt(() => testReadings[is](at, fact)) : undefined
    if (test) return test
  }
  return undefined
}

const testReadings = {
  days: readDays,
  between: readRange,
  has: readWords,
  allOf: readAllOf,
  anyOf(at: TextCursor, { ref }: Fact): FactTest | undefined {
    const values = at.values(ref)
    return values && anyOf(values)
  },
} as const

function readDays(at: TextCursor): FactTest | undefined {
  const before = at.attempt(() => (at.eat('before') ? at.date() : undefined))
  // The day itself is not before it.
  if (before) return { is: 'days', from: null, to: dayBefore(before) }
  const span = readSpan(at)
  return span && { is: 'days', ...span }
}

function readRange(at: TextCursor, { figures }: Fact): FactTest | undefined {
  const number = () => at.figure(figures)
  const between = (from: number | null | undefined, to: number | null | undefined): FactTest | undefined =>
    from === undefined || to === undefined ? undefined : { is: 'between', from, to }
  if (at.eat('any number')) return between(null, null)
  if (at.eat('at least') || at.sign('>=') || at.sign('≥')) return between(number(), null)
  if (at.eat('at most') || at.sign('<=') || at.sign('≤')) return between(null, number())
  const over = at.attempt(() => (at.eatAny('over', 'more than') || at.sign('>') ? number() : undefined))
  if (over !== undefined) return between(over + 1, null)
  const under = at.attempt(() => (at.eatAny('under', 'less than') || at.sign('<') ? number() : undefined))
  if (under !== undefined) return between(null, under - 1)
  const from = number()
  if (from === undefined) return undefined
  const to = at.attempt(() => (at.eat('to') || at.sign('–') ? number() : undefined))
  return between(from, to ?? from)
}

function readWords(at: TextCursor): FactTest | undefined {
  at.eatAny('the words', 'the word')
  const words = at.quotation() ?? at.word()
  return words?.trim() ? { is: 'has', words } : undefined
}

function readAllOf(at: TextCursor, { ref }: Fact): FactTest | undefined {
  if (!at.eat('all of')) return undefined
  const values = at.several(
    () => at.value(ref),
    () => at.eat('as well as'),
  )
  return values && { is: 'allOf', values }
}

/** A name alone: of a status, a kind, an option, a person; words in quotation marks are of the title. */
function readAlone(at: TextCursor): Condition | undefined {
  const isNot = at.eat('not')
  const words = at.quotation()
  const found = words?.trim()
    ? asked({ fact: 'title' }, { is: 'has', words })
    : (readName(at, true) ?? readName(at, false))
  return found && (isNot ? not(found) : found)
}

/** Where options of fields come among what may be said alone (`saidAlone`). */
const optionsSaid = 3

function readName(at: TextCursor, strictly: boolean): Condition | undefined {
  const placeOf = (fact: Fact) =>
    fact.field ? (fact.isListed ? optionsSaid : 0) : (fact.automatic?.words?.saidAlone ?? 0)
  const facts = at.facts.map((fact) => fact.fact).filter(placeOf)
  for (const { ref } of facts.sort((a, b) => placeOf(a) - placeOf(b))) {
    const values = at.several(() => at.value(ref, strictly), at.or)
    if (values) return asked(ref, anyOf(values))
  }
  return undefined
}
