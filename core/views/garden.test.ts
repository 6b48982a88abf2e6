import { describe, expect, it } from 'vitest'
import { garden } from '../test-kit/garden'

const { titles, groups } = garden()
const court = ['Reopen the palm court', 'Reseat brackets', 'Prime the ribs', 'Photograph valves', 'Pane 2']
const rest = ['Pane 10', 'Élan vent winder', 'Old glass', 'Sow ferns']

describe('which items are in a view', () => {
  it.each([
    ['', [...court, ...rest]],
    // Of one option.
    ['need is must', ['Reseat brackets', 'Photograph valves']],
    ['need is must or should', ['Reseat brackets', 'Prime the ribs', 'Photograph valves']],
    ['need is not must, not finished', ['Reopen the palm court', 'Prime the ribs', 'Pane 2', ...rest]],
    ['no need', ['Reopen the palm court', 'Old glass', 'Sow ferns']],
    // Of several.
    ['tags has heritage', ['Reseat brackets', 'Prime the ribs']],
    ['tags has all of heritage as well as wet trade', ['Prime the ribs']],
    ['tags has not heritage, with tags', ['Pane 10']],
    ['assignees has Hamid or Yuki', ['Reseat brackets', 'Prime the ribs', 'Élan vent winder']],
    ['Séverine is in it', ['Prime the ribs', 'Sow ferns']],
    ['I am in it', ['Prime the ribs', 'Sow ferns']],
    // Of numbers; none is not nought.
    ['effort at most 1', ['Photograph valves', 'Sow ferns']],
    ['effort is 2.5 to 4.25', ['Reseat brackets', 'Prime the ribs', 'Élan vent winder']],
    ['effort over 2.5', ['Reseat brackets', 'Pane 2', 'Élan vent winder', 'Old glass']],
    ['effort is empty', ['Reopen the palm court', 'Pane 10']],
    // Of days, under a clock that says Wednesday, 25 November 2026.
    ['due today', ['Prime the ribs']],
    ['due this week', ['Prime the ribs']],
    ['due next week', ['Pane 2', 'Élan vent winder']],
    ['due before today', ['Reseat brackets', 'Photograph valves']],
    ['due next 10 working days', ['Prime the ribs', 'Pane 2', 'Élan vent winder', 'Sow ferns']],
    ['due next 9 working days', ['Prime the ribs', 'Pane 2', 'Élan vent winder']],
    ['due this month', ['Reseat brackets', 'Prime the ribs', 'Photograph valves', 'Pane 2']],
    ['due next month', ['Reopen the palm court', 'Élan vent winder', 'Sow ferns']],
    ['due by 2026-11-20', ['Reseat brackets', 'Photograph valves']],
    ['due is not this month, with due', ['Reopen the palm court', 'Élan vent winder', 'Sow ferns']],
    ['created is in the last 5 days', ['Photograph valves', 'Pane 2', ...rest.slice(0, 3)]],
    ['created is this quarter', [...court, ...rest]],
    // Of the item itself.
    ['late', ['Reseat brackets']],
    ['days late is at least 3', ['Reseat brackets']],
    ['days late is at least 4', []],
    ['finished or dropped', ['Photograph valves', 'Old glass']],
    ['the status is Ready', ['Reopen the palm court', 'Sow ferns']],
    ['signed off is ticked', ['Photograph valves']],
    ['mine', ['Prime the ribs', 'Sow ferns']],
    ['nobody’s turn', ['Reopen the palm court', 'Pane 2', 'Pane 10']],
    // Words of the title, case and accents aside, in any order.
    ['“elan”', ['Élan vent winder']],
    ['“WINDER vent”', ['Élan vent winder']],
    ['title has pane', ['Pane 2', 'Pane 10']],
    // The hierarchy.
    ['level is 0', ['Reopen the palm court', ...rest]],
    ['level is at least 2', ['Photograph valves']],
    ['some child meets (late)', ['Reopen the palm court']],
    ['every child meets (finished)', ['Reseat brackets']],
    ['the parent meets (late)', ['Photograph valves']],
    ['some ancestor meets (the status is Ready)', ['Reseat brackets', 'Prime the ribs', 'Photograph valves', 'Pane 2']],
    ['parent is GLH-1', ['Reseat brackets', 'Prime the ribs', 'Pane 2']],
    // One within another.
    ['late or mine', ['Reseat brackets', 'Prime the ribs', 'Sow ferns']],
    ['none of (need is must; it is waiting), not dropped', ['Prime the ribs']],
    ['all of (any of (need is must; need is could); none of (it is finished; no tags))', ['Reseat brackets', 'Pane 10']],
    ['some child meets (some child meets (finished))', ['Reopen the palm court']],
  ])('%s', (words, those) => expect(titles(words)).toEqual(those)) // prettier-ignore

  it('is another for another person', () => {
    expect(titles('mine', 'Hamid')).toEqual(['Reseat brackets'])
    expect(titles('mine', 'Noor')).toEqual([])
    expect(titles('I am in it', 'Imke')).toEqual(['Prime the ribs', 'Photograph valves'])
  })
})

