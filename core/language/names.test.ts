import { beforeEach, describe, expect, it } from 'vitest'
import { fieldRef } from '../facts/registry'
import { automaticFactNames } from '../model/names'
import type { FactRef } from '../model/records'
import { garden, type Garden } from '../test-kit/garden'
import { maybeNamed, namedFacts, namedValues, quoted } from './names'

let one: Garden
beforeEach(() => {
  one = garden()
})
const ref = (name: string): FactRef =>
  (automaticFactNames as readonly string[]).includes(name) ? ({ fact: name } as FactRef) : fieldRef(name as never)
const words = (by: string) => namedValues(one.state, one.project, ref(by)).map((value) => value.words)

describe('names in sentences', () => {
  it.each([
    ['must', 'must'],
    ['not now', '“not now”'],
    ['In hand', 'In hand'],
    ['in', '“in”'],
    ['bay 3', 'bay 3'],
    ['3rd bay', '“3rd bay”'],
    ['due or done', '“due or done”'],
    ['a, b', '“a, b”'],
    ['the “old” wall', '“the “old”” wall”'],
    ['Élan d’hiver', 'Élan d’hiver'],
    ['two  blanks', '“two  blanks”'],
    [' edge', '“ edge”'],
  ])('%s is said %s', (name, said) => expect(quoted(name)).toBe(said))

  it('are those of the project’s own statuses, options and people', () => {
    expect(words('status')).toEqual(['Noted', 'Ready', 'In hand', 'Being checked', 'Accepted', 'Set aside'])
    expect(words(one.fieldId('need'))).toEqual(['must', 'should', 'could', '“not now”'])
    expect(words('phase')).toEqual(['waiting', 'active', 'finished', 'dropped'])
    expect(words('turn').slice(0, 3)).toEqual(['you', 'your team', 'nobody'])
    expect(words('people')).toEqual(['you', 'your team', 'Séverine', 'Imke', 'Hamid', 'Yuki', 'Noor'])
    expect(words(one.fieldId('effort'))).toEqual([])
  })

  it('that stand twice are told apart', () => {
    const { lead } = one.people
    one.state.put('person', lead.id, { ...lead, name: 'hamid' })
    expect(words(one.fieldId('assignees'))).toContain('hamid')
    expect(words(one.fieldId('assignees'))).toContain('Hamid #2')
    // Neither is meant by the name alone.
    expect(namedValues(one.state, one.project, ref('people')).filter((value) => value.short === 'hamid')).toEqual([])
  })

  it('of a field that is called as an automatic fact is the second of that name', () => {
    const field = one.state.maybe('field', one.fieldId('need'))!
    one.state.put('field', field.id, { ...field, name: 'status' })
    const both = namedFacts(one.state, one.project).filter((fact) => fact.name === 'status')
    expect(both.map(({ id, words }) => [id, words])).toEqual([['status', 'status'], [field.id, 'status #2']]) // prettier-ignore
  })

  it('are quoted where another goes on from them with a word of the language', () => {
    const [bay, effort] = ['bay', 'bay in'].map((name, i) => {
      const field = one.state.maybe('field', one.fieldId(i ? 'effort' : 'need'))!
      one.state.put('field', field.id, { ...field, name })
      return field.id
    })
    const words = namedFacts(one.state, one.project).filter((fact) => [bay, effort].includes(fact.id as typeof bay))
    expect(words.map((fact) => fact.words).sort()).toEqual(['“bay in”', '“bay”'])
  })

  it('of a parent is its key; of what is gone there is none', () => {
    expect(maybeNamed(one.state, one.project, ref('parent'), one.items['Pane 2']!.id)?.words).toBe('GLH-5')
    expect(maybeNamed(one.state, one.project, ref('parent'), one.ids.item())).toBeUndefined()
    expect(maybeNamed(one.state, one.project, ref('status'), 'gone')).toBeUndefined()
  })
})
