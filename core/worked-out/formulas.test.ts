import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { FieldId, ItemId } from '../base/ids'
import { keysIn, oneWord, readableFormula, storedFormula, writtenFormula } from '../fields/formulas'
import type { GivenType } from '../fields/names'
import { isWorkedOut } from '../fields/registry'
import { fieldsOf } from '../model/reader'
import type { Field } from '../model/records'
import { garden, type Garden } from '../test-kit/garden'
import { check } from './cel'
import { values } from './columns'
import { nameables } from './names'

/** A garden with a computed field, and what it comes to for an item. */
function computing(written: string, gives: GivenType = 'number', more: Field['settings'] = {}) {
  const of = garden()
  return { of, valueOf: (title: string) => valueOf(of, of.items[title]!.id, add(of, 'worked', written, gives, more)) }
}
let made = 0
function add(of: Garden, name: string, written: string, gives: GivenType, more: Field['settings'] = {}): Field {
  const { state, project } = of
  const formula = storedFormula(written, nameables(state, project.id)).text
  const id = `00000000-0000-7000-8e00-${String(++made).padStart(12, '0')}` as FieldId
  const field: Field = { id, project: project.id, name, help: '', type: 'computed', settings: { formula, gives, ...more }, rank: `d${made}1`, archived: false } // prettier-ignore
  state.put('field', id, field)
  return field
}
function valueOf(of: Garden, item: ItemId, field: Field) {
  const context = of.askedBy('Séverine')
  return values(context, [field], context.table.maybeRow(item)!)?.[field.id] ?? null
}

