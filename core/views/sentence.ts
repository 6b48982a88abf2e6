/** A view said as one plain sentence of phrases. `parse.ts` reads what is said here back to the same view. */
import { assertNever } from '../base/result'
import { printDecimal } from '../base/decimals'
import type { Reader } from '../model/reader'
import type { Condition, FactTest, GroupKey, Project, SortKey, Total, ViewDefinition } from '../model/records'
import { spanWords } from './day-words'
import { maybeFact, type Fact } from './facts'
import { maybeNamed, namedFacts } from './names'

/** A piece of the sentence: plain words, or a phrase that can be pressed. */
export type Piece = { readonly words: string } | { readonly phrase: PhraseName; readonly words: string }
/** Which part of the view a phrase says; `where:2` is the third condition. */
export type PhraseName = 'layout' | 'group' | 'sort' | 'show' | 'totals' | 'more' | `where:${number}`

export interface Telling {
  readonly reader: Reader
  readonly project: Project
  /** How a day is written: by a person's locale, or so that it can be read back. */
  readonly day: (date: string) => string
}

/** The view said as one plain sentence. */
export function sentenceOf(view: ViewDefinition, telling: Telling): Piece[] {
  const { layout, group, where, totals } = view
  const pieces: Piece[] = [
    { words: 'Items as a ' },
    { phrase: 'layout', words: layout === 'board' ? 'board by status' : 'table' },
  ]
  // A board is grouped by its columns.
  if (group.length && layout === 'table')
    pieces.push({ words: ', ' }, { phrase: 'group', words: groupWords(group, telling) })
  where.forEach((condition, i) => {
    pieces.push(
      { words: i ? ' and ' : ', where ' },
      { phrase: `where:${i}`, words: conditionWords(condition, telling) },
    )
  })
  pieces.push({ words: ', ' }, { phrase: 'sort', words: sortWords(view.sort, telling) })
  pieces.push({ words: ', showing ' }, { phrase: 'show', words: showWords(view.show, telling) })
  if (totals.length && layout === 'table')
    pieces.push({ words: ', with ' }, { phrase: 'totals', words: totalsWords(totals, telling) })
  pieces.push({ words: '. ' }, { phrase: 'more', words: 'and …' })
  return pieces
}

/** The sentence in full, as it can be read back: every field shown is named. */
export function printed(view: ViewDefinition, telling: Telling): string {
  const show = view.show.map((id) => factName(telling, id))
  return sentenceOf(view, telling)
    .map((piece) =>
      'phrase' in piece && piece.phrase === 'show'
        ? listed(show, 'and') || 'titles only'
        : 'phrase' in piece && piece.phrase === 'more'
          ? ''
          : piece.words,
    )
    .join('')
    .trim()
}

export const factName = ({ reader, project }: Telling, by: string): string =>
  namedFacts(reader, project).find((one) => one.id === by)?.words ?? 'a removed field'

function values(telling: Telling, by: string, ids: readonly string[], word: 'or' | 'as well as'): string {
  const names = ids.map(
    (id) =>
      maybeNamed(telling.reader, telling.project, by, id)?.words ??
      `a removed ${maybeFact(telling.reader, telling.project.id, by)?.field ? 'option' : by}`,
  )
  if (word === 'as well as') return names.join(' as well as ')
  return names.length ? listed(names, word) : 'none of them'
}

export function conditionWords(condition: Condition, telling: Telling): string {
  switch (condition.about) {
    case 'fact':
      return factWords(condition.fact, condition.test, false, telling)
    case 'none': {
      const [only] = condition.of
      if (condition.of.length === 1 && only?.about === 'fact' && isSaidNegated(only.test))
        return factWords(only.fact, only.test, true, telling)
      return `none of (${condition.of.map((one) => conditionWords(one, telling)).join('; ')})`
    }
    case 'all':
    case 'any':
      return `${condition.about} of (${condition.of.map((one) => conditionWords(one, telling)).join('; ')})`
    case 'was':
      return `${condition.daysAgo === 1 ? '1 day' : `${condition.daysAgo} days`} ago the status was ${values(telling, 'status', condition.statuses, 'or')}`
    case 'anyChild':
      return `some child meets (${conditionWords(condition.that, telling)})`
    case 'allChildren':
      return `every child meets (${conditionWords(condition.that, telling)})`
    case 'parent':
      return `the parent meets (${conditionWords(condition.that, telling)})`
    case 'someAncestor':
      return `some ancestor meets (${conditionWords(condition.that, telling)})`
    default:
      return assertNever(condition)
  }
}

/** Whether *not* is said within the phrase itself. */
const isSaidNegated = (test: FactTest): boolean =>
  test.is === 'anyOf' || test.is === 'allOf' || test.is === 'has' || test.is === 'between' || test.is === 'days'

