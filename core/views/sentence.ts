import { assertNever } from '../base/result'
import { fieldOf, type Reader } from '../model/reader'
import type { Condition, Project, SortKey, ViewDefinition } from '../model/records'

/** A piece of the sentence: plain words, or a phrase that can be pressed. */
export type Piece = { readonly words: string } | { readonly phrase: PhraseName; readonly words: string }
/** Which part of the view a phrase says; `where:2` is the third condition. */
export type PhraseName = 'layout' | 'sort' | 'show' | 'more' | `where:${number}`

export interface Telling {
  readonly reader: Reader
  readonly project: Project
  /** How the person's locale writes a day. */
  readonly day: (date: string) => string
}

/** The view said as one plain sentence. */
export function sentenceOf(view: ViewDefinition, telling: Telling): Piece[] {
  const pieces: Piece[] = [
    { words: 'Items as a ' },
    { phrase: 'layout', words: view.layout === 'board' ? 'board by status' : 'table' },
  ]
  view.where.forEach((condition, i) => {
    pieces.push(
      { words: i ? ' and ' : ', where ' },
      { phrase: `where:${i}`, words: conditionWords(condition, telling) },
    )
  })
  pieces.push({ words: ', ' }, { phrase: 'sort', words: sortWords(view.sort, telling) })
  pieces.push({ words: ', showing ' }, { phrase: 'show', words: showWords(view.show, telling) }, { words: '. ' })
  pieces.push({ phrase: 'more', words: 'and …' })
  return pieces
}

export function conditionWords(condition: Condition, { reader, project, day }: Telling): string {
  switch (condition.about) {
    case 'status': {
      const names = condition.statuses.map((id) => reader.maybe('status', id)?.name ?? 'a removed status')
      return names.length ? `the status is ${listed(names, 'or')}` : 'the status is none'
    }
    case 'phase':
      return `it is ${listed(condition.phases, 'or')}`
    case 'person': {
      const names = condition.people.map((id) => (id === 'me' ? 'I' : (reader.names.person(id) ?? 'someone')))
      return `${listed(names, 'or')} ${names.length === 1 && names[0] !== 'I' ? 'is' : names.length === 1 ? 'am' : 'are'} in it`
    }
    case 'turn':
      return condition.of === 'me' ? 'it is my turn' : 'it is nobody’s turn'
    case 'dueBefore': {
      const due = fieldOf(reader, project.uses.due)?.name ?? 'due'
      return `${due} is before ${condition.day === 'today' ? 'today' : day(condition.day)}`
    }
    default:
      return assertNever(condition)
  }
}

const orders: Readonly<Record<string, readonly [up: string, down: string]>> = {
  rank: ['in the team’s order', 'in the team’s order, last first'],
  key: ['oldest key first', 'newest key first'],
  title: ['by title', 'by title, last first'],
  status: ['by status', 'by status, last first'],
  kind: ['by kind', 'by kind, last first'],
  changed: ['longest unchanged first', 'lately changed first'],
}

function sortWords(sort: readonly SortKey[], telling: Telling): string {
  const words = sort.map((key) => sortKeyWords(key, telling))
  return words.length ? words.join(', then ') : 'in the team’s order'
}

export function sortKeyWords(key: SortKey, { reader, project }: Telling): string {
  const own = orders[key.by]
  if (own) return own[key.down ? 1 : 0]
  if (key.by === project.uses.due) return key.down ? 'latest due first' : 'soonest due first'
  const field = reader.maybe('field', key.by)
  if (!field) return 'by a removed field'
  if (field.type === 'number') return key.down ? `most ${field.name} first` : `least ${field.name} first`
  return key.down ? `by ${field.name}, last first` : `by ${field.name}`
}

function showWords(show: readonly string[], { reader }: Telling): string {
  const names = show.flatMap((id) => reader.maybe('field', id)?.name ?? [])
  if (!names.length) return 'titles only'
  return names.length > 4 ? `${names.length} fields` : listed(names, 'and')
}

/** `a`, `a or b`, `a, b or c`. */
export function listed(names: readonly string[], word: 'and' | 'or'): string {
  if (names.length < 2) return names.join('')
  return `${names.slice(0, -1).join(', ')} ${word} ${names.at(-1)}`
}
