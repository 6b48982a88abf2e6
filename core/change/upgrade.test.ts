import { describe, expect, it } from 'vitest'
import { evenWeek } from '../base/week'
import { command, entryOf, smallWorkspace } from '../test-kit/workspace'
import { modelVersion, upgradeEntry } from './upgrade'

describe('an entry of the second model', () => {
  const { state, people, ids } = smallWorkspace()
  const five = [1, 2, 3, 4, 5]
  const of = { entity: 'person', id: people.reader.id } as const
  const upgraded = (change: object) => {
    const bare = command(ids, { type: 'person.remove', target: people.reader.id, how: {} })
    return upgradeEntry(state, { ...entryOf(bare, people.owner.id, [change as never]), model: 2 })
  }

  it('has the hours of a week spread over the days that are worked', () => {
    const { patch, model } = upgraded({ ...of, field: 'hoursPerWeek', before: 36, after: 20 })
    expect(model).toBe(modelVersion)
    expect(patch).toEqual([{ ...of, field: 'hours', before: evenWeek(36 * 60, five), after: evenWeek(20 * 60, five) }])
  })

  it('makes and unmakes people as they are today', () => {
    const { hours: _, ...rest } = people.reader
    const { patch } = upgraded({ ...of, field: '*', before: null, after: { ...rest, hoursPerWeek: 30 } })
    expect(patch).toEqual([{ ...of, field: '*', before: null, after: people.reader }])
  })

  it('says anything else as it did', () => {
    const change = { ...of, field: 'name', before: 'Yuki', after: 'Yuki Pemberton' }
    expect(upgraded(change).patch).toEqual([change])
  })
})