function factWords(by: string, test: FactTest, isNot: boolean, telling: Telling): string {
  const { reader, project } = telling
  const fact = maybeFact(reader, project.id, by)
  if (!fact) return 'a removed field is anything'
  const name = factName(telling, by)
  const not = isNot ? 'not ' : ''
  switch (test.is) {
    case 'empty':
      return by === 'late'
        ? 'it is not late'
        : fact.field?.type === 'checkbox'
          ? `${name} is not ticked`
          : `${name} is empty`
    case 'filled':
      return by === 'late' ? 'it is late' : fact.field?.type === 'checkbox' ? `${name} is ticked` : `${name} is filled`
    case 'anyOf':
      return choiceWords(fact, name, test.values, not, telling)
    case 'allOf':
      return `${name} has ${not}all of ${values(telling, by, test.values, 'as well as')}`
    case 'has':
      return `${name} has ${not}the words “${test.words.replaceAll('”', '””')}”`
    case 'between':
      return `${name} is ${not}${rangeWords(fact, test)}`
    case 'days':
      return `${name} is ${not}${spanWords(test, telling.day)}`
    default:
      return assertNever(test)
  }
}

function choiceWords({ by, kind }: Fact, name: string, ids: readonly string[], not: string, telling: Telling): string {
  const said = values(telling, by, ids, 'or')
  const [only] = ids
  if (by === 'phase') return `it is ${not}${said}`
  if (by === 'turn' && ids.length === 1 && only === 'me') return `it is ${not}my turn`
  if (by === 'turn' && ids.length === 1 && only === 'nobody') return `it is ${not}nobody’s turn`
  if (by === 'turn') return `it is ${not}the turn of ${said}`
  if (by === 'people')
    return `${ids.length === 1 && only === 'me' ? `I am` : `${said} ${ids.length > 1 ? 'are' : 'is'}`} ${not}in it`
  return kind === 'choices'
    ? `${name} has ${not}${said}`
    : `${by === 'status' || by === 'kind' ? 'the ' : ''}${name} is ${not}${said}`
}

export const numberWords = ({ field }: Fact, x: number): string => printDecimal(x, field?.settings.decimals ?? 0)

function rangeWords(fact: Fact, { from, to }: Extract<FactTest, { is: 'between' }>): string {
  if (from === null && to === null) return 'any number'
  if (from === to) return numberWords(fact, from!)
  if (to === null) return `at least ${numberWords(fact, from!)}`
  if (from === null) return `at most ${numberWords(fact, to)}`
  return `${numberWords(fact, from)} to ${numberWords(fact, to)}`
}

const sortWords = (sort: readonly SortKey[], telling: Telling): string =>
  sort.length ? sort.map((key) => sortKeyWords(key, telling)).join(', then ') : 'in the team’s order'

export function sortKeyWords({ by, down, emptyFirst }: SortKey, telling: Telling): string {
  const empties = emptyFirst ? ' with empty ones first' : ''
  if (by === 'rank') return down ? 'against the team’s order' : 'in the team’s order'
  const fact = maybeFact(telling.reader, telling.project.id, by)
  const name = factName(telling, by)
  switch (fact?.kind) {
    case 'number':
      return `${down ? 'most' : 'least'} ${name} first${empties}`
    case 'day':
    case 'instant':
      return `${down ? 'latest' : 'soonest'} ${name} first${empties}`
    default:
      return `sorted by ${name}${down ? ' backwards' : ''}${empties}`
  }
}

const groupWords = (group: readonly GroupKey[], telling: Telling): string =>
  `by ${group.map((key) => groupKeyWords(key, telling)).join(' then ')}`

export function groupKeyWords(key: GroupKey, telling: Telling): string {
  const name = factName(telling, key.by)
  return [
    key.grain ? `${key.grain} of ${name}` : name,
    key.down ? 'backwards' : '',
    key.byTotal ? `in order of ${totalWords(key.byTotal, telling)}` : '',
    key.withEmpty ? 'with empty groups' : '',
    key.hideNone ? 'without none' : '',
  ]
    .filter(Boolean)
    .join(' ')
}

const totalsWords = (totals: readonly Total[], telling: Telling): string =>
  listed(
    totals.map((one) => totalWords(one, telling)),
    'and',
  )

export function totalWords({ name, of }: Total, telling: Telling): string {
  if (of === undefined) return name
  const kind = maybeFact(telling.reader, telling.project.id, of)?.kind
  const isDated = kind === 'day' || kind === 'instant'
  const said = isDated && name === 'least' ? 'earliest' : isDated && name === 'most' ? 'latest' : name
  return `${said} of ${factName(telling, of)}`
}

function showWords(show: readonly string[], telling: Telling): string {
  const names = show.flatMap((id) => (maybeFact(telling.reader, telling.project.id, id) ? factName(telling, id) : []))
  if (!names.length) return 'titles only'
  return names.length > 4 ? `${names.length} fields` : listed(names, 'and')
}

/** `a`, `a or b`, `a, b or c`. */
export function listed(names: readonly string[], word: 'and' | 'or'): string {
  if (names.length < 2) return names.join('')
  return `${names.slice(0, -1).join(', ')} ${word} ${names.at(-1)}`
}