describe('a formula', () => {
  it('reckons with numbers at their scale, and is rounded to the decimals of its field', () => {
    const { valueOf } = computing('effort * 1.5 + 1', 'number', { decimals: 1 })
    expect(['Reseat brackets', 'Photograph valves', 'Pane 10'].map(valueOf)).toEqual([55, 25, null])
    expect(computing('effort / 7', 'number', { decimals: 2 }).valueOf('Reseat brackets')).toBe(43)
    expect(computing('1 / 2 + 0 * effort', 'number', { decimals: 1 }).valueOf('Reseat brackets')).toBe(5)
    // A half that binary has none of is a half all the same.
    expect(computing('1.005 + 0 * effort', 'number', { decimals: 2 }).valueOf('Sow ferns')).toBe(101)
    expect(computing('0 - 2.5 + 0 * effort').valueOf('Sow ferns')).toBe(-3)
    // A duration counts in hours.
    expect(computing('effort', 'duration').valueOf('Prime the ribs')).toBe(150)
    expect(computing('effort * 10', 'money', { currency: 'EUR' }).valueOf('Prime the ribs')).toBe(2500)
  })

  it('reads fields that are called as words of the language, or as long as a name may be', () => {
    for (const name of ['in', 'true', 'null', 'size', 'today', 'children', 'has', 'x'.repeat(120), 'a b', '2nd']) {
      const { of, valueOf } = computing('1')
      const held = add(of, name, 'otherwise(effort, 0) + 1', 'number')
      const word = writtenFormula(`\`${held.id}\``, nameables(of.state, of.project.id))
      const twice = add(of, 'twice it', `${word} * 2`, 'number')
      expect([name, valueOf('Sow ferns'), keysIn(twice.settings.formula!)]).toEqual([name, 1, [held.id]])
    }
  })

  it('reckons with days and working days', () => {
    expect(computing('due + 7', 'date').valueOf('Reseat brackets')).toBe('2026-11-27')
    expect(computing('due - today').valueOf('Reseat brackets')).toBe(-5)
    expect(computing('working_days(due, today)').valueOf('Reseat brackets')).toBe(3)
    expect(computing('add_working_days(due, 1)', 'date').valueOf('Reseat brackets')).toBe('2026-11-23')
    expect(computing('due < today && phase != "finished"', 'checkbox').valueOf('Reseat brackets')).toBe(true)
    expect(computing('due < today && phase != "finished"', 'checkbox').valueOf('Photograph valves')).toBe(null)
    expect(computing('due == date("2026-11-20")', 'checkbox').valueOf('Reseat brackets')).toBe(true)
    expect(computing('weekday(due) * 10000 + year(due)').valueOf('Reseat brackets')).toBe(52026)
    expect(computing('due', 'date').valueOf('Pane 10')).toBe(null)
  })

  it('reads names of options, people and statuses, and writes texts', () => {
    const text = (written: string) => computing(written, 'shortText').valueOf('Prime the ribs')
    expect(text('status + ", " + need')).toBe('Being checked, should')
    expect(text('"Imke" in assignees ? "hers" : "not hers"')).toBe('hers')
    expect(text('"heritage" in tags && size(tags) == 2 ? title : ""')).toBe('Prime the ribs')
    expect(text('"  "')).toBe(null)
    expect(text('text(effort) + text(due)')).toBe('2.52026-11-25')
  })

  it('walks over what is inside, and reads what it is inside of', () => {
    expect(computing('sum(children.map(c, c.effort))', 'number', { decimals: 2 }).valueOf('Reopen the palm court')).toBe(1550) // prettier-ignore
    expect(computing('sum(inside.map(c, c.effort))', 'number', { decimals: 2 }).valueOf('Reopen the palm court')).toBe(1650) // prettier-ignore
    expect(computing('children.filter(c, c.status == "In hand").size()').valueOf('Reopen the palm court')).toBe(1)
    expect(computing('children.all(c, filled(c.due))', 'checkbox').valueOf('Reopen the palm court')).toBe(true)
    expect(computing('parent.due', 'date').valueOf('Pane 2')).toBe('2026-12-18')
    expect(computing('parent.title', 'shortText').valueOf('Pane 10')).toBe(null)
    expect(computing('average(children.map(c, c.effort))', 'number', { decimals: 2 }).valueOf('Pane 10')).toBe(null)
    expect(computing('latest(children.map(c, c.due))', 'date').valueOf('Reopen the palm court')).toBe('2026-11-30')
  })

  it('is empty where something in it is, but for what asks', () => {
    expect(computing('otherwise(effort, 0) + 1').valueOf('Pane 10')).toBe(1)
    expect(computing('filled(due) ? 1 : 2').valueOf('Pane 10')).toBe(2)
    expect(computing('effort + 1').valueOf('Pane 10')).toBe(null)
    expect(computing('1 / (effort - effort)').valueOf('Reseat brackets')).toBe(null)
    expect(computing('size(tags[0])').valueOf('Pane 2')).toBe(null)
  })

  it('reads other computed fields, and follows a change through all of them', () => {
    const of = garden()
    add(of, 'twice', 'effort * 2', 'number', { decimals: 2 })
    const all = add(of, 'all', 'sum(children.map(c, c.twice))', 'number', { decimals: 2 })
    const top = of.items['Reopen the palm court']!.id
    expect(valueOf(of, top, all)).toBe(3100)
    of.state.set('item', of.items['Pane 2']!.id, of.fieldId('effort'), 2000)
    expect(valueOf(of, top, all)).toBe(5100)
    of.state.set('item', of.items['Pane 2']!.id, 'parent', of.items['Pane 10']!.id)
    expect(valueOf(of, top, all)).toBe(1100)
    expect(valueOf(of, of.items['Pane 10']!.id, all)).toBe(4000)
    of.state.put('item', of.items['Pane 2']!.id, undefined)
    expect(valueOf(of, of.items['Pane 10']!.id, all)).toBe(0)
  })
})