describe('their order', () => {
  it.each([
    ['sorted by title, not finished', ['Élan vent winder', 'Old glass', 'Pane 2', 'Pane 10', 'Prime the ribs', 'Reopen the palm court', 'Reseat brackets', 'Sow ferns']],
    ['sorted by title backwards, title has pane', ['Pane 10', 'Pane 2']],
    ['soonest due first', ['Photograph valves', 'Reseat brackets', 'Prime the ribs', 'Pane 2', 'Élan vent winder', 'Sow ferns', 'Reopen the palm court', 'Pane 10', 'Old glass']],
    ['latest due first with empty ones first', ['Pane 10', 'Old glass', 'Reopen the palm court', 'Sow ferns', 'Élan vent winder', 'Pane 2', 'Prime the ribs', 'Reseat brackets', 'Photograph valves']],
    ['most effort first', ['Pane 2', 'Old glass', 'Élan vent winder', 'Reseat brackets', 'Prime the ribs', 'Photograph valves', 'Sow ferns', 'Reopen the palm court', 'Pane 10']],
    ['sorted by need, then least effort first, with need', ['Photograph valves', 'Reseat brackets', 'Prime the ribs', 'Pane 2', 'Pane 10', 'Élan vent winder']],
    ['against the team’s order, title has pane', ['Pane 10', 'Pane 2']],
    ['sorted by status, then against the team’s order', ['Élan vent winder', 'Pane 10', 'Pane 2', 'Sow ferns', 'Reopen the palm court', 'Reseat brackets', 'Prime the ribs', 'Photograph valves', 'Old glass']],
  ])('%s', (words, those) => expect(titles(words)).toEqual(those)) // prettier-ignore
})

