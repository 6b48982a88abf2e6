/** The phrases of a view besides its conditions: how each is said, and how it is read back. One table for both. */
import { automaticFacts, maybeFact } from '../facts/registry'
import { kindsOfFacts } from '../fields/kinds'
import { saidLayout, saidLayouts } from '../layouts/said'
import { fieldsOf } from '../model/reader'
import { grains, layoutNames, mostOpen, totalNames, type LayoutName } from '../model/names'
import type { FieldId, GroupKey, SortKey, Total, ViewDefinition } from '../model/records'
import { factName } from './conditions'
import type { TextCursor } from './cursor'
import { listed, type Wording } from './wording'

/** A phrase that was read. */
export type OtherPhrase =
  | { readonly says: 'layout'; readonly layout: LayoutName }
  | { readonly says: 'open'; readonly open: number }
  | { readonly says: 'group'; readonly group: readonly GroupKey[] }
  | { readonly says: 'sort'; readonly sort: readonly SortKey[] }
  | { readonly says: 'show'; readonly show: readonly FieldId[] }
  | { readonly says: 'totals'; readonly totals: readonly Total[] }
/** The names of phrases that are no conditions. */
export type OtherName = OtherPhrase['says']

interface PhraseKind<P extends OtherPhrase> {
  /** What comes before it in the sentence. */
  readonly before: string
  /** How it is said; undefined where the view says nothing of it. */
  words(view: ViewDefinition, wording: Wording): string | undefined
  /** How it is said in full, so that it can be read back, where that is longer. */
  inFull?(view: ViewDefinition, wording: Wording): string
  read(at: TextCursor): P | undefined
  /** The view with what was read in place of what it said before. */
  into(view: ViewDefinition, phrase: P, wording: Wording): ViewDefinition
}

/** Every kind of phrase but conditions, which come after *group* in the sentence, in the order of the sentence. */
export const phraseKinds: { readonly [N in OtherName]: PhraseKind<Extract<OtherPhrase, { says: N }>> } = {
  layout: {
    before: '',
    words: (view) => saidLayout(view).words,
    read(at) {
      // With it, what could be a name is none.
      at.eatAny('as an', 'as a')
      const layout = layoutNames.find((name) => at.eatAny(...saidLayouts[name].typed))
      return layout && { says: 'layout', layout }
    },
    into: (view, { layout }, { reader, project }) => saidLayouts[layout].begin(reader, project, view) ?? view,
  },
  open: {
    before: ' ',
    words: (view) => (view.layout === 'outline' ? openWords(view.open) : undefined),
    read(at) {
      if (at.eat('open to every level')) return { says: 'open', open: mostOpen }
      if (!at.eatAny('open to level', 'to level')) return undefined
      const open = at.number()
      return open && Number.isInteger(open) && open > 0 && open <= mostOpen ? { says: 'open', open } : undefined
    },
    into: (view, { open }) => (view.layout === 'outline' ? { ...view, open } : view),
  },
  group: {
    before: ', ',
    words: ({ group, layout }, wording) =>
      group.length && saidLayouts[layout].phrases.includes('group')
        ? `by ${group.map((key) => groupKeyWords(key, wording)).join(' then ')}`
        : undefined,
    read(at) {
      if (!at.eatAny('grouped by', 'by')) return undefined
      const group = at.several(() => at.attempt(() => readGroupKey(at)), thenAt(at))
      return group && { says: 'group', group: group.slice(0, 3) }
    },
    into: (view, { group }) => ({ ...view, group: [...group] }),
  },
  sort: {
    before: ', ',
    words: ({ sort, layout }, wording) =>
      (sort.length ? sort : [{ by: { fact: saidLayouts[layout].order }, down: false }])
        .map((key) => sortKeyWords(key, wording))
        .join(', then '),
    read(at) {
      const sort = at.several(() => at.attempt(() => readSortKey(at)), thenAt(at))
      return sort && { says: 'sort', sort }
    },
    // The order that a layout has by itself is none that a view has to say.
    into: (view, { sort }) => ({ ...view, sort: isOwnOrder(sort, saidLayouts[view.layout].order) ? [] : [...sort] }),
  },
  show: {
    before: ', showing ',
    words(view, wording) {
      const names = shownNames(view, wording)
      const hidden = fieldsOf(wording.reader, wording.project.id).length - names.length
      const said = names.length > 4 ? `${names.length} fields` : listed(names, 'and') || 'titles only'
      return hidden > 0 ? `${said} (${hidden} hidden)` : said
    },
    inFull: (view, wording) => listed(shownNames(view, wording), 'and') || 'titles only',
    read(at) {
      if (!at.eatAny('showing', 'show')) return undefined
      if (at.eat('titles only')) return { says: 'show', show: [] }
      const fields = at.facts.filter((fact) => fact.fact.field)
      const show = at.several(() => at.named(fields)?.id as FieldId | undefined, andAt(at))
      return show && { says: 'show', show }
    },
    into: (view, { show }) => ({ ...view, show: [...show] }),
  },
  totals: {
    before: ', with ',
    words: ({ totals, layout }, wording) =>
      totals.length && saidLayouts[layout].phrases.includes('totals')
        ? listed(
            totals.map((total) => totalWords(total, wording)),
            'and',
          )
        : undefined,
    read(at) {
      at.eat('with')
      const totals = at.several(() => at.attempt(() => readTotal(at)), andAt(at))
      return totals && { says: 'totals', totals }
    },
    into: (view, { totals }) => ({ ...view, totals: [...totals] }),
  },
}
/** Phrases that are no conditions, in the order in which the sentence has them. */
export const otherNames = Object.keys(phraseKinds) as readonly OtherName[]

