import { expect, it } from 'vitest'
import { viewContext } from '../facts/contract'
import { fieldsOf } from '../model/reader'
import type { FieldSettings } from '../fields/settings'
import { testToday } from '../test-kit/views'
import { run, smallWorkspace } from '../test-kit/workspace'
import { LiveView } from '../views/live'
import { misfitCondition, misfitsOf, mostStretches } from './misfits'

const small = smallWorkspace()
const { state, project, people, ids } = small
const named = (name: string) => fieldsOf(state, project.id).find((one) => one.name === name)!
const [effort, assignees, reference] = [named('effort'), named('assignees'), named('outside reference')]
const [lead, contributor] = [people.lead.id, people.contributor.id]
const held = [
  ...[-5, 0, 250, 800, 5000].map((x) => ({ [effort.id]: x })),
  ...[[lead], [contributor], [lead, contributor].sort()].map((who) => ({ [assignees.id]: who })),
  ...Array.from({ length: 200 }, (_, i) => ({ [reference.id]: i % 3 ? `own ${i}` : 'shared' })),
]
const kind = [...state.all('kind')][0]!.id
const status = [...state.all('status')][0]!.id
const items = held.map((values) => ({ item: ids.item(), project: project.id, kind, status, parent: null, title: 'Sow', values })) // prettier-ignore
run(state, { id: ids.command(), type: 'items.add', v: 1, items }, people.owner.id)

/** What is listed where one asks for them, and what is wrong. */
function listed(field: typeof effort, settings: FieldSettings) {
  state.set('field', field.id, 'settings', settings)
  const now = state.maybe('field', field.id)!
  const where = misfitCondition(state, now)
  if (!where) return { wrong: misfitsOf(state, now), shown: [] }
  const viewer = { me: people.owner.id, today: testToday, past: () => undefined }
  const live = new LiveView({ where: [where], group: [], sort: [], totals: [] }, viewContext(state, project.id, viewer))
  return { wrong: misfitsOf(state, now), shown: Array.from(live.inOrder()).sort((a, b) => a - b), where }
}

it('asks for what bounds, named people and one person at most rule out, and for nothing else', () => {
  const rules: [typeof effort, FieldSettings, number][] = [
    [effort, { least: 0 }, 1],
    [effort, { most: 800 }, 1],
    [effort, { least: 100, most: 700 }, 4],
    [assignees, { among: [lead] }, 2],
    [assignees, { single: true }, 1],
    [assignees, { among: [lead], single: true }, 2],
    [assignees, { among: [lead, contributor] }, 0],
    [effort, {}, 0],
  ]
  for (const [field, settings, count] of rules) {
    const { wrong, shown } = listed(field, settings)
    expect(shown).toEqual(wrong)
    expect(wrong).toHaveLength(count)
  }
})

it('names as many of those that are alike as a phrase can hold', () => {
  const { wrong, shown, where } = listed(reference, { unique: true })
  expect(wrong).toHaveLength(67)
  expect(where?.about === 'any' && where.of).toHaveLength(mostStretches)
  expect(shown).toEqual(wrong.slice(0, mostStretches))
})
