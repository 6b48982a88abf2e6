import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { fieldsOf, statusesOf } from '../model/reader'
import { fieldRef } from '../facts/registry'
import { saidLayouts } from '../layouts/said'
import { automaticFactNames, layoutNames, mostOpen } from '../model/names'
import type { Condition, FactRef, FactTest, ViewDefinition } from '../model/records'
import { randomOf, withEveryType } from '../test-kit/views'
import { runs } from '../test-kit/runs'
import { smallWorkspace, type Small } from '../test-kit/workspace'
import { conditionWords } from './conditions'
import { parse, withPhrases, type Parsed } from './grammar'
import { printed, sentenceOf } from './sentence'
import { isOneLetterOff } from './spelling'
import type { Wording } from './wording'

const bare: ViewDefinition = { v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] }
const tellingOf = ({ state, project }: Small): Wording => ({ reader: state, project, day: (date) => date })
let small: Small
let wording: Wording
const field = (name: string) =>
  must(
    fieldsOf(small.state, small.project.id).find((one) => one.name === name),
    name,
  )
beforeEach(() => {
  small = withEveryType(smallWorkspace())
  wording = tellingOf(small)
})
/** A fact by its name, or a field by its id. */
const ref = (by: string): FactRef =>
  (automaticFactNames as readonly string[]).includes(by) ? ({ fact: by } as FactRef) : fieldRef(by as never)
const fact = (by: string, test: FactTest): Condition => ({ about: 'fact', fact: ref(by), test })

/** Names that a sentence could trip over. */
const names = fc.oneof(
  fc.constantFrom('and', 'or', 'due or done', 'a, b', 'first', 'by week', 'is it', 'me', 'I', 'nobody', 'status', 'title', 'Bay 3', '5', '2026-11-25', 'x”y', '“x”', '(a; b)', 'today', 'this week', 'filled', 'empty', 'late', 'my turn', 'sum of x', 'count', 'Nøck', 'Öl', 'in hand', 'in 5 days', 'in it', 'bay', 'bay in', 'the', 'Due', 'not in it', 'table', 'share', 'need', 'must', 'Imke', 'ready', 'week', 'all', 'unassigned', 'assigned to', 'status was', 'sum', 'soonest', 'soonest due', 'most x', 'table'),
  fc.stringMatching(/^[a-zA-Zé]{2,9}( [a-z]{2,6})?$/),
) // prettier-ignore

function renamed(pool: readonly string[]): Small {
  const one = withEveryType(smallWorkspace())
  let next = 0
  const name = () => must(pool[next++ % pool.length], 'name')
  for (const entity of ['field', 'status', 'person', 'kind'] as const)
    for (const record of [...one.state.all(entity)])
      one.state.put(entity, record.id, { ...record, name: name() } as never)
  for (const option of [...one.state.all('option')]) one.state.put('option', option.id, { ...option, label: name() })
  const called = { title: { name: name(), help: '' }, status: { name: name(), help: '' } }
  one.state.set('project', one.project.id, 'called', called)
  return { ...one, project: { ...one.project, called } }
}

const random = randomOf(withEveryType(smallWorkspace()))
const fieldIds = fieldsOf(withEveryType(smallWorkspace()).state, withEveryType(smallWorkspace()).project.id).map(
  (one) => one.id,
)
const statusIds = statusesOf(withEveryType(smallWorkspace()).state, withEveryType(smallWorkspace()).project.id).map(
  (status) => status.id as string,
)
const boardId = [...withEveryType(smallWorkspace()).state.all('board')][0]!.id
const layoutName = fc.constantFrom(...layoutNames)
const definitions = fc
  .record({
    view: random.view,
    show: fc.subarray(fieldIds),
    layout: layoutName,
    open: fc.integer({ min: 1, max: mostOpen }),
  })
  .map(
    ({ view, show, layout, open }): ViewDefinition =>
      ({
        ...bare,
        ...view,
        show,
        // A board is grouped by its columns, and totals stand in their heads.
        ...(layout === 'board' && { layout, board: boardId, group: [], totals: [] }),
        // An outline by what items are inside of.
        ...(layout === 'outline' && { layout, open, group: [] }),
      }) as ViewDefinition,
  )