const thenAt = (at: TextCursor) => () => (at.sign(',') ? at.eat('then') : at.eat('then'))
const andAt = (at: TextCursor) => () => at.eat('and') || (at.sign(',') && (at.eat('and') || true))

const shownNames = ({ show }: ViewDefinition, wording: Wording): string[] =>
  show.flatMap((field) => {
    const fact = maybeFact(wording.reader, wording.project.id, { fact: 'field', field })
    return fact ? [factName(wording, fact.ref)] : []
  })

/** How far an outline is open, in words. */
export const openWords = (open: number): string => (open >= mostOpen ? 'open to every level' : `open to level ${open}`)

/** A key of the order in words: *soonest due first*. */
export function sortKeyWords({ by, down, emptyFirst }: SortKey, wording: Wording): string {
  const fact = maybeFact(wording.reader, wording.project.id, by)
  const own = fact?.automatic?.words?.sort
  if (own) return down ? own[1] : own[0]
  const empties = emptyFirst ? ' with blanks first' : ''
  const name = factName(wording, by)
  if (fact?.kind === 'number') return `${down ? 'most' : 'least'} ${name} first${empties}`
  if (fact && kindsOfFacts[fact.kind].isDated) return `${down ? 'latest' : 'soonest'} ${name} first${empties}`
  return `sorted by ${name}${down ? ' in reverse' : ''}${empties}`
}

const isOwnOrder = ([only, ...more]: readonly SortKey[], order: 'rank' | 'place'): boolean =>
  only?.by.fact === order && !only.down && !more.length

function readSortKey(at: TextCursor): SortKey | undefined {
  const withEmpties = (key: SortKey): SortKey =>
    at.eatAny('with blanks first', 'with empty ones first') ? { ...key, emptyFirst: true } : key
  for (const { name, words } of Object.values(automaticFacts)) {
    if (words?.sort && at.eat(words.sort[0])) return { by: { fact: name }, down: false }
    if (words?.sort && at.eat(words.sort[1])) return { by: { fact: name }, down: true }
  }
  if (at.eatAny('sorted by', 'sort by')) {
    const fact = at.fact()
    return fact && withEmpties({ by: fact.ref, down: at.eatAny('in reverse', 'backwards', 'last first') })
  }
  const isUp = at.eatAny('soonest', 'earliest', 'oldest', 'least', 'lowest', 'smallest', 'fewest')
  const isDown = !isUp && at.eatAny('latest', 'newest', 'most', 'highest', 'largest', 'biggest')
  if (!isUp && !isDown) return undefined
  const fact = at.fact()
  at.eat('first')
  return fact && withEmpties({ by: fact.ref, down: isDown })
}

/** A level of grouping in words: *status*, *due by month*. */
export function groupKeyWords(key: GroupKey, wording: Wording): string {
  const name = factName(wording, key.by)
  return [
    key.grain ? `${key.grain} of ${name}` : name,
    key.down ? 'in reverse' : '',
    key.byTotal ? `in order of ${totalWords(key.byTotal, wording)}` : '',
    key.withEmpty ? 'with empty groups' : '',
    key.hideNone ? 'leaving out blanks' : '',
  ]
    .filter(Boolean)
    .join(' ')
}

function readGroupKey(at: TextCursor): GroupKey | undefined {
  const grain = grains.find((one) => at.eat(`${one} of`))
  const fact = at.fact()
  if (!fact || (grain && !kindsOfFacts[fact.kind].isDated)) return undefined
  const down = at.eatAny('in reverse', 'backwards')
  const byTotal = at.attempt(() => (at.eat('in order of') ? readTotal(at) : undefined))
  const withEmpty = at.eat('with empty groups')
  const hideNone = at.eatAny('leaving out blanks', 'without none')
  return {
    by: fact.ref, ...(grain && { grain }), ...(down && { down }), ...(byTotal && { byTotal }), ...(withEmpty && { withEmpty }), ...(hideNone && { hideNone }),
  } // prettier-ignore
}

/** A total in words: *sum of effort*. */
export function totalWords({ name, of }: Total, wording: Wording): string {
  if (of === undefined) return name
  const kind = maybeFact(wording.reader, wording.project.id, of)?.kind
  const isDated = !!kind && kindsOfFacts[kind].isDated
  const said = isDated && name === 'least' ? 'earliest' : isDated && name === 'most' ? 'latest' : name
  return `${said} of ${factName(wording, of)}`
}

function readTotal(at: TextCursor): Total | undefined {
  at.eat('the')
  const name =
    totalNames.find((one) => at.eat(one)) ?? (at.eat('earliest') ? 'least' : at.eat('latest') ? 'most' : undefined)
  if (!name) return undefined
  const isSum = name === 'sum' || name === 'average' || name === 'median'
  const fact = at.attempt(() => (at.eat('of') || isSum ? at.fact() : undefined))
  if (!fact) return name === 'count' || name === 'share' ? { name } : undefined
  return name === 'count' || kindsOfFacts[fact.kind].totals.includes(name) ? { name, of: fact.ref } : undefined
}
