import { expect, it } from 'vitest'
import type { ItemId, PersonId } from '../base/ids'
import type { BareCommand } from '../commands/registry'
import type { FieldTypeName } from '../fields/names'
import type { FieldSettings } from '../fields/settings'
import { Acting } from '../test-kit/acting'
import type { FieldId } from '../model/records'

/** A field with settings, and an item without anything in it. */
function ready(type: FieldTypeName, settings: FieldSettings = {}) {
  const acting = new Acting()
  const { ids, project } = acting.small
  const id = ids.next() as FieldId
  const field = { id, project: project.id, name: 'Spare', help: '', type, settings, rank: 'b9', archived: false }
  expect(acting.leadDoes({ type: 'field.make', field, options: [] })).toBe('done')
  const item = acting.add(0)
  const put = (add: PersonId[], remove: PersonId[] = []): BareCommand => ({ type: 'items.set', items: [{ item, set: { [id]: { add, remove } } }] }) // prettier-ignore
  const set = (from: number | null, to: number | null): BareCommand => ({ type: 'items.set', items: [{ item, set: { [id]: { from, to } } }] }) // prettier-ignore
  return { acting, id, item, put, set, people: acting.small.people }
}

it('a vote is one’s own: nobody gives another’s, or takes it back', () => {
  const { acting, id, put, people } = ready('votes')
  const [mine, other] = [people.contributor.id, people.lead.id]
  expect([acting.does(put([mine])), acting.does(put([other])), acting.leadDoes(put([other]))]).toEqual(['done', 'not-allowed', 'done']) // prettier-ignore
  expect([acting.does(put([], [other])), acting.does(put([], [mine]))]).toEqual(['not-allowed', 'done'])
  const made = acting.small.ids.item() as ItemId
  expect(acting.does(acting.adding(made, 0, { values: { [id]: [other] } }))).toBe('not-allowed')
  expect(acting.does(acting.adding(made, 0, { values: { [id]: [mine] } }))).toBe('done')
})

it('a field of one person takes another in the same step alone', () => {
  const { acting, put, people } = ready('people', { single: true })
  const [one, two] = [people.contributor.id, people.lead.id]
  expect([acting.does(put([one, two])), acting.does(put([one])), acting.does(put([two])), acting.does(put([two], [one]))]).toEqual(['one-person', 'done', 'one-person', 'done']) // prettier-ignore
})

it('a field for some people takes no others; who was in it before stays', () => {
  const { acting, id, item, put, people } = ready('people')
  const [one, two] = [people.contributor.id, people.lead.id]
  acting.does(put([one]))
  expect(acting.leadDoes({ type: 'field.set', target: id, set: { settings: { from: {}, to: { among: [two] } } } })).toBe('done') // prettier-ignore
  expect([acting.does(put([two])), acting.does(put([people.owner.id]))]).toEqual(['done', 'wrong-value'])
  expect(acting.item(item).values[id]).toEqual([one, two].sort())
})

it('bounds hold for what is typed from then on', () => {
  const { acting, id, item, set } = ready('number')
  acting.does(set(null, 900))
  acting.leadDoes({ type: 'field.set', target: id, set: { settings: { from: {}, to: { least: 1, most: 10 } } } })
  expect([acting.does(set(900, 11)), acting.does(set(900, 0)), acting.does(set(900, 10))]).toEqual(['out-of-bounds', 'out-of-bounds', 'done']) // prettier-ignore
  expect(acting.item(item).values[id]).toBe(10)
})

it('what is said of an item in a column is said within its project', () => {
  const { acting, item, people } = ready('number')
  const { state, ids, project } = acting.small
  const other = { ...project, id: ids.next() as typeof project.id, name: 'Other', prefix: 'OTH', rank: 'b9' }
  state.put('project', other.id, other)
  const board = { id: ids.next() as never, project: other.id, name: 'Board', rank: 'b1', archived: false }
  state.put('board', board.id, board)
  const column = { id: ids.next() as never, board: board.id, name: 'Here', rank: 'b1', archived: false }
  state.put('column', column.id, column)
  expect(acting.does({ type: 'limit.overrule', column: column.id, item, reason: 'Frost' }, people.owner)).toBe('other-project') // prettier-ignore
})