/** In the team's order, and in an outline's own, there are neither empties nor two of the same; what a layout has anyhow is not said. */
const normal = (view: ViewDefinition): unknown => {
  const said = view.sort.map(({ by, down, emptyFirst }) =>
    by.fact === 'rank' || by.fact === 'place' ? { by, down } : { by, down, emptyFirst },
  )
  const [only] = said
  const sort = said.length === 1 && only?.by.fact === saidLayouts[view.layout].order && !only.down ? [] : said
  return JSON.parse(JSON.stringify({ ...view, sort }))
}

describe('a view printed and read back', () => {
  it('is the same view, whatever its fields, options and people are called', () => {
    fc.assert(
      fc.property(definitions, fc.array(names, { minLength: 1, maxLength: 30 }), (view, pool) => {
        const one = renamed(pool)
        for (let i = 0; i < 6; i++) one.state.put('item', random.itemId(i), { ...random.itemAt(i, fc.sample(random.item, { seed: i, numRuns: 1 })[0]!, () => false) }) // prettier-ignore
        const told = tellingOf(one)
        const text = printed(view, told)
        const { understood, left } = parse(text, told)
        const phrases = understood.map((part) => part.phrase)
        expect({ text, left, view: normal(withPhrases(bare, phrases, told)) }).toEqual({
          text,
          left: [],
          view: normal(view),
        })
      }),
      // A status of the name *table* stood before an option of the name *by week*.
      {
        ...runs(400, 20_000),
        examples: [
          [
            {
              ...bare,
              group: [{ by: { fact: 'changed' }, grain: 'week' }],
              sort: [{ by: { fact: 'rank' }, down: false }],
            },
            ['table', 'by week', 'and'],
          ],
          // A status of the name *soonest* came before *soonest started first*.
          [
            {
              ...bare,
              where: [fact('status', { is: 'anyOf', values: [statusIds[0]!] })],
              sort: [{ by: { fact: 'started' }, down: false }],
            },
            ['soonest', 'and'],
          ],
        ],
      },
    )
  })
})

describe('the sentence', () => {
  it('says the whole view, each part a phrase', () => {
    const { uses } = small.project
    const [noted, ready] = statusesOf(small.state, small.project.id)
    const view: ViewDefinition = {
      ...bare,
      show: [uses.assignees!, uses.due!],
      group: [{ by: fieldRef(uses.due!), grain: 'week' }, { by: { fact: 'status' }, withEmpty: true }],
      where: [
        fact('status', { is: 'anyOf', values: [noted!.id, ready!.id] }), fact('turn', { is: 'anyOf', values: ['me'] }), fact('people', { is: 'anyOf', values: ['me', small.people.lead.id] }),
        { about: 'none', of: [fact('phase', { is: 'anyOf', values: ['finished'] })] }, fact(uses.due!, { is: 'days', from: { of: 'week', n: 0 }, to: { of: 'week', n: 0, end: true } }),
      ],
      sort: [{ by: fieldRef(uses.due!), down: false }, { by: { fact: 'title' }, down: true }],
      totals: [{ name: 'count' }, { name: 'sum', of: fieldRef(uses.effort!) }],
    } // prettier-ignore
    const said = sentenceOf(view, wording)
    expect(said.map((piece) => piece.words).join('')).toBe(
      'Items as a table, by week of due then status with empty groups, where the status is Noted or Ready and it’s your turn and you or Imke is on it and it isn’t finished and due is this week, soonest due first, then sorted by title in reverse, showing assignees and due (38 hidden), with count and sum of effort. and …',
    )
    expect(said.flatMap((piece) => ('phrase' in piece ? piece.phrase : []))).toEqual([
      'layout', 'group', 'where:0', 'where:1', 'where:2', 'where:3', 'where:4', 'sort', 'show', 'totals', 'more',
    ]) // prettier-ignore
  })

  it.each([
    [{ from: null, to: { of: 'day', n: -1 } }, 'due is before today'],
    [{ from: { of: 'day', n: 0 }, to: { of: 'workingDay', n: 10 } }, 'due is in the next 10 working days'],
    [{ from: { of: 'day', n: -5 }, to: { of: 'day', n: 0 } }, 'due is in the last 5 days'],
    [{ from: '2026-12-01', to: null }, 'due is from 2026-12-01 on'],
    [{ from: null, to: '2026-12-01' }, 'due is by 2026-12-01'],
    [{ from: { of: 'month', n: 1 }, to: { of: 'month', n: 1, end: true } }, 'due is next month'],
    [{ from: { of: 'week', n: -2 }, to: '2026-12-01' }, 'due is from the start of the week 2 weeks ago to 2026-12-01'],
    [{ from: null, to: null }, 'due is any day'],
  ] as const)('says spans of days plainly: %j', (span, words) => {
    expect(conditionWords(fact(field('due').id, { is: 'days', ...span }), wording)).toBe(words)
  })
})

