import { describe, expect, it } from 'vitest'
import { must } from '#core/base/result'
import { kindsOfFacts } from '#core/fields/kinds'
import { statusesOf } from '#core/model/reader'
import { viewDefinition } from '#core/model/definition'
import { garden } from '#core/test-kit/garden'
import { factsOf, fieldRef, firstTest } from '#core/facts/registry'
import { LiveView } from '#core/views/live'
import { nextGroup, nextTotal } from './beginnings'
import { toggled } from '../parts/toggled'

const { state, project, askedBy, idOf } = garden()
const directory = { reader: state, statuses: (of: typeof project.id) => statusesOf(state, of) } as never
const facts = factsOf(state, project).filter((fact) => fact.ref.fact !== 'rank')
const factNamed = (key: string) =>
  must(
    facts.find((fact) => fact.key === key),
    key,
  )
const bare = { v: 3, layout: 'table', group: [], sort: [], totals: [], show: [] } as const

describe('what a phrase begins with', () => {
  it.each(facts.map((fact) => [fact.name, fact] as const))('of %s is a question that can be asked of it', (_, fact) => {
    const { kind, ref } = fact
    const test = firstTest(state, project.id, fact)
    expect(kindsOfFacts[kind].tests).toContain(test.is)
    const view = viewDefinition.parse({ ...bare, where: [{ about: 'fact', fact: ref, test }] })
    expect(new LiveView(view, askedBy('Séverine')).count).toBeLessThanOrEqual(9)
  }) // prettier-ignore

  it('leaves what is still to be done, of statuses and phases', () => {
    const open = ['Noted', 'Ready', 'In hand', 'Being checked'].map(idOf)
    expect(firstTest(state, project.id, factNamed('status'))).toEqual({ is: 'anyOf', values: open })
    expect(firstTest(state, project.id, factNamed('phase'))).toEqual({ is: 'anyOf', values: ['waiting', 'active'] })
  })

  it('groups by what it is not grouped by yet, and totals the effort where there is one', () => {
    const groups = [nextGroup([])]
    for (let i = 0; i < 2; i++) groups.push(nextGroup(groups))
    expect(groups.map((group) => group.by)).toEqual([{ fact: 'status' }, { fact: 'kind' }, { fact: 'phase' }])
    expect(nextGroup(groups)).toEqual({ by: { fact: 'level' } })
    expect(nextTotal(directory, project.id)).toEqual({ name: 'sum', of: fieldRef(must(project.uses.effort, 'effort')) })
    const without = { reader: { maybe: () => ({ ...project, uses: {} }) } } as never
    expect(nextTotal(without, project.id)).toEqual({ name: 'count' })
  })
})

it('what is chosen is ticked, and unticked where it was', () => {
  expect(toggled(['a', 'b'], 'c')).toEqual(['a', 'b', 'c'])
  expect(toggled(['a', 'b', 'c'], 'b')).toEqual(['a', 'c'])
})
