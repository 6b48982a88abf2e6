import { describe, expect, it } from 'vitest'
import { entitiesHeld, entityOf, projectOf } from '../model/entities'
import { Acting } from '../test-kit/acting'
import { itemsHeld } from './delete'
import { starterPattern } from './starter-pattern'

describe('a project deleted for good', () => {
  const begun = () => {
    const acting = new Acting()
    const { state, project, people } = acting.small
    const parent = acting.add(1)
    acting.add(2, { parent })
    const put = acting.add(0)
    expect(acting.does({ type: 'items.archive', items: [put], archived: true })).toBe('done')
    const gone = (items: number, by = people.owner) => acting.does({ type: 'projects.delete', project: project.id, items }, by) // prettier-ignore
    return { acting, state, project, people, gone }
  }

  it('takes all of it along, once an owner has said how many items it holds', () => {
    const { state, project, people, gone } = begun()
    expect(itemsHeld(state, project.id)).toBe(3)
    expect(gone(3, people.lead)).toBe('not-allowed')
    expect(gone(2)).toBe('other-count')
    expect(gone(3)).toBe('done')
    expect(state.maybe('project', project.id)).toBeUndefined()
    expect(itemsHeld(state, project.id)).toBe(0)
    for (const entity of entitiesHeld('directory'))
      for (const record of state.all(entity))
        expect(projectOf(entityOf(entity).scope(record as never, state))).not.toBe(project.id)
    expect(gone(0)).toBe('gone')
  })

  it('leaves others alone, and nothing takes it back', () => {
    const { acting, state, people, gone } = begun()
    const other = starterPattern({ name: 'Seed bank', prefix: 'SED', colour: 'moss', rank: 'b8', maker: people.lead.id }, acting.small.ids.next) // prettier-ignore
    expect(acting.leadDoes({ type: 'projects.create', ...other })).toBe('done')
    const before = [...state.all('status')].filter((status) => status.project === other.project.id).length
    expect(gone(3)).toBe('done')
    expect([...state.all('status')]).toHaveLength(before)
    expect([...state.all('person')].length).toBeGreaterThan(2)
    const { command } = acting.room.entries.at(-1)!
    expect(acting.does({ type: 'revert', of: command }, people.owner)).toBe('for-good')
  })
})
