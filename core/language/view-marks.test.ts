import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { fieldRef } from '../facts/registry'
import type { ViewDefinition } from '../model/records'
import { smallWorkspace } from '../test-kit/workspace'
import { parse, withPhrases } from './grammar'
import { printed, sentenceOf } from './sentence'
import { signalExamples } from './signal-examples'
import { phraseChanges } from './view-changes'

const begun = () => {
  const small = smallWorkspace()
  const wording = { reader: small.state, project: small.project, day: (date: string) => date }
  const table = must([...small.state.all('view')].find((view) => view.definition.layout === 'table'), 'table').definition // prettier-ignore
  const said = (view: ViewDefinition) => sentenceOf(view, wording).map(({ words }) => words).join('') // prettier-ignore
  return { ...small, wording, table, said }
}

describe('what a view marks', () => {
  it('is said by the names of the signals that are on, and by whose colour items are told apart', () => {
    const { table, said, project } = begun()
    const [stale, over] = signalExamples
    const colourBy = fieldRef(must(project.uses.need, 'need'))
    expect(said({ ...table, signals: [stale!, { ...over!, isOff: true }] })).toContain(', marking stale. and …')
    expect(said({ ...table, signals: [...signalExamples], colourBy })).toContain(', marking stale, over its estimate and late, coloured by need. ') // prettier-ignore
    expect(said({ ...table, signals: [{ ...stale!, isOff: true }] })).toBe(said(table))
  })

  it('is no part of what can be typed, and is named among what changed', () => {
    const { table, wording } = begun()
    const marked: ViewDefinition = { ...table, signals: [signalExamples[0]!] }
    expect(printed(marked, wording)).toBe(printed(table, wording))
    expect(phraseChanges(table, marked, wording)).toEqual([{ is: 'marking stale' }])
    expect(phraseChanges(marked, table, wording)).toEqual([{ was: 'marking stale', is: 'marking nothing' }])
  })

  it('stays whatever draws it', () => {
    const { table, wording } = begun()
    const marked: ViewDefinition = { ...table, signals: [...signalExamples], colourBy: { fact: 'status' } }
    for (const layout of ['as a board', 'as an outline', 'as a table']) {
      const { signals, colourBy } = withPhrases(marked, parse(layout, wording).understood.map(({ phrase }) => phrase), wording) // prettier-ignore
      expect({ signals, colourBy }).toEqual({ signals: marked.signals, colourBy: marked.colourBy })
    }
  })
})

it('a phrase about a field that was removed stays as it was called, and is past asking', () => {
  const { state, table, wording, project } = begun()
  const effort = must(project.uses.effort, 'effort')
  const about = { about: 'fact' as const, fact: fieldRef(effort), test: { is: 'filled' as const } }
  const view: ViewDefinition = { ...table, where: [about, { about: 'any', of: [about, { ...about, fact: { fact: 'late' } }] }] } // prettier-ignore
  const past = () => sentenceOf(view, wording).flatMap((piece) => ('phrase' in piece && piece.phrase.startsWith('where') ? [!!piece.isPast] : [])) // prettier-ignore
  expect(past()).toEqual([false, false])
  state.set('field', effort, 'archived', true)
  expect(past()).toEqual([true, false])
  expect(sentenceOf(view, wording).find((piece) => 'phrase' in piece && piece.phrase === 'where:0')).toMatchObject({ words: expect.stringContaining('the removed field effort') as string }) // prettier-ignore
})
