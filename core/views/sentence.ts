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

export interface Wording {
  readonly reader: Reader
  readonly project: Project
  /** How a day is written: by a person's locale, or so that it can be read back. */
  readonly day: (date: string) => string
}

/** The view said as one plain sentence. */
export function sentenceOf(view: ViewDefinition, wording: Wording): Piece[] {
  const { layout, group, where, totals } = view
  const pieces: Piece[] = [
    { words: 'Items as a ' },
    { phrase: 'layout', words: layout === 'board' ? 'board by status' : 'table' },
  ]
  // A board is grouped by its columns.
  if (group.length && layout === 'table')
    pieces.push({ words: ', ' }, { phrase: 'group', words: groupWords(group, wording) })
  where.forEach((condition, i) => {
    pieces.push(
      { words: i ? ' and ' : ', where ' },
      { phrase: `where:${i}`, words: conditionWords(condition, wording) },
    )
  })
  pieces.push({ words: ', ' }, { phrase: 'sort', words: sortWords(view.sort, wording) })
  pieces.push({ words: ', showing ' }, { phrase: 'show', words: showWords(view.show, wording) })
  if (totals.length && layout === 'table')
    pieces.push({ words: ', with ' }, { phrase: 'totals', words: totalsWords(totals, wording) })
  pieces.push({ words: '. ' }, { phrase: 'more', words: 'and …' })
  return pieces
}

/** The sentence in full, as it can be read back: every field shown is named. */
export function printed(view: ViewDefinition, wording: Wording): string {
  const show = view.show.map((id) => factName(wording, id))
  return sentenceOf(view, wording)
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

export const factName = ({ reader, project }: Wording, by: string): string =>
  namedFacts(reader, project).find((one) => one.id === by)?.words ?? 'a removed field'

function values(wording: Wording, by: string, ids: readonly string[], word: 'or' | 'as well as'): string {
  const names = ids.map(
    (id) =>
      maybeNamed(wording.reader, wording.project, by, id)?.words ??
      `a removed ${maybeFact(wording.reader, wording.project.id, by)?.field ? 'option' : by}`,
  )
  if (word === 'as well as') return names.join(' as well as ')
  return names.length ? listed(names, word) : 'none of them'
}

export function conditionWords(condition: Condition, wording: Wording): string {
  switch (condition.about) {
    case 'fact':
      return factWords(condition.fact, condition.test, false, wording)
    case 'none': {
      const [only] = condition.of
      if (condition.of.length === 1 && only?.about === 'fact' && isSaidNegated(only.test))
        return factWords(only.fact, only.test, true, wording)
      return `none of (${condition.of.map((one) => conditionWords(one, wording)).join('; ')})`
    }
    case 'all':
    case 'any':
      return `${condition.about} of (${condition.of.map((one) => conditionWords(one, wording)).join('; ')})`
    case 'was':
      return `${condition.daysAgo === 1 ? '1 day' : `${condition.daysAgo} days`} ago the status was ${values(wording, 'status', condition.statuses, 'or')}`
    case 'anyChild':
      return `some child meets (${conditionWords(condition.that, wording)})`
    case 'allChildren':
      return `every child meets (${conditionWords(condition.that, wording)})`
    case 'parent':
      return `the parent meets (${conditionWords(condition.that, wording)})`
    case 'someAncestor':
      return `some ancestor meets (${conditionWords(condition.that, wording)})`
    default:
      return assertNever(condition)
  }
}

/** Whether *not* is said within the phrase itself. */
const isSaidNegated = (test: FactTest): boolean =>
  test.is === 'anyOf' || test.is === 'allOf' || test.is === 'has' || test.is === 'between' || test.is === 'days'

function factWords(by: string, test: FactTest, isNot: boolean, wording: Wording): string {
  const { reader, project } = wording
  const fact = maybeFact(reader, project.id, by)
  if (!fact) return 'a removed field is anything'
  const name = factName(wording, by)
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
      return choiceWords(fact, name, test.values, not, wording)
    case 'allOf':
      return `${name} has ${not}all of ${values(wording, by, test.values, 'as well as')}`
    case 'has':
      return `${name} has ${not}the words “${test.words.replaceAll('”', '””')}”`
    case 'between':
      return `${name} is ${not}${rangeWords(fact, test)}`
    case 'days':
      return `${name} is ${not}${spanWords(test, wording.day)}`
    default:
      return assertNever(test)
  }
}

function choiceWords({ by, kind }: Fact, name: string, ids: readonly string[], not: string, wording: Wording): string {
  const said = values(wording, by, ids, 'or')
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

const sortWords = (sort: readonly SortKey[], wording: Wording): string =>
  sort.length ? sort.map((key) => sortKeyWords(key, wording)).join(', then ') : 'in the team’s order'

export function sortKeyWords({ by, down, emptyFirst }: SortKey, wording: Wording): string {
  const empties = emptyFirst ? ' with empty ones first' : ''
  if (by === 'rank') return down ? 'against the team’s order' : 'in the team’s order'
  const fact = maybeFact(wording.reader, wording.project.id, by)
  const name = factName(wording, by)
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

const groupWords = (group: readonly GroupKey[], wording: Wording): string =>
  `by ${group.map((key) => groupKeyWords(key, wording)).join(' then ')}`

export function groupKeyWords(key: GroupKey, wording: Wording): string {
  const name = factName(wording, key.by)
  return [
    key.grain ? `${key.grain} of ${name}` : name,
    key.down ? 'backwards' : '',
    key.byTotal ? `in order of ${totalWords(key.byTotal, wording)}` : '',
    key.withEmpty ? 'with empty groups' : '',
    key.hideNone ? 'without none' : '',
  ]
    .filter(Boolean)
    .join(' ')
}

const totalsWords = (totals: readonly Total[], wording: Wording): string =>
  listed(
    totals.map((one) => totalWords(one, wording)),
    'and',
  )

export function totalWords({ name, of }: Total, wording: Wording): string {
  if (of === undefined) return name
  const kind = maybeFact(wording.reader, wording.project.id, of)?.kind
  const isDated = kind === 'day' || kind === 'instant'
  const said = isDated && name === 'least' ? 'earliest' : isDated && name === 'most' ? 'latest' : name
  return `${said} of ${factName(wording, of)}`
}

function showWords(show: readonly string[], wording: Wording): string {
  const names = show.flatMap((id) => (maybeFact(wording.reader, wording.project.id, id) ? factName(wording, id) : []))
  if (!names.length) return 'titles only'
  return names.length > 4 ? `${names.length} fields` : listed(names, 'and')
}

/** `a`, `a or b`, `a, b or c`. */
export function listed(names: readonly string[], word: 'and' | 'or'): string {
  if (names.length < 2) return names.join('')
  return `${names.slice(0, -1).join(', ')} ${word} ${names.at(-1)}`
}
