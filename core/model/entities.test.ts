import { describe, expect, it } from 'vitest'
import { command, run, smallWorkspace } from '../test-kit/workspace'
import { entities, entityNames, entityOf, idsIn, idsNeeded } from './entities'
import { kindsOf, statusesOf } from './reader'
import type { EntityName, Member, Records } from './records'

const { state, project, ids, people } = smallWorkspace()
const one = { item: ids.item(), project: project.id, kind: kindsOf(state, project.id)[0]!.id, title: 'x', status: statusesOf(state, project.id)[0]!.id, parent: null, values: { [project.uses.assignees!]: [people.lead.id], [project.uses.need!]: state.optionsOf(project.uses.need!)[0]!.id } } // prettier-ignore
run(state, command(ids, { type: 'items.add', items: [one] }), people.owner.id)
const all = entityNames.flatMap((entity) => [...state.all(entity)].map((record): [EntityName, Records[EntityName]] => [entity, record])) // prettier-ignore

describe('every entity', () => {
  it('gives a record back as it was where no id is mapped', () => {
    for (const [entity, record] of all) expect(entityOf(entity).mapIds(record as never, (id) => id)).toEqual(record)
    expect(new Set(all.map(([entity]) => entity)).size).toBeGreaterThan(12)
  })

  it('maps every id that a record speaks of, and leaves none behind', () => {
    const ours = new Set(all.flatMap(([, record]) => (record as { id: string }).id.split('/')))
    for (const [entity, record] of all) {
      const mapped = entityOf(entity).mapIds(record as never, (id) => (ours.has(id) ? (`new-${id}` as typeof id) : id))
      const text = JSON.stringify(mapped)
      for (const id of ours) if (id !== 'items') expect(text.replaceAll(`new-${id}`, '')).not.toContain(`"${id}"`)
    }
  })

  it('belongs to somebody: a project’s to the project, people and the workspace to all', () => {
    for (const [entity, record] of all) {
      const scope = entities[entity].scope(record as never, state)
      if (entity === 'person' || entity === 'dayOff' || entity === 'workspace') expect(scope).toEqual({ of: 'workspace' })
      else if (entity === 'view') expect(scope).toMatchObject({ of: 'view', project: project.id })
      // Whoever is taken out of a project hears that.
      else expect([entity, scope]).toEqual([entity, { of: 'project', project: project.id, ...(entity === 'member' && { self: (record as Member).person }) }]) // prettier-ignore
    }
  })
})

it('a view needs its project and maker; the fields of its phrases may be gone', () => {
  const [view] = [...state.all('view')]
  expect(idsNeeded('view', view!).map((named) => named.entity)).toEqual(['project', 'person'])
  expect(idsIn('view', view!).length).toBeGreaterThan(2)
})