describe('their groups', () => {
  it.each([
    ['by need', ['must 2', 'should 1', 'could 2', 'not now 1', '– 3']],
    ['by need backwards', ['not now 1', 'could 2', 'should 1', 'must 2', '– 3']],
    ['by need without none', ['must 2', 'should 1', 'could 2', 'not now 1']],
    ['by need in order of count, late', ['must 1 1']],
    ['by need in order of sum of effort', ['should 1 250', 'must 2 400', 'not now 1 425', '– 3 700', 'could 2 1000']],
    ['by need backwards in order of count', ['– 3 3', 'could 2 2', 'must 2 2', 'not now 1 1', 'should 1 1']],
    ['by tags', ['heritage 2', 'wet trade 1', 'public 1', '– 6']],
    ['by tags with empty groups, need is should', ['heritage 1', 'wet trade 1', 'public 0']],
    ['by phase with empty groups, finished', ['waiting 0', 'active 0', 'finished 1', 'dropped 0']],
    ['by assignees, not finished', ['Hamid 2', 'Imke 1', 'Séverine 1', 'Yuki 1', '– 4']],
    ['by week of due, due next month', [`${day('2026-11-30')} 1`, `${day('2026-12-07')} 1`, `${day('2026-12-14')} 1`]],
    ['by week of due with empty groups, need is must or not now', [`${day('2026-11-16')} 2`, `${day('2026-11-23')} 0`, `${day('2026-11-30')} 1`]],
    ['by month of due, tags has heritage', [`${day('2026-11-01')} 2`]],
    ['by quarter of due, with due', [`${day('2026-10-01')} 7`]],
    ['by year of created', [`${day('2026-01-01')} 9`]],
    ['by signed off', ['1 1', '– 8']],
    ['by level', ['0 5', '1 3', '2 1']],
    ['by parent, level is at least 1', ['GLH-1 Reopen the palm court 3', 'GLH-2 Reseat brackets 1']],
    ['by phase then need, not waiting', ['active 2', '  must 1', '  should 1', 'finished 1', '  must 1', 'dropped 1', '  – 1']],
    ['by status then tags then assignees, tags has heritage', ['In hand 1', '  heritage 1', '    Hamid 1', 'Being checked 1', '  heritage 1', '    Hamid 1', '    Imke 1', '  wet trade 1', '    Hamid 1', '    Imke 1']],
  ])('%s', (words, those) => expect(groups(words)).toEqual(those)) // prettier-ignore

  it('are found item by item where there could be more than can be counted at once', () => {
    const { state, ids, items, fieldId, groups: told } = garden()
    for (let i = 0; i < 50; i++) {
      const item = { ...items['Pane 2']!, id: ids.item(), number: 100 + i, title: `Sill ${i}`, rank: `b${100 + i}` }
      state.put('item', item.id, { ...item, values: { [fieldId('effort')]: i } })
    }
    // 50 keys, 50 titles, 50 efforts.
    const all = told('by key then title then effort, “sill”, sum of effort')
    expect(all.length).toBe(150)
    expect(all.slice(0, 6)).toEqual(['100 1 0', '  Sill 0 1 0', '    0 1 0', '101 1 1', '  Sill 1 1 1', '    1 1 1'])
    expect(told('by key, “sill”, sum of effort').length).toBe(50)
  })

  it('have a new day begin where the workspace’s begins', () => {
    const { state, groups: told, items } = garden()
    const late = items['Sow ferns']!
    // Half past eleven at night in UTC is the next day in Berlin.
    state.put('item', late.id, { ...late, created: '2026-11-02T23:30:00.000Z' })
    expect(told('by day of created, “ferns”')).toEqual([`${day('2026-11-03')} 1`])
  })
})

describe('their totals', () => {
  it.each([
    // Of 9 items; 7 have an effort, together 27.75 h.
    ['count', '9'],
    ['sum of effort', '2775'],
    ['filled of effort and empty of effort', '7 2'],
    ['average of effort', String(2775 / 7)],
    ['median of effort', '300'],
    ['median of effort, effort at most 2.5', '100'],
    ['median of effort, effort is 2.5 to 4.25, effort is not 4.25', '275'],
    ['least of effort and most of effort', '0 1000'],
    ['earliest of due and latest of due', `${day('2026-11-18')} ${day('2026-12-18')}`],
    ['share of need', String(6 / 9)],
    ['distinct of need and distinct of tags and distinct of assignees', '4 3 4'],
    // Where nothing is, nothing is said: no nought.
    ['sum of effort and average of effort and least of effort and count, effort is empty', '– – – 2'],
    ['sum of effort, days late is at least 4', '–'],
  ])('%s', (words, those) => {
    const [all] = groups(words)
    expect(all).toBe(`– ${titles(words).length} ${those}`)
  })

  it('of groups add up, and an item in two groups is counted once over all', () => {
    const view = garden().live('by tags, sum of effort and share of effort, with tags')
    expect(view.groups.map((group) => group.totals)).toEqual([[550, 1], [250, 250 / 550], [null, 0]]) // prettier-ignore
    expect(view.totals).toEqual([550, 1])
    expect(view.count).toBe(3)
  })
})

function day(date: string): number {
  return Date.parse(date) / 86_400_000
}