describe('typed words', () => {
  const read = (text: string): Parsed => parse(text, wording)
  const only = (text: string): unknown => {
    const { understood, left } = read(text)
    expect({ text, left, n: understood.length }).toEqual({ text, left: [], n: 1 })
    const [one] = understood
    return one!.phrase.says === 'where' ? one!.phrase.condition : one!.phrase
  }
  const said = (text: string): string => {
    const { understood } = read(text)
    return understood
      .map(({ phrase }) => (phrase.says === 'where' ? conditionWords(phrase.condition, wording) : phrase.says))
      .join('; ')
  }

  it.each([
    ['not finished', 'it isn’t finished'],
    ['mine', 'it’s your turn'],
    ['nobody’s', 'it’s nobody’s turn'],
    ["nobody's turn", 'it’s nobody’s turn'],
    ['due this week', 'due is this week'],
    ['due next 10 working days', 'due is in the next 10 working days'],
    ['due before 24.11.2026', 'due is by 2026-11-23'],
    ['due by 3 May 2027', 'due is by 2027-05-03'],
    ['late', 'it’s late'],
    ['not late', 'it isn’t late'],
    ['overdue', 'it’s late'],
    ['in hand', 'the status is In hand'],
    ['Raedy', 'the status is Ready'],
    ['must or should', 'need is must or should'],
    ['Imke', 'Imke is on it'],
    ['assignees Imke or Hamid', 'assignees include Imke or Hamid'],
    ['asignees has Hamid', 'assignees include Hamid'],
    ['no due', 'due is empty'],
    ['with due', 'due is filled in'],
    ['effort over 2', 'effort is at least 2.01 h'],
    ['effort > 2 h', 'effort is at least 2.01 h'],
    ['effort at most 3.5', 'effort is at most 3.5 h'],
    ['changed in the last 5 days', 'changed is in the last 5 days'],
    ['title has ridge', 'title contains “ridge”'],
    ['outline number contains 1.2', 'outline number contains “1.2”'],
    ['time in phase over 5 days', 'time in phase is at least 6 days'],
    ['time in phase is 1 day', 'time in phase is 1 day'],
    ['age 2 to 9 days', 'age is 2 to 9 days'],
    ['days late at least 3 days', 'days late is at least 3'],
    ['“old glass”', 'title contains “old glass”'],
    ['not “old glass”', 'title doesn’t contain “old glass”'],
    ['open', 'it’s waiting or active'],
    ['my team is in it', 'your team is on it'],
    ['due this week and mine, not finished', 'due is this week; it’s your turn; it isn’t finished'],
    ['mine or late', 'any of (it’s your turn; it’s late)'],
    ['asignees has Hamid or late, not finished', 'any of (assignees include Hamid; it’s late); it isn’t finished'],
    ['due is today or tomorrow', 'due is today'],
    ['must or due is empty', 'any of (need is must; due is empty)'],
    ['in hnad', 'the status is In hand'],
    ['unassigned', 'assignees are empty'],
    ['assigned to me or Hamid', 'assignees include you or Hamid'],
    ['not assigned to Hamid', 'assignees don’t include Hamid'],
    ['status was Ready or Noted 5 days ago', '5 days ago the status was Ready or Noted'],
    ['any of (late; due is empty)', 'any of (it’s late; due is empty)'],
    ['some child meets (late)', 'any child: it’s late'],
    ['5 days ago the status was Ready', '5 days ago the status was Ready'],
    // As it used to be said.
    ['I am not in it', 'you aren’t on it'],
    ['it is my turn', 'it’s your turn'],
    ['tags has not all of heritage as well as public', 'tags don’t include all of heritage as well as public'],
    ['title has not the words “ridge”', 'title doesn’t contain “ridge”'],
    ['the parent meets (status is Ready)', 'the parent: the status is Ready'],
    ['by need without none', 'group'],
    ['sorted by title backwards', 'sort'],
    // As it is said now.
    ["you aren't on it", 'you aren’t on it'],
    ['I’m on it', 'you’re on it'],
    ["it's your turn", 'it’s your turn'],
    ['it isn’t late', 'it isn’t late'],
    ['due isn’t empty', 'due is filled in'],
    ['due isn’t this week', 'due isn’t this week'],
    ["tags don't include public", 'tags don’t include public'],
    ['title doesn’t contain “ridge”', 'title doesn’t contain “ridge”'],
    ['any child: late', 'any child: it’s late'],
    ['every child: any ancestor: not finished', 'every child: any ancestor: it isn’t finished'],
    ['by need leaving out blanks', 'group'],
  ])('%s', (text, words) => expect(said(text)).toBe(words))

  it('takes a given name that no other has for its person, also misspelt', () => {
    const { lead, contributor: member } = small.people
    small.state.put('person', lead.id, { ...lead, name: 'Imke Sand' })
    small.state.put('person', member.id, { ...member, name: 'Hamid Torvald' })
    expect(said('assignees has imkee or Hamdi')).toBe('assignees include Imke Sand or Hamid Torvald')
    expect(said('hamid')).toBe('Hamid Torvald is on it')
    small.state.put('person', lead.id, { ...lead, name: 'Hamid Oakes' })
    expect(said('hamid')).toBe('')
    expect(said('Hamid Oakes')).toBe('Hamid Oakes is on it')
  })

  it('groups, sorts, totals, shows', () => {
    const { uses } = small.project
    expect(only('by need then status')).toEqual({
      says: 'group',
      group: [{ by: fieldRef(uses.need!) }, { by: { fact: 'status' } }],
    })
    expect(only('by month of due')).toEqual({ says: 'group', group: [{ by: fieldRef(uses.due!), grain: 'month' }] })
    expect(only('soonest due')).toEqual(only('soonest due first'))
    expect(only('sum effort')).toEqual(only('sum of effort'))
    expect(only('soonest due first')).toEqual({ says: 'sort', sort: [{ by: fieldRef(uses.due!), down: false }] })
    expect(only('most effort first, then soonest due first')).toEqual({ says: 'sort', sort: [{ by: fieldRef(uses.effort!), down: true }, { by: fieldRef(uses.due!), down: false }] }) // prettier-ignore
    expect(only('sum of effort and count')).toEqual({ says: 'totals', totals: [{ name: 'sum', of: fieldRef(uses.effort!) }, { name: 'count' }] }) // prettier-ignore
    expect(only('showing due and effort')).toEqual({ says: 'show', show: [uses.due, uses.effort] })
    expect(only('as a board')).toEqual({ says: 'layout', layout: 'board' })
    expect(only('as an outline')).toEqual({ says: 'layout', layout: 'outline' })
    expect(only('open to level 3')).toEqual({ says: 'open', open: 3 })
    expect(only('open to every level')).toEqual({ says: 'open', open: mostOpen })
    expect(only('in its own order')).toEqual({ says: 'sort', sort: [{ by: { fact: 'place' }, down: false }] })
  })

  it('says what it did not understand, and where', () => {
    const { understood, left } = read('not finished, wobbly flurbs and due this week')
    expect(understood.map(({ from, to }) => [from, to])).toEqual([[0, 12], [32, 45]]) // prettier-ignore
    expect(left).toEqual([{ from: 14, to: 27, words: 'wobbly flurbs' }])
  })

  it('takes nothing from words that are nothing, and stops at the end', () => {
    for (const text of ['', '   ', ',', '(((', '“', 'by', 'not', 'due is', 'and and and'])
      expect(read(text).understood).toEqual([])
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => void read(text)),
      { numRuns: 500 },
    )
  })

  it.each([
    ['ready', 'ready', true], ['raedy', 'ready', true], ['read', 'ready', true], ['readdy', 'ready', true], ['reaxy', 'ready', true],
    ['rxaxy', 'ready', false], ['dyrea', 'ready', false], ['re', 'ready', false],
  ])('%s for %s: %s', (a, b, is) => expect(isOneLetterOff(a, b)).toBe(is)) // prettier-ignore
})