describe('what is wrong with a formula', () => {
  const faultOf = (written: string): [words: string, at: string] | undefined => {
    const { state, project } = garden()
    const stored = storedFormula(written, nameables(state, project.id))
    const checked = check(state, project.id, stored.text)
    if (checked.ok) return undefined
    const { words, from, to } = checked.problem
    return [words, written.slice(stored.back(from), stored.back(to))]
  }
  it.each([
    ['efort * 2', 'There is no field called “efort”.', 'efort'],
    ['2 + `Planting depth`', 'There is no field called “Planting depth”.', '`Planting depth`'],
    ['effort + title', 'A number and a text don’t go together with “+”.', 'effort + title'],
    ['1 + due * effort', 'A day and a number don’t go together with “*”.', 'due * effort'],
    ['effort *', 'Something is missing at the end.', ''],
    ['round(title)', '“round” can’t be used with a text.', 'round(title)'],
    ['children.map(c, c.effort)', 'This comes to a list. Make one number, text, day or yes of it.', 'children.map(c, c.effort)'], // prettier-ignore
    ['children.map(a, children.map(b, a.effort * b.effort)).size()', 'This could run long: it walks over many items again and again.', 'children.map(a, children.map(b, a.effort * b.effort)).size()'], // prettier-ignore
    ['title.matches("(a+)+$")', '“matches” can run long, and isn’t used here.', 'title.matches("(a+)+$")'], // prettier-ignore
  ])('%s', (written, words, at) => {
    expect(faultOf(written)).toEqual([words, at])
  })
  it('is nothing where there is nothing', () => {
    expect(faultOf('effort * 2 + size(children)')).toBeUndefined()
    expect(faultOf('[1, 2, 3].map(a, [1, 2].map(b, a * b)).size()')).toBeUndefined()
  })
})

describe('a formula as it is written and stored', () => {
  const all = [
    { key: 'k1', name: 'Effort' },
    { key: 'k2', name: 'Planting depth' },
    { key: 'k3', name: 'in' },
    { key: 'k4', name: 'Größe' },
    { key: 'k5', name: 'Cost 2' },
    { key: 'k6', name: 'cost-2' },
    { key: 'k7', name: '2nd coat' },
  ]
  it('names by keys, and is written with the names of today', () => {
    const { text } = storedFormula('Effort * planting_depth + `in` + groSSe + `cost-2`/2 + "effort"', all)
    expect(text).toBe('`k1` * `k2` + `k3` + groSSe + `k6`/2 + "effort"')
    expect(storedFormula('größe', all).text).toBe('`k4`')
    expect(writtenFormula(text, all)).toBe('effort * planting_depth + `in` + groSSe + `cost-2`/2 + "effort"')
    expect(writtenFormula('`k1` + `gone`', [{ key: 'k1', name: 'Hours' }])).toBe('hours + `a removed field`')
    expect(keysIn(text)).toEqual(['k1', 'k2', 'k3', 'k6'])
    expect(readableFormula('`k-1`/2 + f(3)').text).toBe('f_k_1/2.0 + f(3)')
  })
  it('is the same once it has been written and stored again', () => {
    const pieces = fc.constantFrom('effort', '`Cost 2`', '`cost-2`', '`2nd coat`', '`in`', ' + ', '(', ')', '"a `b"', '1', '.5', 'x', 'größe', ' ', "'it'") // prettier-ignore
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 12 }), (some) => {
        const { text } = storedFormula(some.join(' '), all)
        expect(storedFormula(writtenFormula(text, all), all).text).toBe(text)
      }),
    )
  })
  it('keeps the place of everything', () => {
    const rewritten = storedFormula('planting_depth + oops', all)
    expect(rewritten.back(rewritten.text.indexOf('oops'))).toBe('planting_depth + '.length)
    expect(rewritten.back(rewritten.text.length)).toBe('planting_depth + oops'.length)
    expect(oneWord('  Two -- Words! ')).toBe('two_words')
  })
})

it('offers every field that a formula can read, and nothing kept elsewhere', () => {
  const { state, project } = garden()
  const offered = nameables(state, project.id).map(({ key }) => key)
  expect(offered).toEqual(expect.arrayContaining(fieldsOf(state, project.id).filter((field) => !isWorkedOut(field) && field.type !== 'longText').map(({ id }) => id))) // prettier-ignore
  expect(offered).not.toContain('rank')
})
