import { expect, it } from 'vitest'
import { kindsOf, maybeStep } from '../model/reader'
import type { Demand } from '../model/records'
import { Acting } from '../test-kit/acting'
import { entryWords } from './demand-words'

it('says before a move what stands in its way, or what it will be asked', () => {
  const acting = new Acting()
  const { state, project, people } = acting.small
  const effort = acting.field('effort').id
  const set = (at: number, field: 'asks' | 'goesTo', to: unknown) => {
    const step = maybeStep(state, kindsOf(state, project.id)[0]!.workflow, acting.status(at).id)!
    expect(acting.leadDoes({ type: 'step.set', target: step.id, set: { [field]: { from: step[field] ?? null, to } } } as never)).toBe('done') // prettier-ignore
  }
  const item = acting.add(0, { values: { [project.uses.assignees!]: [people.contributor.id] } })
  const words = (to: number, by = people.contributor) =>
    entryWords(state, acting.item(item), acting.status(to).id, by.id)
  expect(words(1)).toBeUndefined()
  set(0, 'goesTo', [acting.status(2).id, acting.status(3).id, acting.status(4).id])
  expect(words(1)).toEqual({ words: 'not from Noted', isOff: true })
  const asks: Demand[] = [{ asks: 'field', field: effort }, { asks: 'note' }, { asks: 'children' }]
  set(2, 'asks', asks)
  expect(words(2)).toEqual({ words: 'asks for effort, a note and everything inside finished', isOff: false })
  expect(acting.does(acting.setting(item, { [effort]: { from: null, to: 2 } }))).toBe('done')
  expect(words(2)?.words).toBe('asks for a note and everything inside finished')
  set(3, 'asks', [{ asks: 'role', role: 'lead' }])
  expect(words(3)).toEqual({ words: 'needs a lead', isOff: true })
  expect(words(3, people.lead)).toBeUndefined()
  set(4, 'asks', [{ asks: 'another' }])
  expect(words(4)).toEqual({ words: 'needs someone who isn’t an assignee', isOff: true })
  expect(words(4, people.lead)).toBeUndefined()
  expect(words(0)).toBeUndefined()
})
