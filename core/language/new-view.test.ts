import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { fieldRef } from '../facts/registry'
import { smallWorkspace } from '../test-kit/workspace'
import { parse } from './grammar'
import { newView, proposedName } from './new-view'
import { phraseChanges } from './view-changes'

function begun() {
  const small = smallWorkspace()
  const wording = { reader: small.state, project: small.project, day: (date: string) => date }
  const phrases = (text: string) => parse(text, wording).understood.map(({ phrase }) => phrase)
  const view = (text: string, layout: 'table' | 'board' = 'table') => must(newView(wording, layout, phrases(text)), 'view') // prettier-ignore
  return { ...small, wording, view }
}

describe('a new view', () => {
  it('shows people, due and the fields that its phrases name, each once', () => {
    const { view, project } = begun()
    const { assignees, due, effort } = project.uses
    expect(view('').show).toEqual([assignees, due])
    expect(view('due this week, with sum of effort, sorted by effort').show).toEqual([assignees, due, effort])
    expect(view('showing effort').show).toEqual([effort])
  })

  it('is laid out as asked, and has what was typed', () => {
    const { view } = begun()
    expect(view('late', 'board')).toMatchObject({ layout: 'board', where: [{}] })
  })

  it('proposes a name made from its sentence', () => {
    const { view, wording } = begun()
    expect(proposedName(view(''), wording)).toBe('All items')
    expect(proposedName(view('', 'board'), wording)).toBe('Board by status')
    expect(proposedName(view('late, by status'), wording)).toBe('Late, by status')
    const long = proposedName(view('late and title contains “a very long word indeed, which goes on and on and on and on”, by status'), wording) // prettier-ignore
    expect(long.length).toBeLessThanOrEqual(60)
    expect(long).toMatch(/…$/)
  })
})

describe('what a view says otherwise', () => {
  it('is named phrase by phrase: what came, what went, and what says something else', () => {
    const { view, wording, project } = begun()
    const before = view('late, by status')
    expect(phraseChanges(before, before, wording)).toEqual([])
    const after = { ...before, where: [...before.where, ...view('unassigned').where], group: [], sort: [{ by: fieldRef(must(project.uses.due, 'due')), down: false }] } // prettier-ignore
    expect(phraseChanges(before, after, wording)).toEqual([
      { is: expect.stringMatching(/assign/) as string },
      { was: 'by status' },
      { was: expect.any(String) as string, is: 'soonest due first' },
    ])
    expect(phraseChanges(before, { ...before, where: view('unassigned').where }, wording)).toEqual([
      { was: 'it’s late', is: expect.stringMatching(/assign/) as string },
    ])
  })

  it('says fields by their names, however many', () => {
    const { view, wording, project } = begun()
    const before = view('')
    const after = { ...before, show: before.show.filter((id) => id !== project.uses.due) }
    expect(phraseChanges(before, after, wording)).toEqual([
      { was: 'showing assignees and due', is: 'showing assignees' },
    ])
  })
})
